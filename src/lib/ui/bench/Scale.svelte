<script lang="ts">
	import KeepInView from '$lib/ui/KeepInView.svelte';
	import { isControl } from '$lib/form/control.ts';
	import Check from '$lib/ui/control/Check.svelte';
	import { AUTO_START, autoTake } from '$core/scale/steady.ts';
	import { readGrams } from '$core/measure/reading.ts';
	import { readAll } from '$lib/read-again.ts';
	import { networkScale } from '$lib/scale/network.ts';
	import { BAUD_RATES, hasSerial, serialScale } from '$lib/scale/serial.ts';
	import { dock } from '$lib/scale/dock.svelte.ts';
	import { fixed, plain } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import { toast } from 'svelte-sonner';
	import { onMount, untrack } from 'svelte';
	import { page } from '$app/state';
	import { practiceScale } from '$lib/scale/practice.ts';
	import SimulatedScale from './SimulatedScale.svelte';

	/** The scale at the side of a station: its figure, the bar to a target, and what takes a reading. */
	let {
		of,
		target_g = null,
		tolerance_g = 0,
		already_g = 0,
		least_g,
		division_g,
		containers = [],
		zeroAfter = false,
		disabled = false,
		doubtful = () => null,
		ontake,
		onundo = null
	}: {
		/** What a reading now is of, in words. */
		of: string;
		/** What is wanted; null where any weight will do. */
		target_g?: number | null;
		tolerance_g?: number;
		/** What of the target is in already. */
		already_g?: number;
		/** Below this a steady load is not taken by itself. */
		least_g: number;
		division_g: number;
		containers?: { id: string; name: string; tare_g: number | null }[];
		/** What was taken stays on the scale, and the next starts at nothing. */
		zeroAfter?: boolean;
		disabled?: boolean;
		/** What to ask of a figure that cannot be meant; null takes it. */
		doubtful?: (grams: number) => string | null;
		ontake: (grams: number, by: 'scale' | 'typed') => void;
		/** Takes the last reading back; null while there is none. */
		onundo?: (() => void) | null;
	} = $props();

	const decimals = $derived(Math.max(0, -Math.floor(Math.log10(division_g))));
	const net_g = $derived(dock.connected ? dock.net_g : null);
	const shown = $derived(net_g === null ? '–' : fixed(net_g, decimals));
	/** More signs than this would run out of the column. */
	const LONG = 6;
	const total_g = $derived(already_g + Math.max(0, net_g ?? 0));
	/** The bar reaches a fifth past the target, so that too much shows. */
	const reach_g = $derived(target_g === null ? 0 : Math.max(target_g * 1.2, already_g * 1.05));
	const share = (grams: number) => `${Math.min(100, Math.max(0, (100 * grams) / reach_g))}%`;
	const missing_g = $derived(target_g === null ? null : target_g - total_g);
	const standing = $derived(
		missing_g === null || (net_g ?? 0) + already_g === 0
			? ''
			: missing_g > tolerance_g
				? `${fixed(missing_g, decimals)} g missing`
				: missing_g < -tolerance_g
					? `${fixed(-missing_g, decimals)} g too much`
					: 'there'
	);
	const canTake = $derived(!disabled && dock.connected && (dock.net_g ?? 0) > 0);
	/** Pressed while it still moved: the reading is taken as soon as it stands still. */
	let wanted = $state(false);

	let typed = $state('');
	let typedError = $state('');
	let auto = AUTO_START;

	/** A figure that waits for an answer, and what is asked of it. */
	let asked = $state.raw<{ grams: number; by: 'scale' | 'typed'; question: string } | null>(null);
	function give(grams: number, by: 'scale' | 'typed'): void {
		const question = doubtful(grams);
		asked = question === null ? null : { grams, by, question };
		if (question === null) keep(grams, by);
	}
	function keep(grams: number, by: 'scale' | 'typed'): void {
		asked = null;
		ontake(grams, by);
		if (by === 'scale' && zeroAfter) dock.tare();
	}

	function take(): void {
		const grams = dock.steadyNet_g;
		if (!canTake) return;
		wanted = grams === null;
		if (grams === null) return;
		auto = { takenAt_g: dock.load_g, armed: false };
		give(grams, 'scale');
	}
	$effect(() => {
		if (!canTake) wanted = false;
		else if (wanted && dock.steadyNet_g !== null) untrack(take);
	});
	function takeTyped(): void {
		const read = readGrams(typed);
		if (!read.ok) {
			typedError = typed.trim() === '' ? 'type what the scale shows' : read.message;
			return;
		}
		typedError = '';
		typed = '';
		give(read.value, 'typed');
	}
	$effect(() => {
		const { load_g, net_g: net, steady_g } = dock;
		if (load_g === null || net === null) return;
		untrack(() => {
			const { next, take: taking } = autoTake(
				auto,
				{ load_g, net_g: net, steady: steady_g !== null },
				least_g
			);
			// Without it switched on nothing is taken, and so nothing is held against the next load.
			if (!dock.auto || disabled) return;
			auto = next;
			if (taking) take();
		});
	});

	const known = $derived(
		containers.flatMap(({ id, name, tare_g }) => (tare_g === null ? [] : [{ id, name, tare_g }]))
	);
	/** The container that stands empty on the scale. */
	let container = $state('');
	async function remember(): Promise<void> {
		const [id, tare_g] = [container, dock.steady_g];
		if (tare_g === null) return;
		const answer = await fetch('/kitchen/tare.json', {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ id, tare_g })
		}).catch(() => null);
		if (!answer?.ok) {
			toast.error('The server does not answer: it was not remembered. Try again.');
			return;
		}
		container = '';
		toast.success('Remembered');
		dock.setTare(tare_g);
		await readAll();
	}
	let choice = $state('');
	let serial = $state(false);
	let baudRate = $state('9600');
	/** The name of a scale on the network where none was chosen. */
	const NETWORK = 'bench';
	const PRACTICE = 'practice';
	function choose(which: string): void {
		choice = which;
		const scale =
			which === 'none'
				? null
				: which === 'serial'
					? serialScale(Number(baudRate))
					: networkScale(which, 'on the network');
		void dock.use(scale, which);
	}
	onMount(() => {
		if (page.data.practice) {
			// In practice the story’s scale is the one there is, and what is chosen on this device stays chosen.
			choice = PRACTICE;
			void dock.use(practiceScale(), null);
			return () => dock.setTare(0);
		}
		serial = hasSerial();
		// A serial port is opened by the person's own press, never by itself.
		const before = dock.choice;
		dock.restoreTare();
		choose(before === '' || before === 'serial' ? NETWORK : before);
		// The next station begins with nothing taken off.
		return () => dock.setTare(0);
	});
	function onkeydown(event: KeyboardEvent) {
		if (event.key !== 'Enter' || event.defaultPrevented || event.ctrlKey || event.metaKey) return;
		const at = event.target instanceof HTMLElement ? event.target : null;
		if (isControl(at) || at?.closest('button, a, summary, [role="dialog"]')) return;
		take();
	}
</script>

<svelte:window {onkeydown} />

<section aria-label="Scale" class="min-w-0">
	<KeepInView>
		<p class="text-quiet text-sm">On the scale: <span data-testid="scale-of">{of}</span></p>
		<p
			class={['figure flex items-baseline leading-none', dock.steady_g === null && 'text-quiet']}
			data-testid="on-scale"
			data-steady={dock.steady_g === null ? 'no' : 'yes'}
		>
			<span class={shown.length > LONG ? 'text-5xl xl:text-6xl' : 'text-6xl xl:text-7xl'}>{shown}</span>
			<span class="unit text-2xl">g</span>
		</p>
		{#if target_g !== null}
			<div class="border-ink bg-sheet relative mt-2 h-6 border" aria-hidden="true">
				<div
					class={[
						'absolute inset-y-0 left-0',
						missing_g !== null && missing_g < -tolerance_g ? 'bg-loss' : 'bg-flour'
					]}
					style:width={share(total_g)}
				></div>
				<div class="bg-ink absolute -inset-y-1 w-0.5" style:left={share(target_g)}></div>
			</div>
			<p class="text-quiet mt-1 flex justify-between text-sm">
				<span data-testid="standing" class="font-semibold">{standing}</span>
				<span
					>target <b class="figure">{plain(target_g, decimals)}</b>
					± {plain(tolerance_g, Math.max(1, decimals))} g</span
				>
			</p>
		{/if}
		<p class="mt-1 min-h-5 text-sm" role="status">
			{#if dock.overload}<b class="text-loss">Too much for this scale: take some off.</b>
			{:else if choice !== 'none' && !dock.connected}<b class="text-attention-ink"
					>The scale does not answer. Type what it shows, or plug it in again.</b
				>
			{:else if dock.batteryLow}<b class="text-attention-ink">Its battery is low: readings wander.</b>
			{:else if wanted}<b>taken as soon as it stands still…</b>
			{:else if dock.connected && dock.steady_g === null}<span class="text-quiet">moving…</span>
			{/if}
			{#if dock.trouble}<span class="text-loss">{dock.trouble}</span>{/if}
		</p>
		{#if asked}
			{@const { grams, by } = asked}
			<div class="border-attention bg-attention-pale mt-2 border-l-4 px-3 py-2" role="alert">
				<p class="text-attention-ink font-semibold">
					<span class="figure">{plain(grams, decimals)}</span> g: {asked.question}
				</p>
				<div class="mt-2 flex flex-wrap gap-2">
					<button type="button" class="button" onclick={() => keep(grams, by)}>Take it all the same</button>
					<button type="button" class="button" onclick={() => (asked = null)}>Not this</button>
				</div>
			</div>
		{/if}
		<button
			type="button"
			class="button button-main mt-2 w-full py-3 text-base"
			disabled={!canTake}
			onclick={take}>Take reading</button
		>
		{#snippet short()}
			<span class="min-w-0 flex-1 text-sm leading-tight">{of}</span>
			<span class={['figure text-2xl', dock.steady_g === null && 'text-quiet']}
				>{shown}<span class="unit">g</span></span
			>
			<button
				type="button"
				tabindex="-1"
				class="button button-main min-w-24 px-2"
				disabled={!canTake}
				onclick={take}>Take</button
			>
		{/snippet}
	</KeepInView>
	<div class="mt-2 grid grid-cols-2 gap-2">
		<button type="button" class="button" disabled={!dock.connected} onclick={() => dock.tare()}>Tare</button>
		<button type="button" class="button" disabled={!onundo || disabled} onclick={() => onundo?.()}
			>Undo last</button
		>
	</div>
	{#if dock.tare_g !== 0}
		<p class="text-quiet mt-1 text-sm">
			<span class="figure">{fixed(dock.tare_g, decimals)}</span> g taken off.
			<button type="button" class="min-h-8 underline" onclick={() => dock.setTare(0)}>Take nothing off</button
			>
		</p>
	{/if}
	{#if known.length > 0}
		<div class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
			<span class="text-quiet">Take off:</span>
			{#each known as container (container.id)}
				<button
					type="button"
					class="min-h-11 underline sm:min-h-8"
					disabled={!dock.connected}
					onclick={() => dock.setTare(container.tare_g)}
					>{container.name} <span class="figure">{plain(container.tare_g, decimals)}</span> g</button
				>
			{/each}
		</div>
	{/if}
	<Check class="mt-1 text-sm" checked={dock.auto} oncheck={(is) => dock.setAuto(is)}
		>Take a steady reading by itself</Check
	>
	<form
		class="mt-1 flex items-start gap-2"
		onsubmit={(event) => {
			event.preventDefault();
			takeTyped();
		}}
	>
		<Field
			label="Or type it"
			unit="g"
			bind:value={typed}
			error={typedError}
			inputmode="decimal"
			class="flex-1"
			{disabled}
		/>
		<button class="button mt-6" {disabled}>Take it</button>
	</form>
	<details class="mt-3 text-sm" hidden={choice === PRACTICE}>
		<summary class="text-quiet min-h-8 cursor-pointer"
			>{choice === 'none'
				? 'No scale connected'
				: dock.connected
					? `Scale ready, ${plain(division_g, decimals)} g steps`
					: 'Choose a scale'}</summary
		>
		<div class="mt-1 flex flex-wrap gap-2">
			<button
				type="button"
				class="button"
				aria-pressed={!['', 'none', 'serial'].includes(choice)}
				onclick={() => choose(NETWORK)}>On the network</button
			>
			{#if serial}
				<button
					type="button"
					class="button"
					aria-pressed={choice === 'serial'}
					onclick={() => choose('serial')}>At a serial port</button
				>
				<Choice
					compact
					label="baud"
					class="w-28"
					bind:value={baudRate}
					options={BAUD_RATES.map((rate) => ({ value: String(rate), text: String(rate) }))}
				/>
			{/if}
			<button type="button" class="button" aria-pressed={choice === 'none'} onclick={() => choose('none')}
				>None: I type</button
			>
		</div>
		{#if containers.length > 0}
			<div class="mt-2 flex flex-wrap items-end gap-2">
				<Choice
					label="Empty on the scale now"
					bind:value={container}
					options={[
						{ value: '', text: 'choose' },
						...containers.map(({ id, name }) => ({ value: id, text: name }))
					]}
					class="w-44"
				/>
				<button
					type="button"
					class="button"
					disabled={container === '' || (dock.steady_g ?? 0) <= 0}
					onclick={remember}>Remember its weight</button
				>
			</div>
		{/if}
	</details>
	{#if !['none', 'serial', '', PRACTICE].includes(choice)}
		{#key choice}<SimulatedScale name={choice} />{/key}
	{/if}
</section>
