<script lang="ts">
	import { freshness } from '$core/stock/need.ts';
	import { dayText, plain, plural } from '$lib/format.ts';
	import type { Lot } from '$lib/shelf/lots.ts';
	import Wide from '$lib/ui/Wide.svelte';
	import Receive from './Receive.svelte';

	let { data } = $props();
	const amount = (value: number, unit: Lot['unit']) => `${plain(value, 0)}${unit === 'g' ? ' g' : ''}`;
	const lots = $derived(data.items.flatMap((item) => item.lots));
	const dated = $derived(
		lots.filter((lot) => lot.onHand > 0 && ['past', 'near'].includes(freshness(lot.bestBefore, data.today)))
	);
	const short = $derived(data.items.filter((item) => item.missing > 0));
	const WORDS = { past: 'past its date', near: 'near its date', good: '', undated: '' } as const;
</script>

<svelte:head><title>Stock · Square Batch</title></svelte:head>

<div class="mb-4 flex flex-wrap items-end justify-between gap-3">
	<div>
		<p class="text-quiet"><a href="/shelf">Shelf</a></p>
		<h1>Stock</h1>
		<p class="text-quiet" data-testid="stock-summary">
			{plural(lots.filter((lot) => lot.onHand > 0).length, 'lot')} on hand{#if short.length > 0}, <span
					class="text-attention-ink font-semibold"
					>{short.length === 1 ? 'one thing runs' : `${short.length} things run`} out for what is planned</span
				>{/if}{#if dated.length > 0}, <span class="text-attention-ink font-semibold"
					>{plural(dated.length, 'lot')} near or past the date</span
				>{/if}
		</p>
	</div>
	<div class="flex flex-wrap gap-2">
		<a href="#receive" class="button lg:hidden">Receive a lot</a>
		<a href="/trace" class="button">Trace a code</a>
		{#if lots.length > 0}<a href="/shelf/lots/count" class="button">Count the stock</a>{/if}
	</div>
</div>

<div class="grid gap-8 lg:grid-cols-[20rem_minmax(0,1fr)]">
	<Receive
		draft={data.draft}
		ingredients={data.ingredients}
		materials={data.materials}
		suppliers={data.suppliers}
		currency={data.kitchen.currency}
	/>
	<div class="min-w-0">
		{#if data.items.length === 0}
			<p class="max-w-prose">
				No lot is written down yet. Receive what comes with its lot code, and each batch draws from it as it
				is weighed: then a code on a bag of flour leads to every pack it went into, and a pack back to the
				flour. What has no lots stays as it is.
			</p>
		{:else}
			<Wide label="Stock">
				<table class="ledger">
					<thead
						><tr
							><th>What</th><th class="number">On hand</th><th class="number">Planned</th><th
								class="hidden sm:table-cell">Lots, oldest first</th
							></tr
						></thead
					>
					<tbody>
						{#each data.items as item (item.key)}
							<tr>
								<td>
									{#if item.ingredientId}<a href="/shelf/{item.ingredientId}" class="font-semibold"
											>{item.name}</a
										>{:else}<span class="font-semibold">{item.name}</span>
										<span class="text-quiet text-sm">packaging</span>{/if}
									{#if item.missing > 0}
										<span class="text-loss block text-sm font-semibold"
											>{amount(item.missing, item.unit)} missing{item.runsOutCode
												? `, from batch ${item.runsOutCode} on`
												: ''}</span
										>
									{/if}
									<span class="block sm:hidden">{@render lotList(item.lots)}</span>
								</td>
								<td class={['number', item.onHand < 0 && 'text-loss font-semibold']}
									>{amount(item.onHand, item.unit)}</td
								>
								<td class="number">{item.planned === 0 ? '–' : amount(item.planned, item.unit)}</td>
								<td class="hidden sm:table-cell">{@render lotList(item.lots)}</td>
							</tr>
						{/each}
					</tbody>
				</table>
			</Wide>
			{#if lots.some((lot) => lot.onHand < 0)}
				<p class="text-loss mt-2 max-w-prose text-sm">
					Below nothing: more was drawn from a lot than it held. Count it; perhaps another bag was opened and
					not written down.
				</p>
			{/if}
			{#if data.usedUp.length > 0}
				<details class="mt-4">
					<summary class="min-h-11 cursor-pointer py-2 font-semibold">Used up lately</summary>
					<ul class="text-sm">
						{#each data.usedUp as lot (lot.id)}
							<li class="py-1">
								<a href="/shelf/lots/{lot.id}" class="figure underline">{lot.code}</a>
								{lot.name}
								<span class="text-quiet">{lot.supplierCode} received {dayText(lot.receivedOn)}</span>
							</li>
						{/each}
					</ul>
				</details>
			{/if}
		{/if}
	</div>
</div>

{#snippet lotList(of: Lot[])}
	{#if of.length === 0}<span class="text-quiet text-sm">none left</span>{/if}
	{#each of as lot (lot.id)}
		{@const fresh = freshness(lot.bestBefore, data.today)}
		<span class="block text-sm">
			<a href="/shelf/lots/{lot.id}" class="figure underline">{lot.code}</a>
			<span class="figure">{amount(lot.onHand, lot.unit)}</span>
			<span class="text-quiet break-all">{lot.supplierCode}</span>
			{#if lot.bestBefore}<span
					class={fresh === 'past'
						? 'text-loss font-semibold'
						: fresh === 'near'
							? 'text-attention-ink font-semibold'
							: 'text-quiet'}
					>best before {dayText(lot.bestBefore)}{WORDS[fresh] ? `, ${WORDS[fresh]}` : ''}</span
				>{/if}
		</span>
	{/each}
{/snippet}
