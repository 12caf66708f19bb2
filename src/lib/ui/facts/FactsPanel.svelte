<script lang="ts">
	import type { Facts } from '$core/derive.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import { drawEuTable, tableText } from '$core/rules/eu/format.ts';
	import { panelContent } from '$core/rules/us/format/content.ts';
	import { verticalPanel } from '$core/rules/us/format/vertical.ts';
	import { panelText } from '$core/rules/us/format/linear.ts';
	import { servingReason } from '$core/rules/us/serving.ts';
	import { figuresOf } from '$core/why/figures.ts';
	import type { ValueSource } from '$lib/sources.ts';
	import PanelDrawing from './PanelDrawing.svelte';
	import Why from './Why.svelte';

	/** The panel or table of the facts as it prints; each line of it, cost and weight can be asked about. */
	interface Props {
		facts: Facts;
		recipe: Recipe;
		sources: Record<string, ValueSource>;
		currency: string;
		/** Address of the one-page record of a figure; empty while what is shown is not saved. */
		record: string;
	}
	let { facts, recipe, sources, currency, record }: Props = $props();
	let asked = $state('');
	let open = $state(false);

	const names = $derived(
		Object.fromEntries(figuresOf(recipe.rules).map((figure) => [figure.key as string, figure.name]))
	);
	const panel = $derived.by(() => {
		const content = panelContent(facts, recipe.piece.one);
		if (content) return { drawing: verticalPanel(content), text: panelText(content) };
		if (!facts.table || facts.yield.finishedWeight_g === null) return null;
		const table = {
			table: facts.table,
			pieceHeading: `per ${recipe.piece.one} (${Math.round(facts.yield.finishedWeight_g)} g)`
		};
		return { drawing: drawEuTable(table), text: tableText(table) };
	});
	const reason = $derived(
		facts.serving && facts.yield.finishedWeight_g !== null
			? servingReason(recipe.piece, facts.yield.finishedWeight_g, recipe.pack, facts.serving)
			: ''
	);
	function ask(key: string) {
		asked = key;
		open = true;
	}
</script>

{#if panel}
	<PanelDrawing {...panel} {names} onask={ask} />
{/if}
{#if reason}<p class="text-quiet mt-2 text-sm" data-testid="serving-reason">{reason}</p>{/if}
<button type="button" class="button mt-3" onclick={() => ask(panel ? (Object.keys(names)[0] ?? '') : 'cost')}
	>Why these figures</button
>
<Why bind:open bind:asked {facts} {recipe} {sources} {currency} {record} />
