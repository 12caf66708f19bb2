<script lang="ts">
	import type { Facts } from '$core/facts.ts';
	import type { Drawing } from '$core/drawing/shapes.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import type { LabelContent } from '$core/label/content.ts';
	import type { LabelPart } from '$core/label/layout.ts';
	import { labelText } from '$core/label/text.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import type { ValueSource } from '$lib/shelf/sources.ts';
	import PanelDrawing from '$lib/ui/facts/PanelDrawing.svelte';
	import Why from '$lib/ui/facts/Why.svelte';

	/** The label at its true size; each line of its panel can be asked about. */
	interface Props {
		drawing: Drawing;
		parts: LabelPart[];
		/** Goes to a field of the design. */
		onpart: (field: string) => void;
		content: LabelContent;
		facts: Facts;
		recipe: Recipe;
		sources: Record<string, ValueSource>;
		currency: string;
		/** Address of the one-page record of a figure; empty while what is shown is not saved. */
		record: string;
	}
	let { drawing, parts, onpart, content, facts, recipe, sources, currency, record }: Props = $props();
	let asked = $state('');
	let open = $state(false);
	function ask(key: string) {
		asked = key;
		open = true;
	}
	/** In words no field is called by, so that the two are told apart by ear. */
	const PART_WORDS: Partial<Record<LabelPart['field'], string>> = {
		name: 'the title',
		wording: 'the list’s words',
		storage: 'the line on keeping',
		finishing: 'the line on finishing',
		localSentence: 'the local sentence',
		maker: 'the line of who makes it',
		bestBeforeDays: 'the line of the date',
		declared_g: 'the weight at the foot'
	};
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
	<PanelDrawing
		{drawing}
		text={labelText(content)}
		{names}
		onask={ask}
		parts={parts.map(({ field, ...at }) => ({
			key: field,
			name: `Change ${PART_WORDS[field] ?? field}`,
			...at
		}))}
		{onpart}
	/>
</div>
{#if reason}<p class="text-quiet mt-2 max-w-prose text-sm">{reason}</p>{/if}
<button type="button" class="button mt-3" onclick={() => ask(Object.keys(names)[0] ?? 'cost')}
	>Why these figures</button
>
<Why bind:open bind:asked {facts} {recipe} {sources} {currency} {record} />
