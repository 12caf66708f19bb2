<script lang="ts">
	import type { Facts } from '$core/facts.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import type { NutrientDerivation } from '$core/why/nutrient.ts';
	import { fixed, percent, significant } from '$lib/format.ts';
	import { SOURCE_GRADES, sourceText, type ValueSource } from '$lib/shelf/sources.ts';
	import Wide from '$lib/ui/Wide.svelte';
	import ShareBar from './ShareBar.svelte';

	/** What each ingredient gives a figure, and how the sum becomes what prints. */
	interface Props {
		derivation: NutrientDerivation;
		facts: Facts;
		recipe: Recipe;
		sources: Record<string, ValueSource>;
		nameOf: (id: string) => string;
	}
	let { derivation, facts, recipe, sources, nameOf }: Props = $props();
	const { figure, contributions, perPiece, columns } = $derived(derivation);
	const amount = (value: number | null) => (value === null ? 'unknown' : significant(value));
	const weights = $derived(facts.yield);
	/** As many decimals for every ingredient as the largest needs, so that they align. */
	const decimals = $derived.by(() => {
		const most = Math.max(0, ...contributions.map((each) => each.amount ?? 0));
		return most >= 100 ? 1 : most >= 10 ? 2 : 3;
	});
</script>

<div class="mt-4 space-y-1" data-testid="derivation">
	{#if perPiece === null}
		<p class="text-attention-ink">
			A value is unknown, so the line waits: it is named below, and mended on the shelf.
		</p>
	{/if}
	{#each columns as column, nth (nth)}
		<p>
			<span class="inline-block font-semibold first-letter:uppercase">{column.heading}:</span>
			<span class="figure">{amount(perPiece)}</span><span class="unit">{figure.unit}</span> a {recipe.product
				.one}
			× <span class="figure">{significant(column.times)}</span>
			= <span class="figure">{amount(column.amount)}</span><span class="unit">{figure.unit}</span>
			→ prints <b class="figure">{column.printed ?? 'nothing yet'}</b>{#if column.dv}, <b class="figure"
					>{column.dv}</b
				>
				of the Daily Value{/if}
		</p>
	{/each}
	<p class="text-quiet text-sm">
		Rounding: {figure.rule} ({figure.source}). {figure.formula ? `Made of ${figure.formula}.` : ''}
	</p>
</div>
<Wide label="What each ingredient gives">
	<table class="ledger mt-3">
		<thead>
			<tr>
				<th>Ingredient</th>
				<th class="number">In a raw piece</th>
				<th class="number">In 100 g of it</th>
				<th class="number">Gives</th>
				<th>Share</th>
				<th>Where the value is from</th>
			</tr>
		</thead>
		<tbody>
			{#each contributions as each (each.ingredient)}
				{@const source = sources[each.ingredient]}
				<tr>
					<td><a href="/shelf/{each.ingredient}">{nameOf(each.ingredient)}</a></td>
					<td class="number figure whitespace-nowrap">
						{fixed(each.dough_g + each.surface_g, 2)}<span class="unit">g</span>
						{#if each.surface_g > 0}<span class="text-quiet block text-xs">
								{each.dough_g > 0 ? `${fixed(each.surface_g, 2)} of it` : 'all of it'} uptake</span
							>{/if}
					</td>
					<td class="number figure whitespace-nowrap"
						>{amount(each.per100g)}{#if each.per100g !== null}<span class="unit">{figure.unit}</span>{/if}</td
					>
					<td class="number figure whitespace-nowrap"
						>{each.amount === null ? 'unknown' : fixed(each.amount, decimals)}{#if each.amount !== null}<span
								class="unit">{figure.unit}</span
							>{/if}</td
					>
					<td><ShareBar share={perPiece === 0 ? 0 : each.share} /></td>
					<td class="text-sm"
						>{#if source}{sourceText(source)}<span class="text-quiet block"
								>{SOURCE_GRADES[source.source]}</span
							>{:else}not noted{/if}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
</Wide>
<p class="text-quiet mt-3 text-sm">
	A ball of {fixed(weights.ballWeight_g, 1)} g and {fixed(weights.uptake_g / weights.pieces, 1)} g of uptake cook
	to
	{weights.finishedWeight_g === null ? '–' : fixed(weights.finishedWeight_g, 1)} g{weights.cookLoss === null
		? ''
		: `, a loss of ${percent(weights.cookLoss)} %`}: water, and nothing else. From calculation, not a
	laboratory.
</p>
