<script lang="ts">
	import { rulesOf } from '$core/rules/index.ts';
	import { mixPrice } from '$core/cost/mix-price.ts';
	import { mixFacts, type MixLine } from '$core/formula/mix.ts';
	import { completeness } from '$core/rules/completeness.ts';
	import { nutrientUnit, nutrientWord, NUTRIENTS } from '$core/composition/nutrients.ts';
	import { readTag, declaredName } from '$core/allergens/tags.ts';
	import { pricePerUsableGram } from '$core/cost/cost.ts';
	import type { Ingredient, RulesName } from '$core/formula/types.ts';
	import { readGrams } from '$core/measure/reading.ts';
	import { partsText } from '$core/formula/parts.ts';
	import { freshKey } from '$lib/formula/draft.ts';
	import { fixed, money, plain } from '$lib/format.ts';
	import type { IngredientDraft } from '$lib/shelf/ingredient-draft.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import X from '@lucide/svelte/icons/x';

	/** A mix of one's own: its lines, and what follows from them. */
	interface Props {
		draft: IngredientDraft;
		/** Everything on the shelf but the mix itself. */
		ingredients: readonly Ingredient[];
		rules: RulesName;
		currency: string;
		at: (path: string) => string;
	}
	let { draft = $bindable(), ingredients, rules, currency, at }: Props = $props();

	const shelf = $derived(new Map(ingredients.map((ingredient) => [ingredient.id, ingredient])));
	const lines = $derived(
		(draft.mix ?? []).flatMap((line): MixLine[] => {
			const grams = readGrams(line.grams);
			return shelf.has(line.ingredient) && grams.ok && grams.value > 0
				? [{ ingredient: line.ingredient, grams: grams.value }]
				: [];
		})
	);
	const ingredientOf = (id: string) => shelf.get(id) as Ingredient;
	const facts = $derived({ ...mixFacts(lines, ingredientOf, rules), ...mixPrice(lines, ingredientOf) });
	const complete = $derived(completeness(facts.per100g, rulesOf(rules)));
	const portion = $derived(readGrams(draft.portion));
	const jars = $derived(portion.ok && portion.value > 0 ? facts.grams / portion.value : null);
	const options = $derived([
		{ value: '', text: 'choose…' },
		...ingredients.map(({ id, name }) => ({ value: id, text: name }))
	]);
	const nameOf = (id: string) => shelf.get(id)?.name ?? '';
	const lineError = (index: number, typed: string) => {
		const read = readGrams(typed);
		return typed.trim() !== '' && !read.ok ? read.message : at(`mix[${index}].grams`);
	};
	const unconfirmed = $derived(lines.filter((line) => !shelf.get(line.ingredient)?.allergens));
	const declared = $derived(
		(facts.allergens ?? []).flatMap((tag) => {
			const read = readTag(tag);
			return read ? [declaredName(read)] : [];
		})
	);
</script>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="mix-heading">
	<h2 id="mix-heading">What goes into it</h2>
	{#if at('mix')}<p class="text-loss mt-1" role="alert">{at('mix')}</p>{/if}
	{#each draft.mix ?? [] as line, index (line.key)}
		<div class="mt-2 grid max-w-xl grid-cols-[1fr_8rem_2.75rem] items-start gap-2">
			<Choice
				label="Ingredient of line {index + 1}"
				tight
				bind:value={line.ingredient}
				{options}
				error={at(`mix[${index}].ingredient`)}
			/>
			<Field
				label="Grams of line {index + 1}"
				tight
				unit="g"
				bind:value={line.grams}
				inputmode="decimal"
				error={lineError(index, line.grams)}
			/>
			<button
				type="button"
				class="p-2"
				aria-label="Remove line {index + 1}"
				onclick={() => draft.mix?.splice(index, 1)}><X size={16} /></button
			>
		</div>
	{/each}
	<button
		type="button"
		class="button mt-2"
		onclick={() => draft.mix?.push({ key: freshKey(), ingredient: '', grams: '' })}>Add a line</button
	>
	<div class="mt-4 flex flex-wrap items-end gap-4">
		<Field
			label="Into one jar"
			unit="g"
			bind:value={draft.portion}
			error={at('portion')}
			class="w-40"
			placeholder="600"
			inputmode="decimal"
		/>
		<p class="pb-3" data-testid="jars">
			<b class="figure">{plain(facts.grams, 1)}<span class="unit">g</span></b> in all{#if jars !== null}, <b
					>{plain(Math.floor(jars + 1e-9))}</b
				> full jars{/if}
		</p>
	</div>
	<h3 class="mt-4">What follows from its lines</h3>
	<dl
		class="mt-1 grid max-w-xl grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1 text-sm"
		data-testid="mix-facts"
	>
		<dt class="text-quiet">Allergens</dt>
		<dd>
			{#if unconfirmed.length > 0}<span class="text-attention-ink font-semibold"
					>wait: not confirmed for {unconfirmed.map((line) => nameOf(line.ingredient)).join(', ')}</span
				>{:else}<b>{declared.join(', ') || 'none'}</b>{/if}
		</dd>
		<dt class="text-quiet">On a label</dt>
		<dd>{partsText(facts.parts)}</dd>
		<dt class="text-quiet">Cost a kg</dt>
		<dd>
			{#if facts.price}<span class="figure"
					>{money(pricePerUsableGram(facts.price).times(1000).toFixed(2), currency)}</span
				>
			{:else if facts.unpriced.length > 0}<span class="text-attention-ink"
					>no price for {facts.unpriced.map(nameOf).join(', ')}</span
				>{:else}–{/if}
		</dd>
		<dt class="text-quiet">In 100 g</dt>
		<dd class="figure text-xs leading-relaxed">
			{#each NUTRIENTS as nutrient (nutrient)}
				{@const value = facts.per100g[nutrient]}
				<span class="mr-3 inline-block"
					>{nutrientWord(nutrient)}
					{value == null ? '?' : fixed(value, 1)}<span class="unit">{nutrientUnit(nutrient)}</span></span
				>
			{/each}
		</dd>
	</dl>
	{#if complete.blocking.length > 0}
		<p class="text-attention-ink mt-1 text-sm">
			The panel waits for {complete.blocking.map(nutrientWord).join(', ')}: some line does not know it.
		</p>
	{/if}
</section>
