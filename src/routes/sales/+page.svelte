<script lang="ts">
	import { enhance } from '$app/forms';
	import { allowsChannel } from '$core/profile/profile.ts';
	import { readCount, readMoney } from '$core/measure/reading.ts';
	import { dayText, money, plain, plural } from '$lib/format.ts';
	import Choice from '$lib/ui/Choice.svelte';
	import { draftForm } from '$lib/ui/draft-form.svelte.ts';
	import Field from '$lib/ui/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { Decimal } from 'decimal.js';
	import { untrack } from 'svelte';
	import VoidSale from './VoidSale.svelte';

	let { data } = $props();
	let draft = $state(untrack(() => ({ ...data.draft })));
	/** The next sale has an id of its own; day and place stay, as at a stall. */
	let nextId = $derived(data.draft.id);
	let saved = false;
	const form = draftForm<never>({ saved: 'Sold', onsaved: () => (saved = true) });
	$effect(() => {
		const id = nextId;
		if (!saved) return;
		saved = false;
		untrack(() => (draft = { ...draft, id, batchId: '', packs: '1', price: '' }));
	});

	const chosen = $derived(data.available.find((batch) => batch.id === draft.batchId));
	function choose() {
		if (chosen?.price) draft.price = chosen.price;
	}
	const packs = $derived(readCount(draft.packs));
	const price = $derived(readMoney(draft.price));
	const total = $derived(
		packs.ok && price.ok ? new Decimal(price.value).times(packs.value).toFixed(2) : null
	);
	const tooMany = $derived(
		chosen && packs.ok && packs.value > chosen.packsLeft
			? `batch ${chosen.code} has ${plural(chosen.packsLeft, 'pack')} left`
			: ''
	);
	const shown = $state({ most: 60 });
	const days = $derived([...new Set(data.sales.slice(0, shown.most).map((sale) => sale.soldOn))]);
</script>

<svelte:head><title>Sales · Square Batch</title></svelte:head>

<div class="mb-4 flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1>Sales</h1>
		<p class="text-quiet" data-testid="totals">
			<b class="text-ink figure">{money(data.totals.money, data.kitchen.currency)}</b> for
			<b class="text-ink figure">{plain(data.totals.packs)}</b> packs in all
		</p>
		{#if data.year.limit !== null && data.year.left !== null}
			{@const isOver = data.year.left.startsWith('-')}
			<p class={isOver ? 'text-loss font-semibold' : 'text-quiet'} data-testid="year">
				<span class="figure">{money(data.year.money, data.kitchen.currency)}</span> in {data.year.year} of the
				<span class="figure">{money(data.year.limit, data.kitchen.currency)}</span>
				<a href="/kitchen/profile">your local profile</a> allows in a year{isOver
					? ': ask your authority before you sell more'
					: `, ${money(data.year.left, data.kitchen.currency)} left`}
			</p>
		{/if}
	</div>
	<a href="/sales.csv" class="button" download>Export as CSV</a>
</div>

<div class="grid gap-8 lg:grid-cols-[20rem_minmax(0,1fr)]">
	<section aria-labelledby="new-sale" class="bg-sheet border-rule self-start border p-4 lg:sticky lg:top-4">
		<h2 id="new-sale">Record a sale</h2>
		{#if data.available.length === 0}
			<p class="text-quiet mt-2">No batch has packs left. Packs appear here when a batch is recorded.</p>
		{:else}
			<form method="POST" action="?/sell" use:enhance={form.enhance} class="mt-2 space-y-3">
				<input type="hidden" name="draft" value={JSON.stringify(draft)} />
				<Problems problems={form.problems} />
				<Choice
					label="Packs of"
					bind:value={draft.batchId}
					onchange={choose}
					options={[
						{ value: '', text: 'choose a batch…' },
						...data.available.map((batch) => ({
							value: batch.id,
							text: `${batch.name}, ${batch.code} (${batch.packsLeft} left)`
						}))
					]}
					error={form.at('batchId')}
				/>
				<div class="grid grid-cols-2 items-start gap-3">
					<Field
						label="Packs"
						bind:value={draft.packs}
						error={tooMany || (packs.ok || draft.packs === '' ? '' : packs.message) || form.at('packs')}
						inputmode="numeric"
					/>
					<Field
						label="Price a pack"
						bind:value={draft.price}
						error={(price.ok || draft.price === '' ? '' : price.message) || form.at('price')}
						inputmode="decimal"
					/>
				</div>
				<Field label="Day" type="date" bind:value={draft.soldOn} error={form.at('soldOn')} />
				<Field
					label="Where"
					bind:value={draft.channel}
					error={form.at('channel')}
					warning={allowsChannel({ channels: data.allowedChannels }, draft.channel) === false &&
					draft.channel.trim() !== ''
						? 'not among the ways your local profile lists: ask your authority first'
						: ''}
					list="channels"
					maxlength={60}
					placeholder="market, door, delivery"
				/>
				<datalist id="channels"
					>{#each data.channels as channel (channel)}<option value={channel}></option>{/each}</datalist
				>
				<p class="flex items-baseline justify-between">
					<span>Together</span><span class="figure text-2xl font-semibold" data-testid="sale-total"
						>{total === null ? '–' : money(total, data.kitchen.currency)}</span
					>
				</p>
				<button class="button button-main w-full" disabled={form.saving}>Record the sale</button>
			</form>
		{/if}
	</section>

	<div class="min-w-0">
		{#if data.sales.length === 0}
			<p class="max-w-prose">
				Nothing is sold yet. Each sale names the batch its packs came from, so that any bag can be traced.
			</p>
		{:else}
			<ul class="border-rule mb-4 flex flex-wrap gap-x-8 gap-y-1 border-b pb-3" aria-label="Totals by place">
				{#each data.totals.byChannel as each (each.channel)}
					<li>
						<span class="text-quiet">{each.channel}</span>
						<b class="figure">{money(each.money, data.kitchen.currency)}</b>
						<span class="text-quiet figure text-sm">{plural(each.packs, 'pack')}</span>
					</li>
				{/each}
			</ul>
			{#each days as day (day)}
				{@const sales = data.sales.filter((sale) => sale.soldOn === day)}
				<section aria-label={dayText(day)} class="mb-6">
					<h3 class="border-ink flex justify-between border-b-2 pb-1">
						<span>{dayText(day)}</span>
						<span class="figure"
							>{money(
								sales.reduce((sum, sale) => sum.plus(sale.total), new Decimal(0)).toFixed(2),
								data.kitchen.currency
							)}</span
						>
					</h3>
					<table class="ledger table-fixed">
						<thead class="sr-only"
							><tr
								><th>Product</th><th class="hidden sm:table-cell">Where</th><th>Packs</th><th
									class="hidden sm:table-cell">Price</th
								><th>Total</th><th>Void</th></tr
							></thead
						>
						<tbody>
							{#each sales as sale (sale.id)}
								<tr class={sale.voided || sale.voidsId ? 'text-quiet' : ''}>
									<td class="w-[42%]">
										{sale.product}
										<a href="/batches/{sale.batchId}" class="figure text-quiet text-sm">{sale.batchCode}</a>
										<span class="text-quiet block text-sm sm:hidden">{sale.channel}</span>
										{#if sale.voidsId}<span class="block text-sm">void: {sale.reason}</span>{/if}
									</td>
									<td class="text-quiet hidden sm:table-cell">{sale.channel}</td>
									<td class="number w-24">{sale.packs}<span class="unit">× {sale.packPieces}</span></td>
									<td class="number hidden w-24 sm:table-cell">{money(sale.price, data.kitchen.currency)}</td>
									<td class="number w-24 font-semibold">{money(sale.total, data.kitchen.currency)}</td>
									<td class="w-16 py-1! text-right">
										{#if sale.voided}<span class="text-sm">voided</span>{:else if !sale.voidsId}<VoidSale
												{sale}
												currency={data.kitchen.currency}
											/>{/if}
									</td>
								</tr>
							{/each}
						</tbody>
					</table>
				</section>
			{/each}
			{#if data.sales.length > shown.most}
				<button type="button" class="button" onclick={() => (shown.most += 200)}
					>Show earlier sales ({data.sales.length - shown.most} more)</button
				>
			{/if}
		{/if}
	</div>
</div>
