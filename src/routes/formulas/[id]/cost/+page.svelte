<script lang="ts">
	import Choice from '$lib/ui/control/Choice.svelte';
	import { suppose, type Supposed } from '$core/cost/what-if.ts';
	import { marginOf } from '$core/cost/selling.ts';
	import { wholeCost } from '$core/cost/whole.ts';
	import { whereItGoes } from '$core/cost/where.ts';
	import { dayText, money, percent, plain, plural } from '$lib/format.ts';
	import CostParts from '$lib/ui/CostParts.svelte';
	import CostStrip from './CostStrip.svelte';
	import Moves from './Moves.svelte';
	import Selling from './Selling.svelte';
	import WhatIf from './WhatIf.svelte';

	let { data } = $props();
	const currency = $derived(data.kitchen.currency);
	const base = $derived(data.base);
	const asMade = $derived<Supposed | null>(
		base && {
			priceFactors: {},
			ballWeight_g: base.ballWeight_g,
			rejects: base.rejects,
			packPieces: base.recipe.product.packPieces ?? 1
		}
	);
	/** What the newest batch cost, everything counted. */
	const made = $derived(base && asMade ? suppose(base, asMade) : null);
	const packs = $derived(base?.packs ?? made?.packs ?? 0);
	const whole = $derived(
		base && made
			? wholeCost({ ...made, packs, product: made.recipe.product }, base.working, data.rates)
			: null
	);
	const unpriced = $derived(made?.cost.unpriced ?? []);
	const nameOf = (id: string) => base?.recipe.ingredients.find((each) => each.id === id)?.name ?? id;

	let placeAt = $state(0);
	const place = $derived(data.places[placeAt] ?? null);
	const feeShare = $derived(place?.fee.share ?? 0);
	const stretches = $derived(
		base && whole ? whereItGoes(made?.recipe ?? base.recipe, whole, data.price, feeShare) : null
	);
	const margin = $derived(
		whole?.perPack && data.price ? marginOf(data.price, whole.perPack, feeShare) : null
	);
	const said = (amount: string | null, decimals = 2) =>
		amount === null ? '–' : money(amount, currency, decimals);
</script>

<svelte:head><title>{data.formula.name}: what it costs · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/formulas/{data.formula.id}">{data.formula.name}</a></p>
<h1>What it costs</h1>
{#if !base || !whole || !asMade || !made}
	<p class="mt-3 max-w-prose">
		Nothing can be said yet: the formula needs a version that is kept, a ball weight, and
		<a href="/shelf">a price</a> of what goes into it.
	</p>
{:else}
	<p class="text-quiet max-w-prose">
		{#if base.batch}
			As batch <a href="/batches/{base.batch.id}" class="figure underline">{base.batch.code}</a> was made on {dayText(
				base.batch.madeOn
			)}: {plural(made.sellable, 'piece')} to sell, {plural(packs, 'pack')} of {base.recipe.product
				.packPieces}.
		{:else}
			As planned, at today’s prices: no batch of it is made yet.
		{/if}
	</p>
	{#if unpriced.length > 0}
		<p class="text-attention-ink mt-1 text-sm font-semibold">
			Left out, for nobody gave a price: {unpriced.map(nameOf).join(', ')}. Everything below is too low by it.
		</p>
	{/if}

	<section class="border-rule mt-4 border-t pt-4" aria-labelledby="where-heading">
		<div class="flex flex-wrap items-end justify-between gap-3">
			<h2 id="where-heading">
				Where the money of a pack goes
				<span class="text-quiet text-sm font-normal">
					{#if data.price}
						{money(data.price, currency)} asked, {said(whole.perPack)} to make{margin === null
							? ''
							: `, margin ${percent(margin, 0)} %`}
					{:else}no price is set yet{/if}
				</span>
			</h2>
			{#if data.places.some((each) => each.fee.share > 0)}
				<Choice
					compact
					label="Sold at"
					bind:value={() => String(placeAt), (value) => (placeAt = Number(value))}
					options={data.places.map((each, index) => ({ value: String(index), text: each.name }))}
				/>
			{/if}
		</div>
		{#if stretches}<div class="mt-2"><CostStrip {stretches} {currency} /></div>{/if}
		<div class="mt-3 max-w-3xl"><CostParts {whole} {currency} /></div>
		<p class="text-quiet mt-1 text-sm">
			Rejects and what stays in the bowl are paid for by the pieces that can be sold.
			{#if whole.parts.every(({ part }) => part !== 'energy' && part !== 'labour')}
				Energy and labour are not counted: <a href="/kitchen/costs">give their prices</a>, and note the
				minutes of a batch on its page.
			{:else}
				Heated for {base.working.heat_min === null ? '–' : plain(base.working.heat_min)} min, hands on it for {base
					.working.hands_min === null
					? '–'
					: plain(base.working.hands_min)} min. <a href="/kitchen/costs">Prices of energy and labour</a>
			{/if}
		</p>
	</section>

	{#key base.batch?.id}
		<WhatIf {base} {asMade} {whole} rates={data.rates} price={data.price} {feeShare} {currency} />
	{/key}
	{#if whole.perPack}
		<Selling
			costPerPack={whole.perPack}
			price={data.price}
			places={data.places}
			labour={data.rates.labour_perHour}
			{currency}
		/>
	{/if}
{/if}
<Moves points={data.points} {currency} />
