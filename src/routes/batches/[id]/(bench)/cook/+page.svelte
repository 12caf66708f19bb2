<script lang="ts">
	import KeepInView from '$lib/ui/KeepInView.svelte';
	import Check from '$lib/ui/control/Check.svelte';
	import { temperatureDoubt, weightDoubt } from '$core/bench/doubt.ts';
	import { cut } from '$core/measure/text.ts';
	import { lossSoFar, moistureVerdict } from '$core/bench/cook.ts';
	import { MOST_AT_ONCE, REJECT_REASONS } from '$core/bench/entries.ts';
	import { roundTo } from '$core/measure/round.ts';
	import { readHeat } from '$core/measure/heat.ts';
	import { useSession } from '$lib/batch/bench/session.svelte.ts';
	import { fixed, plain, plural } from '$lib/format.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Scale from '$lib/ui/bench/Scale.svelte';
	import Next from '../Next.svelte';
	import Thermometer from './Thermometer.svelte';

	let { data } = $props();
	const session = useSession();
	const bench = $derived(session.bench);
	const decimals = $derived(Math.max(0, -Math.floor(Math.log10(data.scaleDivision_g))));

	const made = $derived(session.batch.ballCount);
	const rejects = $derived(session.batch.rejects);
	const left = $derived(made === null ? null : Math.max(0, made - bench.done - rejects - bench.on));
	/** So many go on together: the last ones may be fewer. */
	const onNow = $derived(left === null ? bench.atOnce : Math.min(bench.atOnce, Math.max(1, left)));
	/** And so many come off: those that are on, where somebody said so. */
	const doneNow = $derived(bench.on > 0 ? Math.min(bench.atOnce, bench.on) : bench.atOnce);
	const tapped = $derived(REJECT_REASONS.filter((reason) => bench.rejected[reason] > 0));

	const isTap = (entry: { kind: string; happening?: { name: string } }) =>
		entry.kind === 'event' &&
		['pieces on', 'pieces done', 'piece rejected'].includes(entry.happening?.name ?? '');
	const isFinished = (entry: { kind: string; what?: string }) =>
		entry.kind === 'weighing' && entry.what === 'finished';

	const finished = $derived(session.batch.finishedWeights_g);
	const flow = $derived(session.facts?.yield ?? null);
	/** A mean ball with what is on it. */
	const raw_g = $derived(flow ? flow.ballWeight_g + flow.uptake_g / flow.pieces : null);
	const loss = $derived(raw_g === null ? null : lossSoFar(finished, raw_g));
	const moisture = $derived(flow?.finishedMoisture ?? null);
	const VERDICT = {
		impossible: 'cannot be: weigh a piece again',
		dry: 'drier than bread usually is: under 20 %',
		plausible: 'plausible',
		wet: 'wetter than bread usually is: over 48 %'
	} as const;

	const cookSteps = $derived(
		data.station.steps.filter((step) => /^(cook|finish)/.test(step.kind) || step.kind === 'hold')
	);
	const wanted_c = $derived(cookSteps.find((step) => step.temperature_c !== null)?.temperature_c ?? null);
	let temperature = $state('');
	let temperatureError = $state('');
	/** What was typed and asked about. */
	let doubted = '';
	/** No thermometer at a griddle shows more. */
	const MOST_C = 700;
	function takeTemperature(): void {
		const read = readHeat(temperature);
		if (!read.ok || read.value > MOST_C) {
			temperatureError = read.ok ? 'more than any griddle: check it' : read.message;
			return;
		}
		const question = temperatureDoubt(read.value);
		if (question !== null && doubted !== temperature) {
			doubted = temperature;
			temperatureError = `${question} Note it again to keep it all the same.`;
			return;
		}
		temperatureError = temperature = doubted = '';
		session.happened({ name: 'surface temperature', temperature_c: roundTo(read.value, 0.1) });
	}
	/** Of what was seen, as it is kept. */
	const MOST_CUE = 80;
	let note = $state('');
	function takeNote(cue: string, text: string): void {
		if (cue === '' && text.trim() === '') return;
		session.happened({ name: 'noted', cue, text: text.trim() });
		note = '';
	}
	const isPartCooked = $derived(bench.partCooked || data.station.partCooked);
	const clockOf = (at: string) =>
		new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' }).format(new Date(at));
</script>

<svelte:head><title>Cook · {session.batch.name} · Square Batch</title></svelte:head>

{#if data.station.uncooked}
	<p class="mb-3 max-w-prose text-lg">Nothing of it is cooked: weigh the filled jars.</p>
{/if}
<div class="grid gap-x-8 gap-y-5 md:grid-cols-[minmax(0,1fr)_17rem]">
	<div class="min-w-0 space-y-5">
		<section aria-labelledby="taps-heading">
			<div class="flex flex-wrap items-baseline justify-between gap-x-4">
				<h2 id="taps-heading">Pieces</h2>
				{#if isPartCooked}<p class="text-attention-ink font-semibold" data-testid="part-cooked">
						Part-cooked: the customer finishes it, and the label says how.
					</p>{/if}
			</div>
			<dl class="mt-1 flex flex-wrap gap-x-8 gap-y-1" data-testid="pieces">
				<div>
					<dt class="text-quiet text-sm">On now</dt>
					<dd class="figure text-3xl">{plain(bench.on)}</dd>
				</div>
				<div>
					<dt class="text-quiet text-sm">Done</dt>
					<dd class="figure text-3xl">{plain(bench.done)}</dd>
				</div>
				<div>
					<dt class="text-quiet text-sm">Rejected</dt>
					<dd class="figure text-3xl">{plain(rejects)}</dd>
				</div>
				<div>
					<dt class="text-quiet text-sm">
						{made === null ? 'Balls not counted yet' : `To come, of ${plain(made)}`}
					</dt>
					<dd class="figure text-3xl">{left === null ? '–' : plain(left)}</dd>
				</div>
			</dl>
			<div class="mt-3 flex items-center gap-2" role="group" aria-label="How many cook at once">
				<span class="text-quiet text-sm">At once</span>
				<button
					type="button"
					class="button min-w-11 px-2"
					aria-label="One fewer at once"
					disabled={session.isClosed || bench.atOnce <= 1}
					onclick={() => session.happened({ name: 'at once', count: bench.atOnce - 1 })}>−</button
				>
				<span class="figure min-w-6 text-center text-xl" data-testid="at-once">{bench.atOnce}</span>
				<button
					type="button"
					class="button min-w-11 px-2"
					aria-label="One more at once"
					disabled={session.isClosed || bench.atOnce >= MOST_AT_ONCE}
					onclick={() => session.happened({ name: 'at once', count: bench.atOnce + 1 })}>+</button
				>
			</div>
			<KeepInView>
				<div class="mt-2 grid grid-cols-3 gap-2">
					<button
						type="button"
						class="button py-4 text-base"
						disabled={session.isClosed || onNow === 0}
						onclick={() => session.happened({ name: 'pieces on', count: onNow })}
						>{onNow <= 1 ? 'One on' : `${plain(onNow)} on`}</button
					>
					<button
						type="button"
						class="button button-main py-4 text-base"
						disabled={session.isClosed}
						onclick={() => session.happened({ name: 'pieces done', count: doneNow })}
						>{doneNow <= 1 ? 'One done' : `${plain(doneNow)} done`}</button
					>
					<button
						type="button"
						class="button py-4"
						disabled={session.isClosed || !session.canUndo(isTap)}
						onclick={() => session.undo(isTap)}>Undo last</button
					>
				</div>
				{#snippet short()}
					<span class="figure flex-1 text-lg">{plain(bench.on)} on, {plain(bench.done)} done</span>
					<button
						type="button"
						tabindex="-1"
						class="button px-3"
						disabled={session.isClosed || onNow === 0}
						onclick={() => session.happened({ name: 'pieces on', count: onNow })}>{plain(onNow)} on</button
					>
					<button
						type="button"
						tabindex="-1"
						class="button button-main px-3"
						disabled={session.isClosed}
						onclick={() => session.happened({ name: 'pieces done', count: doneNow })}
						>{plain(doneNow)} done</button
					>
				{/snippet}
			</KeepInView>
			<h3 class="mt-3">Not for sale</h3>
			<div class="mt-1 grid grid-cols-[repeat(auto-fill,minmax(7rem,1fr))] gap-2">
				{#each REJECT_REASONS as reason (reason)}
					<button
						type="button"
						class="button"
						disabled={session.isClosed}
						onclick={() => session.happened({ name: 'piece rejected', reason })}
						>{reason}{#if bench.rejected[reason] > 0}<b class="figure ml-2">{bench.rejected[reason]}</b
							>{/if}</button
					>
				{/each}
			</div>
			{#if tapped.length > 0 && rejects > tapped.reduce((sum, reason) => sum + bench.rejected[reason], 0)}
				<p class="text-quiet mt-1 text-sm">
					{plural(rejects - tapped.reduce((sum, reason) => sum + bench.rejected[reason], 0), 'reject')} counted
					without a reason.
				</p>
			{/if}
		</section>

		<section aria-labelledby="heat-heading">
			<h2 id="heat-heading">Heat and cues</h2>
			<div class="mt-1 grid gap-x-6 gap-y-3 sm:grid-cols-2">
				<form
					class="flex items-start gap-2"
					onsubmit={(event) => {
						event.preventDefault();
						takeTemperature();
					}}
				>
					<Field
						label="Surface temperature"
						unit="°C"
						bind:value={temperature}
						error={temperatureError}
						hint={wanted_c === null ? '' : `the formula says ${plain(wanted_c)} °C`}
						inputmode="decimal"
						class="w-44"
						disabled={session.isClosed}
					/>
					<button class="button mt-6" disabled={session.isClosed}>Note it</button>
				</form>
				<form
					class="flex items-start gap-2"
					onsubmit={(event) => {
						event.preventDefault();
						takeNote('', note);
					}}
				>
					<Field
						label="What you see"
						bind:value={note}
						maxlength={500}
						class="min-w-0 flex-1"
						disabled={session.isClosed}
					/>
					<button class="button mt-6" disabled={session.isClosed}>Note it</button>
				</form>
			</div>
			<Thermometer onread={(read_c) => (temperature = String(read_c))} />
			{#if cookSteps.length > 0}
				<p class="text-quiet mt-2 text-sm">Seen as it should be:</p>
				<div class="mt-1 flex flex-wrap gap-2">
					{#each cookSteps.filter((step) => step.cue !== '') as step, nth (nth)}
						<button
							type="button"
							class="button"
							disabled={session.isClosed}
							onclick={() => takeNote(cut(step.cue, MOST_CUE), '')}>{step.cue}</button
						>
					{/each}
				</div>
			{/if}
			{#if bench.temperatures.length + bench.notes.length > 0}
				<ul class="mt-2 text-sm" aria-label="Noted">
					{#each [...bench.temperatures.map( (each) => ({ ...each, words: `${plain(each.temperature_c)} °C on the surface` }) ), ...bench.notes.map( (each) => ({ ...each, words: [each.cue, each.text]
										.filter(Boolean)
										.join(': ') }) )].sort((a, b) => (a.id < b.id ? 1 : -1)) as noted (noted.id)}
						<li class="border-rule border-b py-1">
							<span class="figure text-quiet mr-2">{clockOf(noted.at)}</span>{noted.words}{session.isWaiting(
								noted.id
							)
								? ' …'
								: ''}
						</li>
					{/each}
				</ul>
			{/if}
			<Check
				class="mt-2 text-sm"
				checked={isPartCooked}
				disabled={session.isClosed || data.station.partCooked}
				oncheck={(is) => session.happened({ name: 'part-cooked', is })}
				>Part-cooked, the customer finishes it</Check
			>
			{#if isPartCooked}
				<p class="caution">
					Part-cooked bread is not ready to eat: the label must say how to finish it, and your authority may
					treat it as another kind of food.
				</p>
			{/if}
		</section>

		<section aria-labelledby="loss-heading">
			<h2 id="loss-heading">Water off</h2>
			{#if loss === null}
				<p class="text-quiet mt-1">
					Weigh some finished pieces once they have cooled: {data.expectedLoss === null
						? 'without that nothing by weight can be said of them.'
						: `the usual loss here is ${fixed(100 * data.expectedLoss, 1)} %.`}
				</p>
			{:else}
				<p class="mt-1 text-lg" data-testid="loss">
					Cook loss <b class="figure">{fixed(100 * loss.loss, 1)}</b><span class="unit">%</span>{loss.low ===
						null || loss.high === null
						? ', from one piece: weigh another and it shows its range.'
						: `, likely ${fixed(100 * loss.low, 1)} to ${fixed(100 * loss.high, 1)} %, from ${plural(loss.pieces, 'piece')}.`}
					{#if data.expectedLoss !== null}
						<span class="text-quiet text-base">Usual here: {fixed(100 * data.expectedLoss, 1)} %.</span>
					{/if}
				</p>
				{#if moisture !== null}
					{@const verdict = moistureVerdict(moisture)}
					<p class={verdict === 'plausible' ? '' : 'text-attention-ink font-semibold'} data-testid="moisture">
						Water left <b class="figure">{fixed(100 * moisture, 0)}</b><span class="unit">%</span> of the
						piece:
						{VERDICT[verdict]}.
					</p>
				{:else}
					<p class="text-quiet">An ingredient’s water is unknown, so what is left of it cannot be said.</p>
				{/if}
			{/if}
		</section>
	</div>
	<div class="md:sticky md:top-12 md:self-start">
		<Scale
			of={data.station.uncooked
				? `filled jar ${plain(finished.length + 1)}`
				: `finished piece ${plain(finished.length + 1)}, cooled`}
			least_g={(raw_g ?? session.batch.ballWeight_g) * 0.4}
			division_g={data.scaleDivision_g}
			containers={data.containers}
			disabled={session.isClosed}
			doubtful={(grams) => weightDoubt(grams, raw_g ?? session.batch.ballWeight_g)}
			ontake={(grams, by) => session.weigh({ what: 'finished', lineId: null, grams, by })}
			onundo={session.canUndo(isFinished) ? () => session.undo(isFinished) : null}
		/>
		{#if finished.length > 0}
			<p class="figure mt-3 text-sm" data-testid="finished">
				{finished.map((grams) => fixed(grams, decimals)).join('  ')}
			</p>
		{/if}
	</div>
</div>
<Next
	to="/batches/{session.batch.id}/pack"
	word="Count and pack"
	ready={finished.length > 1}
	cautions={data.station.cautions.filter((caution) => !/^(raw|boil)/i.test(caution))}
/>
