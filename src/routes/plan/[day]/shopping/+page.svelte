<script lang="ts">
	import { page } from '$app/state';
	import { dayText, plain } from '$lib/format.ts';
	import { packedAt } from '$lib/plan/day-wish.ts';
	import { clockAt, momentAt, weekdayOf } from '$lib/plan/times.ts';
	import type { ToBuy } from '$lib/plan/shopping.ts';

	let { data } = $props();
	const timeZone = $derived(page.data.kitchen.timeZone);
	const zero = $derived(packedAt(data.day, data.wish, timeZone));
	const toBuy = $derived(data.list.filter(({ missing, free }) => missing > 0 && free !== null));
	const uncounted = $derived(data.list.filter(({ free }) => free === null));
	const enough = $derived(data.list.filter(({ missing, free }) => missing === 0 && free !== null));
	const suppliers = $derived([...new Set(toBuy.map(({ supplier }) => supplier))]);
	const amount = (value: number, unit: ToBuy['unit']) =>
		unit === 'g' ? `${plain(Math.ceil(value))} g` : plain(Math.ceil(value));
	const by = ({ neededBy_min }: ToBuy) =>
		neededBy_min === null
			? ''
			: data.isTaken
				? clockAt(momentAt(zero, neededBy_min), timeZone, data.day)
				: 'before it is mixed';
	const receive = (item: ToBuy) =>
		`/shelf/lots?${new URLSearchParams({
			...(item.ingredientId ? { of: item.ingredientId } : { material: item.name }),
			supplier: item.supplier,
			received: String(Math.ceil(item.missing))
		}).toString()}#receive`;
</script>

<svelte:head><title>Shopping for {weekdayOf(data.day)} · Square Batch</title></svelte:head>
<p class="text-sm print:hidden">
	<a href="/plan/{data.day}?place={encodeURIComponent(data.place)}">{weekdayOf(data.day)}, {data.place}</a>
</p>
<h1>Shopping for {weekdayOf(data.day)}</h1>
<p class="text-quiet">
	{dayText(data.day)}, {data.place}: what the batches {data.isTaken ? 'of the plan' : 'as they are wished'} need
	that is not there. What other batches on the bench need is left to them; what is begun already is among those.
</p>
{#if data.list.length === 0}
	<p class="bg-sheet border-rule mt-4 max-w-prose border p-4">
		Nothing more is needed: every batch of the plan is begun, or nothing is to be made.
	</p>
{:else if toBuy.length === 0}
	<p class="text-squared mt-4 font-semibold">Of everything lots are kept of there is enough.</p>
{/if}
{#each suppliers as supplier (supplier)}
	<section class="mt-5" aria-label={supplier || 'From anywhere'}>
		<h2>{supplier || 'From anywhere'}</h2>
		<table class="ledger mt-1 max-w-3xl">
			<thead
				><tr
					><th>Buy</th><th class="number">Missing</th><th class="number">Needed</th><th class="number"
						>There</th
					><th>By</th><th class="print:hidden"><span class="sr-only">Receive it</span></th></tr
				></thead
			>
			<tbody>
				{#each toBuy.filter((item) => item.supplier === supplier) as item (item.key)}
					<tr>
						<td class="font-semibold">{item.name}</td>
						<td class="number figure font-bold">{amount(item.missing, item.unit)}</td>
						<td class="number figure">{amount(item.needed, item.unit)}</td>
						<td class="number figure">{amount(item.free ?? 0, item.unit)}</td>
						<td class="figure text-sm whitespace-nowrap">{by(item)}</td>
						<td class="text-right print:hidden"
							>{#if data.mayReceive}<a class="button" href={receive(item)} aria-label="Receive {item.name}"
									>Receive</a
								>{/if}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
{/each}
{#if uncounted.length > 0}
	<section class="mt-5" aria-labelledby="uncounted">
		<h2 id="uncounted">Nobody counts these</h2>
		<p class="text-quiet max-w-prose text-sm">
			No lots are kept of them: look yourself whether there is enough.
		</p>
		<ul class="mt-1 columns-1 sm:columns-2 lg:max-w-3xl">
			{#each uncounted as item (item.key)}<li>
					{item.name}: <span class="figure">{amount(item.needed, item.unit)}</span>
				</li>{/each}
		</ul>
	</section>
{/if}
{#if enough.length > 0}
	<details class="mt-5 print:hidden">
		<summary class="min-h-11 cursor-pointer py-2 font-semibold">There is enough of {enough.length}</summary>
		<ul class="columns-1 sm:columns-2 lg:max-w-3xl">
			{#each enough as item (item.key)}<li>
					{item.name}:
					<span class="figure">{amount(item.needed, item.unit)} of {amount(item.free ?? 0, item.unit)}</span>
				</li>{/each}
		</ul>
	</details>
{/if}
<div class="mt-4 print:hidden">
	<button type="button" class="button" onclick={() => window.print()}>Print</button>
</div>
