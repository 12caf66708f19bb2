<script lang="ts">
	import DayField from '$lib/ui/control/DayField.svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { sumMoney } from '$core/cost/money.ts';
	import { dayText, money, plain, plural } from '$lib/format.ts';
	import Wide from '$lib/ui/Wide.svelte';
	import { tick } from 'svelte';

	let { data } = $props();
	const currency = $derived(data.kitchen.currency);
	function ask(key: string, value: string): void {
		// eslint-disable-next-line svelte/prefer-svelte-reactivity -- read once, for an address
		const params = new URLSearchParams(page.url.searchParams);
		params.set(key, value);
		void goto(`?${params}`, { keepFocus: true, noScroll: true });
	}
	const sum = (amounts: string[]) => sumMoney(amounts).toFixed(2);
	const total = $derived({
		takings: sum((data.by === 'day' ? data.days : data.batches).map((each) => each.takings)),
		profit: sum((data.by === 'day' ? data.days : data.batches).flatMap((each) => each.profit ?? []))
	});
	/** Of a long span the newest are drawn first; the totals are of all of it. */
	const FIRST_SHOWN = 120;
	let isWhole = $state(false);
	const newest = <T,>(rows: readonly T[]): readonly T[] => (isWhole ? rows : rows.slice(0, FIRST_SHOWN));
	const hidden = $derived(isWhole ? 0 : Math.max(0, data.days.length + data.batches.length - FIRST_SHOWN));
	const uncosted = $derived(data.days.reduce((packs, day) => packs + day.uncosted, 0));
	const most = $derived(
		Math.max(
			1,
			...data.days.map((day) => Math.abs(Number(day.profit))),
			...data.batches.map((batch) => Math.abs(Number(batch.profit ?? 0)))
		)
	);
	/** What is printed is whole. */
	async function printAll() {
		isWhole = true;
		await tick();
		print();
	}
	/** What a narrow screen leaves out: the day or batch, what it took and the profit stay in sight. */
	const FROM_MEDIUM = 'hidden md:table-cell print:table-cell';
	const less = (amount: string) => (Number(amount) === 0 ? '–' : money(amount, currency));
	const left = $derived(
		[
			data.counts.energy ? '' : 'energy',
			data.counts.labour ? '' : 'labour',
			data.counts.fees ? '' : 'fees'
		].filter(Boolean)
	);
</script>

{#snippet drawn(profit: string | null)}
	<span class="flex h-4 w-full" aria-hidden="true">
		<span
			class={['block h-4', profit?.startsWith('-') ? 'bg-loss' : 'bg-squared']}
			style:width="{(100 * Math.abs(Number(profit ?? 0))) / most}%"
		></span>
	</span>
{/snippet}

<svelte:head><title>Profit · Square Batch</title></svelte:head>
<p class="text-quiet no-print"><a href="/sales">Sales</a></p>
<div class="flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1>Profit</h1>
		<p data-testid="profit-total">
			<b class="figure">{money(total.profit, currency)}</b> of
			<b class="figure">{money(total.takings, currency)}</b>
			{data.by === 'day'
				? `taken from ${dayText(data.from)} to ${dayText(data.to)}`
				: `brought by the batches made from ${dayText(data.from)} to ${dayText(data.to)}`}
		</p>
	</div>
	<div class="no-print flex flex-wrap items-end gap-2">
		<DayField compact label="From" bind:value={() => data.from, (value) => ask('from', value)} />
		<DayField compact label="To" bind:value={() => data.to, (value) => ask('to', value)} />
		<button
			type="button"
			class="button"
			aria-pressed={data.by === 'day'}
			class:button-main={data.by === 'day'}
			onclick={() => ask('by', 'day')}>By selling day</button
		>
		<button
			type="button"
			class="button"
			aria-pressed={data.by === 'batch'}
			class:button-main={data.by === 'batch'}
			onclick={() => ask('by', 'batch')}>By batch</button
		>
		<button type="button" class="button" onclick={printAll}>Print</button>
	</div>
</div>
{#if left.length > 0}
	<p class="text-quiet text-sm">
		Not counted here: {left.join(', ')}. <a href="/kitchen/costs">Give what they cost</a>
	</p>
{/if}

{#if data.by === 'day'}
	{#if data.days.length === 0}
		<p class="mt-6">Nothing was sold in these days.</p>
	{:else}
		<p class="text-quiet mt-2 max-w-prose text-sm">
			Packs that were sold, given or written off that day are counted at what a pack of their batch cost.
		</p>
		<Wide label="Selling days">
			<table class="ledger mt-2" data-testid="profit-days">
				<thead
					><tr
						><th>Day</th><th class={FROM_MEDIUM}>Place</th><th class="number {FROM_MEDIUM}">Packs</th><th
							class="number {FROM_MEDIUM}">Given</th
						><th class="number">Taken</th><th class="number {FROM_MEDIUM}">Ingredients, packing</th
						>{#if data.counts.energy}<th class="number {FROM_MEDIUM}">Energy</th
							>{/if}{#if data.counts.labour}<th class="number {FROM_MEDIUM}">Labour</th
							>{/if}{#if data.counts.fees}<th class="number {FROM_MEDIUM}">Fee</th>{/if}<th class="number"
							>Profit</th
						><th class="w-32 {FROM_MEDIUM}"><span class="sr-only">Drawn</span></th></tr
					></thead
				>
				<tbody>
					{#each newest(data.days) as day, nth (nth)}
						<tr>
							<td
								><a
									class="whitespace-nowrap"
									href="/sales?from={day.day}&to={day.day}&channel={encodeURIComponent(day.channel)}"
									>{dayText(day.day)}</a
								>
								<span class="text-quiet block text-sm break-words md:hidden print:hidden">{day.channel}</span
								></td
							>
							<td class="break-words {FROM_MEDIUM}">{day.channel}</td>
							<td class="number {FROM_MEDIUM}">{plain(day.packs)}</td>
							<td class="number {FROM_MEDIUM}">{day.given === 0 ? '–' : plain(day.given)}</td>
							<td class="number">{money(day.takings, currency)}</td>
							<td class="number {FROM_MEDIUM}">{less(day.materials)}</td>
							{#if data.counts.energy}<td class="number {FROM_MEDIUM}">{less(day.energy)}</td>{/if}
							{#if data.counts.labour}<td class="number {FROM_MEDIUM}">{less(day.labour)}</td>{/if}
							{#if data.counts.fees}<td class="number {FROM_MEDIUM}">{less(day.fee)}</td>{/if}
							<td class={['number font-semibold', day.profit.startsWith('-') && 'text-loss']}
								>{money(day.profit, currency)}{#if day.uncosted > 0}<span class="text-attention-ink">*</span
									>{/if}</td
							>
							<td class={FROM_MEDIUM}>{@render drawn(day.profit)}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
		{#if uncosted > 0}
			<p class="text-attention-ink mt-1 text-sm">
				* {plural(uncosted, 'pack')} of batches whose cost is not known: the profit is too high by it.
			</p>
		{/if}
	{/if}
{:else if data.batches.length === 0}
	<p class="mt-6">No batch was made in these days.</p>
{:else}
	<p class="text-quiet mt-2 max-w-prose text-sm">
		A batch is charged with everything it cost to make, what was not sold too, and with its part of what each
		place took that day.
	</p>
	<Wide label="Batches">
		<table class="ledger mt-2" data-testid="profit-batches">
			<thead
				><tr
					><th>Batch</th><th class={FROM_MEDIUM}>Product</th><th class="number {FROM_MEDIUM}">Made</th><th
						class="number {FROM_MEDIUM}">Sold</th
					><th class="number {FROM_MEDIUM}">Unsold</th><th class="number">Brought</th><th
						class="number {FROM_MEDIUM}">Cost</th
					>{#if data.counts.fees}<th class="number {FROM_MEDIUM}">Fees</th>{/if}<th class="number">Profit</th
					><th class="w-32 {FROM_MEDIUM}"><span class="sr-only">Drawn</span></th></tr
				></thead
			>
			<tbody>
				{#each newest(data.batches) as batch (batch.id)}
					<tr>
						<td
							><a href="/batches/{batch.id}#cost-heading" class="figure underline">{batch.code}</a>
							<span class="text-quiet text-sm whitespace-nowrap">{dayText(batch.madeOn)}</span>
							<span class="block text-sm break-words md:hidden print:hidden">{batch.product}</span></td
						>
						<td class="break-words {FROM_MEDIUM}">{batch.product}</td>
						<td class="number {FROM_MEDIUM}">{plain(batch.packsMade)}</td>
						<td class="number {FROM_MEDIUM}">{plain(batch.sold)}</td>
						<td class="number {FROM_MEDIUM}">{batch.packsLeft === 0 ? '–' : plain(batch.packsLeft)}</td>
						<td class="number">{money(batch.takings, currency)}</td>
						<td class="number {FROM_MEDIUM}"
							>{batch.cost === null ? 'not known' : money(batch.cost, currency)}</td
						>
						{#if data.counts.fees}<td class="number {FROM_MEDIUM}">{less(batch.fees)}</td>{/if}
						<td class={['number font-semibold', batch.profit?.startsWith('-') && 'text-loss']}
							>{batch.profit === null ? '–' : money(batch.profit, currency)}</td
						>
						<td class={FROM_MEDIUM}>{@render drawn(batch.profit)}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
{/if}
{#if hidden > 0}
	<button type="button" class="button no-print mt-3" onclick={() => (isWhole = true)}
		>Show {plural(hidden, 'earlier row')}</button
	>
{/if}
