<script lang="ts">
	import type { Facts } from '$core/facts.ts';
	import type { Drawing } from '$core/drawing/shapes.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import type { LabelContent } from '$core/label/content.ts';
	import { labelText } from '$core/label/text.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import type { ValueSource } from '$lib/shelf/sources.ts';
	import PanelDrawing from '$lib/ui/facts/PanelDrawing.svelte';
	import Why from '$lib/ui/facts/Why.svelte';

	/** The label at its true size; each line of its panel can be asked about. */
	interface Props {
		drawing: Drawing;
		content: LabelContent;
		facts: Facts;
		recipe: Recipe;
		sources: Record<string, ValueSource>;
		currency: string;
		/** Address of the one-page record of a figure; empty while what is shown is not saved. */
		record: string;
	}
	let { drawing, content, facts, recipe, sources, currency, record }: Props = $props();
	let asked = $state('');
	let open = $state(false);
	function ask(key: string) {
		asked = key;
		open = true;
	}
	const names = $derived(
		Object.fromEntries(rulesOf(recipe.rules).figures.map((figure) => [figure.key, figure.name]))
	);
	const reason = $derived(
		content.panel && facts.serving && facts.yield.finishedWeight_g !== null
			? rulesOf(recipe.rules).servingReason(facts, recipe.product)
			: ''
	);
</script>

<div class="border-edge w-fit max-w-full border border-dashed">
	<PanelDrawing {drawing} text={labelText(content)} {names} onask={ask} />
</div>
{#if reason}<p class="text-quiet mt-2 max-w-prose text-sm">{reason}</p>{/if}
<button type="button" class="button mt-3" onclick={() => ask(Object.keys(names)[0] ?? 'cost')}
	>Why these figures</button
>
<Why bind:open bind:asked {facts} {recipe} {sources} {currency} {record} />
