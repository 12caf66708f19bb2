<script lang="ts">
	import { ballWeightFor_g } from '$core/massflow/balls.ts';
	import { readGrams } from '$core/measure/reading.ts';
	import { fixed, plain } from '$lib/format.ts';
	import { shownGrams } from '$lib/formula/draft.ts';

	/** Into how many balls the dough is divided: gives what each weighs, and follows from it the other way. */
	interface Props {
		dough_g: number | null;
		ballWeight: string;
	}
	let { dough_g, ballWeight = $bindable() }: Props = $props();
	const id = $props.id();

	const MOST = 5000;
	let typed = $state<string | null>(null);
	const ball = $derived(readGrams(ballWeight));
	const follows = $derived(dough_g !== null && ball.ok && ball.value > 0 ? dough_g / ball.value : null);
	const shown = $derived(
		follows === null
			? ''
			: Math.abs(follows - Math.round(follows)) < 0.05
				? plain(Math.round(follows))
				: fixed(follows, 1)
	);
	/** `12 or 24` is both, side by side. */
	const counts = $derived(
		[...new Set((typed ?? '').match(/\d+/g)?.map(Number) ?? [])].filter((count) => count > 0 && count <= MOST)
	);
	const each = (count: number) => (dough_g === null ? 0 : ballWeightFor_g(dough_g, count));
	function type(value: string) {
		typed = value;
		const [only] = counts;
		if (counts.length === 1 && only !== undefined && dough_g !== null) ballWeight = shownGrams(each(only));
	}
</script>

<div class="flex min-w-0 flex-col">
	<label for={id} class="mb-1 text-sm font-medium">Divide into</label>
	<input
		{id}
		class="input"
		inputmode="text"
		autocomplete="off"
		placeholder="8, or 12 or 24"
		disabled={dough_g === null}
		bind:value={() => typed ?? shown, type}
		onblur={() => {
			if (counts.length < 2) typed = null;
		}}
	/>
	{#if counts.length > 1}
		<div class="mt-1 flex flex-wrap gap-1">
			{#each counts as count (count)}
				<button
					type="button"
					class="button px-2! text-sm"
					onclick={() => {
						ballWeight = shownGrams(each(count));
						typed = null;
					}}>{count} of {plain(each(count), 1)} g</button
				>
			{/each}
		</div>
	{:else if dough_g !== null}
		<p class="text-quiet mt-0.5 text-xs">balls, of {plain(dough_g, 1)} g of dough</p>
	{/if}
</div>
