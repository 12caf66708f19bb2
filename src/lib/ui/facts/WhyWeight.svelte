<script lang="ts">
	import type { Facts } from '$core/facts.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import { fixed, percent, plain } from '$lib/format.ts';

	/** How a ball becomes a finished piece. */
	let { facts, recipe }: { facts: Facts; recipe: Recipe } = $props();
	const weights = $derived(facts.yield);
	const uptake_g = $derived(weights.uptake_g / weights.pieces);
	const raw_g = $derived(weights.ballWeight_g + uptake_g);
</script>

<div class="mt-4 space-y-1" data-testid="derivation">
	<p>
		<b class="figure">{fixed(weights.ballWeight_g, 1)}</b><span class="unit">g</span> of dough{#if recipe.measured.ballWeights_g.length > 0},
			the mean of {plain(recipe.measured.ballWeights_g.length)} weighed balls{/if}
		+ <b class="figure">{fixed(uptake_g, 1)}</b><span class="unit">g</span> uptake from the board, between
		layers or brushed on = <b class="figure">{fixed(raw_g, 1)}</b><span class="unit">g</span> before cooking.
	</p>
	{#if weights.finishedWeight_g === null}
		<p class="text-attention-ink">No finished piece was weighed, and a cook loss is never guessed.</p>
	{:else}
		<p>
			{recipe.measured.finishedWeights_g.length > 0
				? 'Cooked and cooled'
				: 'Expected by the cook loss of the last batches:'}
			<b class="figure">{fixed(weights.finishedWeight_g, 1)}</b><span class="unit">g</span
			>{#if recipe.measured.finishedWeights_g.length > 1}, the mean of {plain(
					recipe.measured.finishedWeights_g.length
				)} weighed pieces{/if}:
			<b class="figure">{fixed(raw_g - weights.finishedWeight_g, 1)}</b><span class="unit">g</span> of water
			went off, {weights.cookLoss === null ? '' : `${percent(weights.cookLoss)} %`}.
		</p>
		{#if weights.finishedMoisture !== null}
			<p>What is left holds {percent(weights.finishedMoisture)} % water.</p>
		{/if}
		{#if recipe.product.packPieces !== null}
			<p>
				{recipe.product.packPieces} in a pack weigh
				<b class="figure">{fixed(recipe.product.packPieces * weights.finishedWeight_g, 1)}</b><span
					class="unit">g</span
				>.
			</p>
		{/if}
	{/if}
</div>
