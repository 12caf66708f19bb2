<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { FigureOf, NewLine } from '$lib/reformulate/types.ts';
	import DayField from '$lib/ui/control/DayField.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { plural } from '$lib/format.ts';
	import { readCount } from '$core/measure/reading.ts';
	import { untrack } from 'svelte';

	/** What is done with it: the next version with its reason, or a small batch of it first. */
	interface Props {
		lines: readonly NewLine[];
		reason: string;
		version: number;
		number: number;
		figures: readonly FigureOf[];
		trialId: string;
		day: string;
		/** Pieces of a whole batch. */
		pieces: number;
		many: string;
	}
	let { lines, reason, version, number, figures, trialId, day, pieces, many }: Props = $props();
	/** What was typed stands before what is proposed. */
	let typed = $state<string | null>(null);
	const said = $derived(typed ?? reason);
	let madeOn = $state(untrack(() => day));
	const SMALL = 8;
	let wanted = $state(untrack(() => String(Math.min(SMALL, pieces))));
	const count = $derived(readCount(wanted));
	const factor = $derived(count.ok && pieces > 0 ? Math.max(0.01, Math.min(100, count.value / pieces)) : 0);
	const common = () => ({ version, lines, reason: said.trim() });
	const take = draftForm<never>({ saved: () => `Kept as version ${number + 1}`, sends: common });
	const trial = draftForm<never>({
		saved: 'Trial planned',
		sends: () => ({ ...common(), id: trialId, madeOn, factor, figures })
	});
</script>

<section aria-labelledby="taking" class="border-rule mt-6 border-t pt-4">
	<h2 id="taking">Take it, or try it first</h2>
	<Field
		label="Why"
		bind:value={() => said, (value) => (typed = value)}
		maxlength={500}
		hint="kept with the version or the trial"
		error={take.at('reason') || trial.at('reason')}
		class="mt-2 max-w-2xl"
	/>
	<div class="mt-3 grid max-w-4xl gap-6 md:grid-cols-2">
		<form method="POST" action="?/trial" use:enhance={trial.enhance} class="space-y-2">
			<div class="flex flex-wrap items-end gap-2">
				<Field
					label="Pieces of the trial"
					class="w-32"
					inputmode="numeric"
					bind:value={wanted}
					error={count.ok && count.value > 0 ? trial.at('factor') : 'how many, such as 8'}
				/>
				<DayField label="Made on" bind:value={madeOn} error={trial.at('madeOn')} class="w-44" />
			</div>
			<button class="button button-main" disabled={trial.saving || factor === 0}>Plan a trial batch</button>
			<p class="text-quiet text-sm">
				{count.ok ? plural(count.value, 'piece') : 'Some'} instead of {pieces}
				{many}. Its bench asks for what will move, and its outcome stands beside the promise.
			</p>
			<Problems problems={trial.problems} />
		</form>
		<form method="POST" action="?/take" use:enhance={take.enhance} class="space-y-2">
			<button class="button md:mt-7" disabled={take.saving}>Keep as version {number + 1}</button>
			<p class="text-quiet text-sm">
				Labels approved for version {number} do not fit it: its packs wait until a new one is.
			</p>
			<Problems problems={take.problems} />
			{#if take.stale}<p role="alert" class="text-loss">
					Somebody changed this formula meanwhile: <a href="?" data-sveltekit-reload>look at it again</a>.
				</p>{/if}
		</form>
	</div>
</section>
