<script lang="ts">
	import { readMoney } from '$core/measure/reading.ts';
	import { money } from '$lib/format.ts';
	import { changeOf, likelyGiven } from '$lib/sales/stall.ts';
	import Field from '$lib/ui/control/Field.svelte';

	/** What was given in cash for a sale, and the change of it. */
	let { total, currency }: { total: string; currency: string } = $props();
	let given = $state('');
	const read = $derived(readMoney(given));
	const change = $derived(read.ok ? changeOf(total, read.value) : null);
</script>

<p class="mt-3 text-sm font-medium">They gave</p>
<div class="mt-1 grid grid-cols-2 gap-2">
	{#each likelyGiven(total) as sum (sum)}
		<button type="button" class="button" aria-pressed={given === sum} onclick={() => (given = sum)}
			>{money(sum, currency)}</button
		>
	{/each}
</div>
<Field
	label="Or another sum"
	bind:value={given}
	error={given !== '' && !read.ok ? read.message : ''}
	inputmode="decimal"
	class="mt-2"
/>
{#if read.ok && given !== ''}
	<p class="mt-2 text-xl" data-testid="change" role="status">
		{#if change === null}<span class="text-loss font-semibold">That is not enough.</span>
		{:else}Change <b class="figure text-3xl">{money(change, currency)}</b>{/if}
	</p>
{/if}
