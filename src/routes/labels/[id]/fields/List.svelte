<script lang="ts">
	import type { Ingredient, RulesName } from '$core/formula/types.ts';
	import { labelName } from '$core/formula/naming.ts';
	import type { LabelDraft } from '$lib/label/draft.ts';
	import Field from '$lib/ui/control/Field.svelte';

	/** What each ingredient is called on this label. */
	interface Props {
		draft: LabelDraft;
		at: (path: string) => string;
		/** What a new wording would lose, by ingredient. */
		wordingErrors: Record<string, string>;
		ingredients: readonly Ingredient[];
		rules: RulesName;
	}
	let { draft = $bindable(), at, wordingErrors, ingredients, rules }: Props = $props();
</script>

<h3>Ingredients in your own words</h3>
<p class="text-quiet text-sm">
	The list follows from the formula. Empty takes the name on the shelf. No ingredient can be left out, and a
	wording that loses an allergen’s word is refused.
</p>
<div class="grid gap-3" data-field="wording">
	{#each ingredients as ingredient (ingredient.id)}
		<div data-field="wording.{ingredient.id}">
			<Field
				label={ingredient.name}
				bind:value={() => draft.wording[ingredient.id] ?? '', (said) => (draft.wording[ingredient.id] = said)}
				placeholder={labelName(ingredient, rules)}
				error={wordingErrors[ingredient.id] || at(`wording.${ingredient.id}`)}
				maxlength={300}
			/>
			{#if !ingredient.allergens}
				<p class="text-attention-ink mt-1 text-sm font-semibold">
					Nobody has confirmed its allergens: <a href="/shelf/{ingredient.id}">confirm them</a>
				</p>
			{/if}
		</div>
	{/each}
</div>
