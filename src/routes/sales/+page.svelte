<script lang="ts">
	import { provedFirst } from '$lib/people/proving.svelte.ts';
	import DayField from '$lib/ui/control/DayField.svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { enhance } from '$app/forms';
	import { dayText, money, plain, plural } from '$lib/format.ts';
	import type { GroupSum } from '$lib/sales/totals.ts';
	import { SALE_KINDS } from '$lib/sales/kinds.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Entry from './Entry.svelte';
	import EraseCustomer from './EraseCustomer.svelte';
	import TakeBack from './TakeBack.svelte';

	let { data } = $props();
	const currency = $derived(data.kitchen.currency);
	const days = $derived(data.sort === 'largest' ? [''] : [...new Set(data.sales.map((sale) => sale.soldOn))]);
	const moneyOf = $derived(new Map(data.byDay.map((each) => [each.day, each.money])));
	/** The address of the ledger with something of its filter changed. */
	function ask(key: string, value: string): void {
		// eslint-disable-next-line svelte/prefer-svelte-reactivity -- read once, for an address
		const params = new URLSearchParams(page.url.searchParams);
		params.set(key, value);
		if (key !== 'shown') params.delete('shown');
		params.delete('batch');
		params.delete('as');
		void goto(`?${params}`, { keepFocus: true, noScroll: true });
	}
	const exported = $derived.by(() => {
		// eslint-disable-next-line svelte/prefer-svelte-reactivity -- read once, for an address
		const params = new URLSearchParams(page.url.searchParams);
		params.set('from', data.filter.from ?? '');
		return params.toString();
	});
	const isFiltered = $derived(
		['to', 'product', 'channel', 'kind', 'paid'].some((key) => page.url.searchParams.get(key))
	);
	const PAID: Record<string, string> = { cash: 'cash', card: 'card', owed: 'owed', '': 'not said' };
	const payment = draftForm<never>({ saved: 'Paid' });
	const splits = $derived<{ label: string; of: GroupSum[]; word: (group: GroupSum) => string }[]>([
		{ label: 'By place', of: data.byChannel, word: (group) => group.name },
		{ label: 'By product', of: data.byProduct, word: (group) => group.name },
		{ label: 'By way of paying', of: data.byPaying, word: (group) => PAID[group.name] ?? group.name }
	]);
	const KIND_WORDS: Record<string, string> = {
		sale: 'sold',
		gift: 'given away',
		sample: 'tasted',
		'written off': 'written off',
		return: 'came back',
		void: 'void'
	};
</script>

<svelte:head><title>Sales · Square Batch</title></svelte:head>

<div class="mb-4 flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1>Sales</h1>
		<p class="text-quiet" data-testid="totals">
			<b class="text-ink figure">{money(data.total.money, currency)}</b> for
			<b class="text-ink figure">{plain(data.total.packs)}</b> packs{data.total.given > 0
				? `, ${plain(data.total.given)} given or written off`
				: ''}
			{data.filter.from ? ` since ${dayText(data.filter.from)}` : ' in all'}{isFiltered
				? ', as filtered'
				: ''}
		</p>
		{#if data.year.limit !== null && data.year.left !== null}
			{@const isOver = data.year.left.startsWith('-')}
			<p class={isOver ? 'text-loss font-semibold' : 'text-quiet'} data-testid="year">
				<span class="figure">{money(data.year.money, currency)}</span> in {data.year.year} of the
				<span class="figure">{money(data.year.limit, currency)}</span>
				<a href="/kitchen/profile">your local profile</a> allows in a year{isOver
					? ': ask your authority before you sell more'
					: `, ${money(data.year.left, currency)} left`}{#if data.year.pace && !isOver}. At this pace
					{data.year.pace.reachedOn
						? `it is reached on ${dayText(data.year.pace.reachedOn)}`
						: `the year comes to ${money(data.year.pace.atYearsEnd, currency, 0)}`}{/if}.
			</p>
		{/if}
	</div>
	<div class="flex flex-wrap gap-2">
		<a href="/sales.csv?{exported}" class="button" download>Export as CSV</a>
		<a href="/sales.csv?{exported}&customers=yes" class="button" download use:provedFirst
			>CSV with customers’ names</a
		>
		<a href="/sales.json?{exported}" class="button" download>JSON</a>
		<a href="/sales/import" class="button">Bring past sales in</a>
		<a href="/sales/summary" class="button">Summary</a>
		<a href="/sales/profit" class="button">Profit</a>
		<a href="/sales/orders" class="button">Orders</a>
		<a href="/sales/stall" class="button button-main">Open the stall</a>
	</div>
</div>

<div class="grid gap-8 lg:grid-cols-[20rem_minmax(0,1fr)]">
	<Entry
		draft={data.draft}
		available={data.available}
		channels={data.channels}
		allowedChannels={data.allowedChannels}
		{currency}
	/>

	<div class="min-w-0">
		{#if data.owed.length > 0}
			<section aria-labelledby="owed" class="border-attention mb-4 border-l-4 pl-4">
				<h2 id="owed" class="text-base">Owed to you</h2>
				<ul class="divide-rule divide-y">
					{#each data.owed as owed (owed.checkoutId)}
						<li class="flex flex-wrap items-center gap-x-4 py-1">
							<span class="min-w-0 flex-1 break-words"
								><b>{owed.customer || 'somebody'}</b>
								<span class="text-quiet text-sm"
									>{plural(owed.packs, 'pack')}, {dayText(owed.soldOn)}, {owed.channel}</span
								></span
							>
							<b class="figure">{money(owed.amount, currency)}</b>
							{#each ['cash', 'card'] as const as paidBy (paidBy)}
								<form method="POST" action="?/pay" use:enhance={payment.enhance}>
									<input
										type="hidden"
										name="draft"
										value={JSON.stringify({ checkoutId: owed.checkoutId, paidBy, paidOn: data.today })}
									/>
									<button class="button" disabled={payment.saving}>Paid, {paidBy}</button>
								</form>
							{/each}
						</li>
					{/each}
				</ul>
			</section>
		{/if}

		<form
			class="mb-3 grid grid-cols-2 items-end gap-2 sm:grid-cols-4"
			aria-label="Filter"
			onsubmit={(event) => event.preventDefault()}
		>
			<DayField
				compact
				label="From"
				bind:value={() => data.filter.from ?? '', (value) => ask('from', value)}
			/>
			<DayField compact label="To" bind:value={() => data.filter.to ?? '', (value) => ask('to', value)} />
			<Choice
				compact
				label="Product"
				bind:value={() => data.filter.productId ?? '', (value) => ask('product', value)}
				options={[
					{ value: '', text: 'all' },
					...data.products.map(({ id, name }) => ({ value: id, text: name }))
				]}
			/>
			<Choice
				compact
				label="Place"
				bind:value={() => data.filter.channel ?? '', (value) => ask('channel', value)}
				options={[{ value: '', text: 'all' }, ...data.channels.map((name) => ({ value: name, text: name }))]}
			/>
			<Choice
				compact
				label="Kind"
				bind:value={() => data.filter.kind ?? '', (value) => ask('kind', value)}
				options={[
					{ value: '', text: 'all' },
					...SALE_KINDS.map((kind) => ({ value: kind, text: KIND_WORDS[kind] ?? kind }))
				]}
			/>
			<Choice
				compact
				label="Paid"
				bind:value={() => data.filter.paidBy ?? '', (value) => ask('paid', value)}
				options={[
					{ value: '', text: 'all' },
					{ value: 'cash', text: 'cash' },
					{ value: 'card', text: 'card' },
					{ value: 'owed', text: 'owed' }
				]}
			/>
			<Choice
				compact
				label="Order"
				bind:value={() => data.sort, (value) => ask('sort', value)}
				options={[
					{ value: 'newest', text: 'newest first' },
					{ value: 'oldest', text: 'oldest first' },
					{ value: 'largest', text: 'largest first' }
				]}
			/>
		</form>

		{#if data.sales.length === 0}
			<p class="max-w-prose">
				{#if isFiltered || page.url.searchParams.has('from')}
					Nothing like this is in the ledger. <a href="/sales">Show the last twelve months</a>
				{:else}
					Nothing is sold yet. Each sale names the batch its packs came from, so that any bag can be traced.
				{/if}
			</p>
		{:else}
			<details class="border-rule mb-4 border-b pb-2">
				<summary class="min-h-11 cursor-pointer py-2 font-semibold"
					>{#each data.byChannel.slice(0, 3) as each (each.key)}<span class="mr-5 inline-block"
							><span class="text-quiet font-normal">{each.name}</span>
							<span class="figure">{money(each.money, currency)}</span></span
						>{/each}</summary
				>
				<div class="grid gap-6 sm:grid-cols-2 xl:grid-cols-3">
					{#each splits as split (split.label)}
						<section aria-label={split.label}>
							<h3 class="text-sm">{split.label}</h3>
							<table class="ledger text-sm">
								<tbody>
									{#each split.of as group (group.key)}
										<tr
											><td class="break-words">{split.word(group)}</td><td class="number"
												>{plain(group.packs)}</td
											><td class="number">{money(group.money, currency)}</td></tr
										>
									{/each}
								</tbody>
							</table>
						</section>
					{/each}
				</div>
			</details>
			{#each days as day (day)}
				{@const sales = data.sales.filter((sale) => day === '' || sale.soldOn === day)}
				<section aria-label={day === '' ? 'Largest first' : dayText(day)} class="mb-6">
					<h3 class="border-ink flex justify-between border-b-2 pb-1">
						<span>{day === '' ? 'Largest first' : dayText(day)}</span>
						{#if day !== ''}<span class="figure">{money(moneyOf.get(day) ?? '0', currency)}</span>{/if}
					</h3>
					<table class="ledger table-fixed">
						<colgroup
							><col /><col class="hidden w-[28%] sm:table-column" /><col class="w-20" /><col
								class="hidden w-20 sm:table-column"
							/><col class="w-24" /><col class="w-28" /></colgroup
						>
						<thead class="sr-only"
							><tr
								><th>Product</th><th class="hidden sm:table-cell">Where</th><th>Packs</th><th
									class="hidden sm:table-cell">Price</th
								><th>Total</th><th>Take back</th></tr
							></thead
						>
						<tbody>
							{#each sales as sale (sale.id)}
								<tr class={sale.voided || sale.kind === 'void' ? 'text-quiet' : ''}>
									<td>
										{sale.product}
										{#if sale.batchId}<a
												href="/trace/batch/{sale.batchId}"
												class="figure text-quiet text-sm whitespace-nowrap underline">{sale.batchCode}</a
											>{:else}<span class="text-quiet text-sm">no batch known</span>{/if}
										<span class="text-quiet block text-sm sm:hidden">{sale.channel}</span>
										{#if data.notedBy[sale.id]}<span class="text-quiet block text-sm"
												>by {data.notedBy[sale.id]}</span
											>{/if}
										{#if sale.kind !== 'sale' || sale.customer || sale.paidBy === 'owed'}
											<span class="block text-sm"
												>{[
													sale.kind === 'sale' ? '' : KIND_WORDS[sale.kind],
													sale.paidBy === 'owed' && sale.kind === 'sale' ? 'owed' : '',
													sale.customer,
													sale.reason
												]
													.filter(Boolean)
													.join(': ')}</span
											>
										{/if}
										{#if day === ''}<span class="text-quiet block text-sm">{dayText(sale.soldOn)}</span>{/if}
									</td>
									<td class="text-quiet hidden break-words sm:table-cell">{sale.channel}</td>
									<td class="number w-24"
										>{sale.packs}{#if sale.packPieces}<span class="unit">× {sale.packPieces}</span>{/if}</td
									>
									<td class="number hidden sm:table-cell">{money(sale.price, currency)}</td>
									<td class="number font-semibold">{money(sale.total, currency)}</td>
									<td class="py-1! text-right">
										{#if sale.voided}<span class="text-sm">voided</span>
										{:else if sale.kind !== 'void'}<TakeBack {sale} {currency} today={data.today} />{/if}
									</td>
								</tr>
							{/each}
						</tbody>
					</table>
				</section>
			{/each}
			{#if data.hasMore}
				<button type="button" class="button" onclick={() => ask('shown', String(data.shown + 200))}
					>Show more</button
				>
			{/if}
		{/if}
	</div>
</div>

<EraseCustomer />
