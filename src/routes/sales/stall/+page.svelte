<script lang="ts">
	import Choice from '$lib/ui/control/Choice.svelte';
	import { cut } from '$core/measure/text.ts';
	import { afterNavigate } from '$app/navigation';
	import { clock } from '$lib/batch/bench/clock.svelte.ts';
	import type { Entry } from '$core/bench/entries.ts';
	import { hear } from '$lib/batch/bench/news.ts';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { dayIn } from '$lib/day.ts';
	import { dayText, money, plural } from '$lib/format.ts';
	import { keepPage } from '$lib/offline/keep-page.ts';
	import {
		addPack,
		basketTotal,
		entriesOfCheckout,
		heldIn,
		isPast,
		setPacks,
		stallProducts,
		takenBy,
		shortPacksOf,
		takingsWith,
		undoEntries,
		type BasketLine,
		type Checkout,
		type ShortPack,
		type StallProduct
	} from '$lib/sales/stall.ts';
	import { readAgain } from '$lib/read-again.ts';
	import { newSaleId, till } from '$lib/sales/till.svelte.ts';
	import { shortPrice } from '$lib/sales/short-price.ts';
	import type { PaidBy } from '$lib/sales/kinds.ts';
	import type { SaleEntry } from '$lib/sales/types.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import { onMount, untrack } from 'svelte';
	import CloseDay from './CloseDay.svelte';
	import Given from './Given.svelte';
	import NotTaken from './NotTaken.svelte';
	import SoldOut from './SoldOut.svelte';
	import ToHandOver from './ToHandOver.svelte';

	let { data } = $props();
	const currency = $derived(data.kitchen.currency);
	const time = clock();
	/** It is today's stall even where the page was read, or kept, the day before. */
	const day = $derived(dayIn(data.kitchen.timeZone, new Date(time.now)));
	const CHANNEL = 'square-batch:stall-channel';
	/** So much of a reason is kept. */
	const MOST_REASON = 300;
	let channel = $state(untrack(() => data.channels[0] ?? ''));
	function choosePlace(value: string): void {
		channel = value;
		localStorage.setItem(CHANNEL, value);
	}

	/** What this device sold that the page does not know of: on its way, or kept since the page was read. */
	let since = $state.raw<SaleEntry[]>([]);
	function add(entries: readonly SaleEntry[]): void {
		const here = new Set(since.map((entry) => entry.id));
		since = [...since, ...entries.filter((entry) => !here.has(entry.id))];
	}
	onMount(() => {
		channel = localStorage.getItem(CHANNEL) ?? channel;
		void till.keptLately('sales').then(add);
		const off = [
			till.onkept((_, entries) => {
				add(entries);
				void readAgain();
			}),
			// Another device sold or a batch was counted; or a short pack was made up, here or elsewhere.
			hear((news) => (news.entries.length === 0 || movesPacks(news.entries)) && void readAgain()),
			outbox.onkept((_, items) => movesPacks(items.map((item) => item.entry)) && void readAgain())
		];
		return () => off.forEach((each) => each());
	});
	/** Whether what happened at a bench may have made packs, or taken some apart. */
	const movesPacks = (entries: readonly Entry[]): boolean =>
		entries.some((entry) => entry.kind === 'event' && ['short pack', 'void'].includes(entry.happening.name));
	afterNavigate(() => void keepPage('/sales/stall'));

	const known = $derived(new Set(data.known));
	const mine = $derived([...since.filter((entry) => !known.has(entry.id)), ...till.waiting]);
	const products = $derived(stallProducts(data.left, takenBy(mine), day));
	const batchOf = $derived(new Map(data.left.map((batch) => [batch.id, batch])));
	const short = $derived(shortPacksOf(data.left, mine, day));
	const priceOf = ({ batchId, pieces }: BasketLine) => {
		const batch = batchOf.get(batchId);
		const price = batch?.price ?? '0';
		return batch && pieces !== null ? shortPrice(price, pieces, batch.packPieces) : price;
	};

	/** Packs of a product that wait for whoever ordered them. */
	const aside = (productId: string) =>
		data.orders.reduce(
			(sum, { lines }) =>
				sum + lines.reduce((packs, line) => packs + (line.productId === productId ? line.packs : 0), 0),
			0
		);
	const freeOf = (product: StallProduct) => Math.max(0, product.left - aside(product.productId));

	let basket = $state.raw<BasketLine[]>([]);
	const total = $derived(basketTotal(basket, priceOf));
	const packsInBasket = $derived(basket.reduce((sum, line) => sum + line.packs, 0));
	const inBasket = (product: StallProduct) =>
		basket.reduce(
			(sum, line) =>
				sum +
				(line.pieces === null && batchOf.get(line.batchId)?.productId === product.productId ? line.packs : 0),
			0
		);
	function tap(product: StallProduct): void {
		last = null;
		basket = addPack(basket, product, day) ?? basket;
	}
	const shortInBasket = (pack: ShortPack) =>
		basket.find((line) => line.batchId === pack.batchId && line.pieces === pack.pieces)?.packs ?? 0;
	/** How many short packs there are like one. */
	const shortLike = (pack: ShortPack) =>
		short.filter((each) => each.batchId === pack.batchId && each.pieces === pack.pieces).length;
	function tapShort(pack: ShortPack): void {
		last = null;
		basket = setPacks(basket, pack.batchId, shortInBasket(pack) + 1, pack.pieces);
	}
	/** Takes a line's packs from another batch of the product. */
	function moveTo(line: BasketLine, batchId: string): void {
		const more = basket.find((each) => each.batchId === batchId && each.pieces === null)?.packs ?? 0;
		basket = setPacks(setPacks(basket, line.batchId, 0), batchId, more + line.packs);
	}

	let owing = $state(false);
	let customer = $state('');
	let customerError = $state('');
	/** The checkout just made, for its change and for taking it back. */
	let last = $state.raw<{ entries: SaleEntry[]; total: string; paidBy: PaidBy | null } | null>(null);
	/** What of the basket is held, and whether the maker decided to hand it over all the same: asked once for each. */
	const held = $derived(heldIn(basket, batchOf));
	let decided = $state.raw<readonly string[]>([]);
	const isDecided = $derived(held.every((reason) => decided.includes(reason)));
	function done(kind: Checkout['kind'], paidBy: PaidBy | null): void {
		if (basket.length === 0 || !isDecided) return;
		if (paidBy === 'owed' && customer.trim() === '') {
			// Asked first; only pressing once more without a name is a mistake.
			customerError = owing ? 'say who owes it' : '';
			owing = true;
			return;
		}
		const checkout = {
			kind,
			paidBy,
			customer: customer.trim(),
			reason: held.length > 0 ? cut(`sold though held: ${held.join('; ')}`, MOST_REASON) : '',
			soldOn: day,
			channel
		};
		const entries = entriesOfCheckout(basket, checkout, priceOf, newSaleId);
		till.add(entries);
		last = { entries, total: kind === 'sale' ? total : '0.00', paidBy };
		basket = [];
		customer = '';
		customerError = '';
		owing = false;
	}
	function undo(): void {
		if (!last) return;
		till.add(undoEntries(last.entries, 'taken back at the stall', newSaleId));
		last = null;
	}
	/** Of what was taken here today, what is in the till and what went by card. */
	const sold = $derived.by(() => {
		const here = data.day === day ? data.takings.find((each) => each.name === channel) : undefined;
		const by = (paidBy: PaidBy) =>
			takingsWith(
				(paidBy === 'cash' ? here?.cash : here?.card) ?? '0',
				mine.filter((entry) => entry.channel === channel && entry.soldOn === day && entry.paidBy === paidBy)
			);
		return { cash: by('cash'), card: by('card') };
	});
	/** Taken today at this place, with what is still on its way. */
	const takings = $derived(
		takingsWith(
			(data.day === day && data.takings.find((each) => each.name === channel)?.money) || '0',
			mine.filter((entry) => entry.channel === channel && entry.soldOn === day)
		)
	);
</script>

<svelte:head><title>Stall · Square Batch</title></svelte:head>

<div class="mb-3 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
	<div>
		<p class="text-quiet">
			<a href="/sales/orders">Orders</a>{#if data.who?.rights.includes('ledger')}&ensp;<a href="/sales"
					>Sales</a
				>{/if}
		</p>
		<h1>Stall <span class="text-quiet text-sm font-normal">{dayText(day)}</span></h1>
	</div>
	<Field
		compact
		label="Where"
		bind:value={() => channel, choosePlace}
		list="stall-channels"
		maxlength={60}
		error={channel.trim() === '' ? 'say where you sell' : ''}
		class="w-64"
	/>
	<datalist id="stall-channels"
		>{#each data.channels as each, nth (nth)}<option value={each}></option>{/each}</datalist
	>
	<p data-testid="takings">
		<span class="text-quiet text-sm">Taken here today</span>
		<b class="figure block text-2xl">{money(takings, currency)}</b>
	</p>
</div>

<NotTaken batches={data.left} />
<ToHandOver
	orders={data.orders.filter((order) => order.place === channel)}
	{day}
	{currency}
	waits={till.waiting.length > 0}
/>

{#if products.every((product) => product.left === 0) && short.length === 0}
	<p class="max-w-prose text-lg">
		No pack is left to sell. Packs appear here when they are counted at <a href="/batches">a batch</a>.
	</p>
{/if}
<div class="grid gap-4 md:grid-cols-[minmax(0,1fr)_20rem]">
	<ul class="grid grid-cols-2 content-start gap-3 xl:grid-cols-3" aria-label="Products">
		{#each products.filter((product) => product.left > 0) as product (product.productId)}
			{@const packs = inBasket(product)}
			<li>
				<button
					type="button"
					class={[
						'bg-sheet flex min-h-32 w-full flex-col justify-between border-2 p-3 text-left',
						packs > 0 ? 'border-action' : 'border-edge'
					]}
					disabled={packs >= freeOf(product) || channel.trim() === ''}
					onclick={() => tap(product)}
				>
					<span class="text-lg leading-tight font-bold break-words">{product.name}</span>
					<span class="flex items-end justify-between gap-2">
						<span>
							<span class="figure block text-xl">{money(product.price, currency)}</span>
							<span class="text-quiet text-sm"
								>× {product.packPieces}, {product.left - packs === 0
									? 'the last one'
									: `${product.left - packs} left`}{aside(product.productId) > 0
									? `, ${Math.min(product.left, aside(product.productId))} set aside`
									: ''}</span
							>
						</span>
						{#if packs > 0}<span class="bg-action figure px-3 py-1 text-2xl text-white">{packs}</span>{/if}
					</span>
				</button>
			</li>
		{/each}
		{#each short as pack, nth (nth)}
			{#if short.findIndex((each) => each.batchId === pack.batchId && each.pieces === pack.pieces) === nth}
				<li>
					<button
						type="button"
						class={[
							'bg-sheet flex min-h-32 w-full flex-col justify-between border-2 border-dashed p-3 text-left',
							shortInBasket(pack) > 0 ? 'border-action' : 'border-edge'
						]}
						disabled={shortInBasket(pack) >= shortLike(pack) || channel.trim() === ''}
						onclick={() => tapShort(pack)}
					>
						<span class="text-lg leading-tight font-bold break-words">{pack.name}</span>
						<span>
							<span class="figure block text-xl">{money(pack.price, currency)}</span>
							<span class="text-quiet text-sm">short pack, × {pack.pieces}, {shortLike(pack)} left</span>
						</span>
					</button>
				</li>
			{/if}
		{/each}
	</ul>

	<section aria-labelledby="basket" class="bg-sheet border-ink self-start border p-4 md:sticky md:top-4">
		{#if last && basket.length === 0}
			<h2 id="basket">Done</h2>
			<p class="mt-1 text-lg" role="status" data-testid="done">
				{plural(
					last.entries.reduce((sum, entry) => sum + entry.packs, 0),
					'pack'
				)},
				<b class="figure">{money(last.total, currency)}</b>{last.paidBy ? `, ${last.paidBy}` : ''}
			</p>
			{#if last.paidBy === 'cash'}
				{#key last}<Given total={last.total} {currency} />{/key}
			{/if}
			<button type="button" class="button mt-4 w-full" onclick={undo}>Undo this</button>
			<p class="text-quiet mt-2 text-sm">Tap a product for the next customer.</p>
		{:else if basket.length === 0}
			<h2 id="basket">Next customer</h2>
			<p class="text-quiet mt-1">Tap what they take.</p>
		{:else}
			<h2 id="basket" class="flex items-baseline justify-between">
				<span>{plural(packsInBasket, 'pack')}</span>
				<span class="figure text-3xl" data-testid="basket-total">{money(total, currency)}</span>
			</h2>
			<ul class="divide-rule mt-2 divide-y" aria-label="Basket">
				{#each basket as line (`${line.batchId} ${line.pieces ?? ''}`)}
					{@const batch = batchOf.get(line.batchId)}
					{@const others = products.find((each) => each.productId === batch?.productId)?.batches ?? []}
					<li class="flex items-center gap-2 py-1">
						<span class="figure text-xl">{line.packs}</span>
						<span class="min-w-0 flex-1">
							<span class="block leading-tight break-words">{batch?.name}</span>
							{#if line.pieces !== null}<span class="text-quiet text-sm"
									>short pack of {line.pieces}, {batch?.code}</span
								>{:else}<Choice
									label="Batch of {batch?.name}"
									tight
									class="figure text-sm"
									value={line.batchId}
									onchoose={(id) => moveTo(line, id)}
									options={others
										.filter((each) => each.id === line.batchId || each.packsLeft >= line.packs)
										.map((each) => ({
											value: each.id,
											text: `${each.code}, ${isPast(each, day) ? 'PAST ITS DATE, ' : ''}${each.packsLeft} left`
										}))}
								/>{/if}
						</span>
						<button
							type="button"
							class="button min-w-11"
							aria-label="One {batch?.name} less"
							onclick={() => (basket = setPacks(basket, line.batchId, line.packs - 1, line.pieces))}>−</button
						>
					</li>
				{/each}
			</ul>
			{#if basket.some((line) => isPast(batchOf.get(line.batchId) ?? { bestBefore: null }, day))}
				<p class="text-loss mt-2 text-sm font-semibold" role="alert">
					Some of these packs are past their best-before: local codes may forbid selling them.
				</p>
			{/if}
			{#if held.length > 0}
				<div class="border-loss bg-loss-pale mt-2 border-l-4 px-3 py-2" role="alert" data-testid="held">
					{#each held as reason, nth (nth)}<p class="text-sm font-semibold">Held: {reason}.</p>{/each}
					<p class="mt-1 text-sm">
						What the bag does not say can make somebody ill: tell them, or do not sell it. Your decision is
						kept with the sale.
					</p>
					{#if !isDecided}
						<button type="button" class="button mt-2" onclick={() => (decided = [...decided, ...held])}
							>I have told them: sell it</button
						>
					{/if}
				</div>
			{/if}
			{#if owing}
				<Field label="Who owes it" bind:value={customer} error={customerError} maxlength={120} class="mt-2" />
			{/if}
			<div class="mt-3 grid grid-cols-3 gap-2">
				<button
					type="button"
					class="button button-main py-4 text-base"
					disabled={!isDecided}
					onclick={() => done('sale', 'cash')}>Cash</button
				>
				<button
					type="button"
					class="button button-main py-4 text-base"
					disabled={!isDecided}
					onclick={() => done('sale', 'card')}>Card</button
				>
				<button
					type="button"
					class="button py-4 text-base"
					disabled={!isDecided}
					onclick={() => done('sale', 'owed')}>Owed</button
				>
				<button type="button" class="button" disabled={!isDecided} onclick={() => done('gift', null)}
					>Gift</button
				>
				<button type="button" class="button" disabled={!isDecided} onclick={() => done('sample', null)}
					>Tasting</button
				>
				<button type="button" class="button" onclick={() => (basket = [])}>Clear</button>
			</div>
		{/if}
	</section>
</div>

{#if products.some((product) => product.batches.some((batch) => batch.packsLeft > 0 && isPast(batch, day)))}
	<p class="text-attention-ink mt-6 text-sm font-semibold">
		Packs past their best-before are not offered: write them off below.
	</p>
{/if}
<SoldOut products={data.products} soldOut={data.soldOut} place={channel} />
<CloseDay
	{products}
	short={shortPacksOf(data.left, mine, null)}
	{channel}
	{day}
	{currency}
	{sold}
	counts={data.day === day ? data.counts.filter((count) => count.channel === channel) : []}
	waits={till.waiting.length > 0}
/>
