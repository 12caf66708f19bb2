<script lang="ts">
	import type { Facts } from '$core/facts.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import { sumOf } from '$core/measure/round.ts';
	import { whyNutrient } from '$core/why/nutrient.ts';
	import { fixed, plural, significant } from '$lib/format.ts';

	/** Why one line of the panel says what it says: what gives it most, what that comes to, and how it is rounded. */
	interface Props {
		figureKey: string;
		facts: Facts;
		recipe: Recipe;
		/** Opens the dialog with all of it. */
		onall: () => void;
	}
	let { figureKey, facts, recipe, onall }: Props = $props();
	/** So many ingredients are named; the rest are summed. */
	const NAMED = 4;
	const why = $derived(whyNutrient(recipe, facts, figureKey));
	const nameOf = (id: string) => recipe.ingredients.find((each) => each.id === id)?.name ?? id;
	const given = $derived(why?.contributions.filter(({ amount }) => amount !== 0) ?? []);
	const named = $derived(given.length > NAMED + 1 ? given.slice(0, NAMED) : given);
	const rest = $derived(given.slice(named.length));
	const column = $derived(why?.columns[0]);
	/** As many decimals as the largest needs, so that they align. */
	const decimals = $derived.by(() => {
		const most = Math.max(0, ...given.map((each) => each.amount ?? 0));
		return most >= 100 ? 1 : most >= 1 ? 2 : 3;
	});
</script>

{#if why && column}
	<h2>{why.figure.name} {column.printed ?? 'waits'}{column.dv ? `, ${column.dv}` : ''}</h2>
	<p class="text-quiet text-sm">
		Why it says so, for one {recipe.product.one}{facts.yield.finishedWeight_g === null
			? ''
			: ` of ${fixed(facts.yield.finishedWeight_g, 1)} g`}
	</p>
	<table class="mt-2 w-full text-sm" data-testid="why-line">
		<tbody>
			{#each named as each (each.ingredient)}
				<tr class="border-rule border-b">
					<td class="py-1.5 pr-2"
						>{nameOf(each.ingredient)}, {fixed(each.dough_g + each.surface_g, 2)} g of it</td
					>
					<td class="figure py-1.5 text-right whitespace-nowrap"
						>{each.amount === null ? 'unknown' : fixed(each.amount, decimals)}<span class="unit"
							>{why.figure.unit}</span
						></td
					>
				</tr>
			{:else}
				<tr class="border-rule border-b"><td class="py-1.5">Nothing in it has any</td><td></td></tr>
			{/each}
			{#if rest.length > 0}
				<tr class="border-rule border-b">
					<td class="py-1.5">{plural(rest.length, 'other', 'others')} together</td>
					<td class="figure py-1.5 text-right whitespace-nowrap"
						>{fixed(
							sumOf(rest, (each) => each.amount ?? 0),
							decimals
						)}<span class="unit">{why.figure.unit}</span></td
					>
				</tr>
			{/if}
			{#each why.columns as each, nth (nth)}
				<tr class="border-rule border-b font-semibold">
					<td class="py-1.5"
						>Exactly, {each.heading}{each.times === 1 ? '' : `: × ${significant(each.times)}`}</td
					>
					<td class="figure py-1.5 text-right whitespace-nowrap"
						>{each.amount === null ? 'unknown' : significant(each.amount)}<span class="unit"
							>{why.figure.unit}</span
						></td
					>
				</tr>
				<tr class="border-rule border-b">
					<td class="py-1.5">prints{each.dv ? ', and of the Daily Value' : ''}</td>
					<td class="figure py-1.5 text-right font-semibold whitespace-nowrap"
						>{each.printed ?? 'nothing yet'}{each.dv ? `, ${each.dv}` : ''}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
	<p class="text-quiet mt-2 text-sm">Rounding: {why.figure.rule} ({why.figure.source}).</p>
{:else}
	<p>Nothing can be derived of it yet.</p>
{/if}
<button type="button" class="button mt-3" onclick={onall}>All of it, with sources</button>
