<script lang="ts">
	import { freshness } from '$core/stock/need.ts';
	import { dayText, plain } from '$lib/format.ts';
	import type { Lot } from '$lib/shelf/lots.ts';
	import Choice from '$lib/ui/control/Choice.svelte';

	/** Which lot of an ingredient is being weighed from; nothing where no lots of it are kept. */
	interface Props {
		/** Of any ingredient, oldest first. */
		lots: readonly Lot[];
		ingredientId: string;
		/** The lot that was said; '' for the oldest that has some left. */
		value: string;
		/** The day the batch is made. */
		day: string;
	}
	let { lots, ingredientId, value = $bindable(), day }: Props = $props();
	const mine = $derived(lots.filter((lot) => lot.ingredientId === ingredientId));
	const oldest = $derived(mine.find((lot) => lot.onHand > 0) ?? null);
	const from = $derived(mine.find((lot) => lot.id === value) ?? oldest);
	const words = (lot: Lot) =>
		`${lot.code}${lot.supplierCode ? ` (${lot.supplierCode})` : ''}, ${plain(lot.onHand, 0)} g left`;
</script>

{#if mine.length > 0}
	<Choice
		label="From lot"
		bind:value
		options={[
			{ value: '', text: oldest ? `the oldest: ${words(oldest)}` : 'the oldest: nothing is left of any' },
			...mine.map((lot) => ({ value: lot.id, text: words(lot) }))
		]}
	/>
	{#if from && freshness(from.bestBefore, day) === 'past'}
		<p class="text-loss mt-1 text-sm font-semibold" role="status">
			{from.code} was best before {dayText(from.bestBefore ?? '')}. Smell and look before it goes in, and do
			not use what has spoiled.
		</p>
	{/if}
{/if}
