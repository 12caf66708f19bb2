<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import type { Facts } from '$core/facts.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import { figuresOf } from '$core/why/figures.ts';
	import { whyNutrient } from '$core/why/nutrient.ts';
	import type { ValueSource } from '$lib/shelf/sources.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import { Dialog } from 'bits-ui';
	import WhyCost from './WhyCost.svelte';
	import WhyNutrient from './WhyNutrient.svelte';
	import WhyWeight from './WhyWeight.svelte';

	/** Where a figure comes from, one figure at a time. */
	interface Props {
		open: boolean;
		/** Key of the figure, or `cost` or `weight`. */
		asked: string;
		facts: Facts;
		recipe: Recipe;
		sources: Record<string, ValueSource>;
		currency: string;
		/** Address of the one-page record of a figure, without the figure; empty while what is shown is not saved. */
		record: string;
	}
	let { open = $bindable(), asked = $bindable(), facts, recipe, sources, currency, record }: Props = $props();

	const figures = $derived(facts.yield.finishedWeight_g === null ? [] : figuresOf(recipe.rules));
	const options = $derived([
		...figures.map((figure) => ({ value: figure.key, text: figure.name })),
		{ value: 'weight', text: 'Finished weight' },
		...(mayHere('costs') ? [{ value: 'cost', text: 'Cost of a pack' }] : [])
	]);
	const derivation = $derived(
		open && figures.some((figure) => figure.key === asked) ? whyNutrient(recipe, facts, asked) : null
	);
	const nameOf = (id: string) => recipe.ingredients.find((each) => each.id === id)?.name ?? id;
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class="bg-ink/30 fixed inset-0 z-20" />
		<Dialog.Content
			class="bg-sheet border-ink fixed top-[6vh] left-1/2 z-20 max-h-[88vh] w-[min(56rem,96vw)] -translate-x-1/2 overflow-y-auto border p-5"
		>
			<div class="flex items-start justify-between gap-3">
				<Dialog.Title class="text-lg font-bold">Why this number</Dialog.Title>
				<Dialog.Close class="button">Close</Dialog.Close>
			</div>
			<div class="max-w-xs"><Choice label="Figure" bind:value={asked} {options} /></div>
			{#if derivation}
				<WhyNutrient {derivation} {facts} {recipe} {sources} {nameOf} />
				{#if record}
					<a class="button mt-3" href="{record}{record.includes('?') ? '&' : '?'}figure={asked}" download
						>One page for an inspector, PDF</a
					>
				{/if}
			{:else if asked === 'cost' && mayHere('costs')}
				<WhyCost {facts} {recipe} {nameOf} {currency} />
			{:else if asked === 'weight'}
				<WhyWeight {facts} {recipe} />
			{/if}
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
