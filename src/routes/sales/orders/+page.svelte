<script lang="ts">
	import { dayText, plural } from '$lib/format.ts';
	import OrderForm from './OrderForm.svelte';
	import OrderRow from './OrderRow.svelte';

	let { data } = $props();
	const days = $derived([...new Set(data.open.map(({ fetchedOn, place }) => `${fetchedOn} ${place}`))]);
	const of = (day: string) => data.open.filter(({ fetchedOn, place }) => `${fetchedOn} ${place}` === day);
	/** What all orders of a day come to, for setting it aside. */
	const asideOf = (day: string) => {
		const lines = of(day).flatMap((order) => order.lines);
		return [...new Set(lines.map(({ name }) => name))]
			.map(
				(name) => `${lines.reduce((sum, line) => sum + (line.name === name ? line.packs : 0), 0)} × ${name}`
			)
			.join(', ');
	};
</script>

<svelte:head><title>Orders · Square Batch</title></svelte:head>
<p class="text-sm">
	{#if data.who?.rights.includes('ledger')}<a href="/sales">Sales</a>{:else}<a href="/sales/stall">Stall</a
		>{/if}
</p>
<h1>Orders</h1>
<p class="text-quiet max-w-prose">
	Packs asked for ahead. They come on top of what walks up when a day is planned, are set aside when packs are
	counted, and become a sale when they are handed over.
</p>
<div class="mt-4 grid gap-8 lg:grid-cols-[minmax(0,1fr)_24rem]">
	<div class="min-w-0">
		{#each days as day (day)}
			{@const [first] = of(day)}
			<section class="mb-6" aria-label="{dayText(first?.fetchedOn ?? '')}, {first?.place ?? ''}">
				<h2>{dayText(first?.fetchedOn ?? '')} <span class="text-quiet font-normal">{first?.place}</span></h2>
				<p class="text-sm">
					{plural(of(day).length, 'order')}, set aside {asideOf(day)}{#if data.who?.rights.includes('look')},
						<a href="/plan/{first?.fetchedOn}?place={encodeURIComponent(first?.place ?? '')}">plan the day</a
						>{/if}
				</p>
				<ul>
					{#each of(day) as order (order.id)}<OrderRow
							{order}
							products={data.products}
							places={data.places}
						/>{/each}
				</ul>
			</section>
		{:else}
			<p class="bg-sheet border-rule max-w-prose border p-4">
				Nobody has ordered anything. Take the first order beside this.
			</p>
		{/each}
		{#if data.done.length > 0}
			<details class="mt-4">
				<summary class="min-h-11 cursor-pointer py-2 font-semibold">Fetched and cancelled</summary>
				<ul>
					{#each data.done as order (order.id)}<OrderRow
							{order}
							products={data.products}
							places={data.places}
						/>{/each}
				</ul>
			</details>
		{/if}
	</div>
	<section
		class="bg-sheet border-rule order-first self-start border p-4 lg:sticky lg:top-4 lg:order-none"
		aria-labelledby="take"
	>
		<h2 id="take" class="mb-2">Take an order</h2>
		<OrderForm
			order={null}
			draft={data.draft}
			products={data.products}
			places={data.places}
			currency={data.kitchen.currency}
		/>
		<p class="text-quiet mt-3 text-xs">
			A name is personal data: it can be erased on wish under Sales, and archives leave it out unless asked.
		</p>
	</section>
</div>
