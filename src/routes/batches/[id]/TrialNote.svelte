<script lang="ts">
	import { page } from '$app/state';
	import { percent } from '$lib/format.ts';
	import Wide from '$lib/ui/Wide.svelte';
	import type { Trial } from '$lib/batch/trial.ts';
	import type { Batch } from '$lib/batch/types.ts';
	import { amountOf } from '$core/reformulate/amount.ts';
	import { amountText, figureWord, hasPer, PER_WORDS } from '$lib/reformulate/words.ts';

	/** A batch that is tried out: what it has to weigh, and what it was promised to be beside what came of it. */
	let { batch, trial }: { batch: Batch; trial: Trial } = $props();
	const currency = $derived(page.data.kitchen.currency);
	const loss = $derived(batch.facts?.yield.cookLoss ?? null);
	const isWeighed = $derived(batch.recorded && batch.finishedWeights_g.length > 0);
	const outcome = (figure: Trial['promised'][number]) =>
		batch.recorded && batch.facts ? amountOf(batch.recipe, batch.facts, figure.figure, figure.per) : null;
</script>

<section
	class="border-attention bg-attention-pale mb-3 border-l-4 px-4 py-3"
	aria-labelledby="trial"
	data-testid="trial"
>
	<h2 id="trial" class="text-base">A trial: {trial.reason}</h2>
	<p class="text-sm">
		{#if isWeighed}Its cooled pieces were weighed{loss === null
				? ''
				: `: ${percent(loss)} % was lost in cooking`}.
		{:else}Weigh some balls and some cooled pieces: its loss is not that of the formula as it is.{/if}
		{trial.asks.includes('water')
			? 'Weigh the water that goes in as well: the dough asks for another amount.'
			: ''}
		Its packs fit no label: they are not sold until a version and a label of it are kept.
	</p>
	{#if trial.promised.length > 0}
		<Wide label="Before, promised, and what came of it">
			<table class="ledger mt-2 max-w-2xl">
				<thead
					><tr
						><th>Figure, unrounded</th><th class="number">Before</th><th class="number">Promised</th><th
							class="number">Came of it</th
						></tr
					></thead
				>
				<tbody>
					{#each trial.promised as each, nth (nth)}
						<tr>
							<td>{figureWord(each.figure)} {hasPer(each.figure) ? PER_WORDS[each.per] : ''}</td>
							<td class="number">{amountText(each.figure, each.now, currency)}</td>
							<td class="number">{amountText(each.figure, each.promised, currency)}</td>
							<td class="number font-bold" data-testid="outcome"
								>{batch.recorded ? amountText(each.figure, outcome(each), currency) : 'not weighed yet'}</td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
	{/if}
</section>
