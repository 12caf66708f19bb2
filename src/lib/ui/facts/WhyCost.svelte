<script lang="ts">
	import type { Facts } from '$core/facts.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import { whyCost } from '$core/why/cost.ts';
	import { money, plain } from '$lib/format.ts';
	import Wide from '$lib/ui/Wide.svelte';
	import ShareBar from './ShareBar.svelte';

	/** What each ingredient costs, and how that becomes the cost of a pack. */
	interface Props {
		facts: Facts;
		recipe: Recipe;
		nameOf: (id: string) => string;
		currency: string;
	}
	let { facts, recipe, nameOf, currency }: Props = $props();
	const why = $derived(whyCost(recipe, facts));
	const materials = $derived(
		why.materials.map(({ name, cost }) => ` + ${name} ${money(cost, currency)}`).join('')
	);
</script>

<div class="mt-4 space-y-1" data-testid="derivation">
	{#if why.batch !== null && why.perPiece !== null}
		<p>
			<b class="figure">{money(why.batch, currency, 4)}</b> of ingredients ÷
			<span class="figure">{plain(why.sellable)}</span>
			{recipe.product.many} that can be sold = <b class="figure">{money(why.perPiece, currency, 4)}</b> each: rejects
			and what stays in the bowl are paid for by the rest.
		</p>
		{#if why.pieces !== null && why.perPack !== null}
			<p>
				× {why.pieces} in a pack{materials} =
				<b class="figure">{money(why.perPack, currency)}</b> a pack.
			</p>
		{/if}
	{:else}
		<p class="text-attention-ink">No ingredient has a price yet.</p>
	{/if}
</div>
<Wide label="What each ingredient costs">
	<table class="ledger mt-3">
		<thead
			><tr><th>Ingredient</th><th class="number">Used up</th><th class="number">Costs</th><th>Share</th></tr
			></thead
		>
		<tbody>
			{#each why.contributions as each (each.ingredient)}
				<tr>
					<td><a href="/shelf/{each.ingredient}">{nameOf(each.ingredient)}</a></td>
					<td class="number figure">{plain(each.consumed_g, 1)}<span class="unit">g</span></td>
					<td class="number figure">{each.cost === null ? 'no price' : money(each.cost, currency, 4)}</td>
					<td><ShareBar share={each.share} /></td>
				</tr>
			{/each}
		</tbody>
	</table>
</Wide>
