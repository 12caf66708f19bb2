<script lang="ts">
	import { marginOf } from '$core/cost/selling.ts';
	import { suppose, type Supposable, type Supposed } from '$core/cost/what-if.ts';
	import { wholeCost, type Rates, type WholeCost, type Working } from '$core/cost/whole.ts';
	import { ingredientCosts } from '$core/cost/cost.ts';
	import { money, percent, plain, plural } from '$lib/format.ts';
	import Slider from '$lib/ui/control/Slider.svelte';
	import { Decimal } from 'decimal.js';
	import { untrack } from 'svelte';

	/** What if prices, the ball, the rejects or the pack were otherwise: answered while it is slid. */
	interface Props {
		base: Supposable & { working: Working };
		asMade: Supposed;
		whole: WholeCost;
		rates: Rates;
		price: string | null;
		feeShare: number;
		currency: string;
	}
	let { base, asMade, whole, rates, price, feeShare, currency }: Props = $props();

	/** The dearest ingredients get a slider of their own; the others when they are asked for. */
	const SLIDERS = 5;
	let isWhole = $state(false);
	const dearest = $derived(
		ingredientCosts(base.recipe).flatMap(({ ingredient, cost }) =>
			cost?.isPositive() && !cost.isZero() ? [ingredient] : []
		)
	);
	const round1 = (value: number) => Math.round(value * 10) / 10;
	const start = untrack(() => ({ ...asMade, ballWeight_g: round1(asMade.ballWeight_g) }));
	let ballWeight_g = $state(start.ballWeight_g);
	let rejects = $state(start.rejects);
	let packPieces = $state(start.packPieces);
	/** Percent of what each was paid. */
	let percents = $state<Record<string, number>>({});

	const supposed = $derived(
		suppose(base, {
			// The slider stands on tenths of a gram; as it was is as it was weighed.
			ballWeight_g: ballWeight_g === start.ballWeight_g ? asMade.ballWeight_g : ballWeight_g,
			rejects,
			packPieces,
			priceFactors: Object.fromEntries(
				Object.entries(percents).map(([id, percentMore]) => [id, 1 + percentMore / 100])
			)
		})
	);
	const then = $derived(
		supposed && wholeCost({ ...supposed, product: supposed.recipe.product }, base.working, rates)
	);
	const isTouched = $derived(
		ballWeight_g !== start.ballWeight_g ||
			rejects !== start.rejects ||
			packPieces !== start.packPieces ||
			Object.values(percents).some((each) => each !== 0)
	);
	function reset() {
		ballWeight_g = start.ballWeight_g;
		rejects = start.rejects;
		packPieces = start.packPieces;
		percents = {};
	}
	/** By how much something is more or less, in words. */
	function by(before: string, after: string, decimals: number): string {
		const difference = new Decimal(after).minus(before);
		if (difference.isZero()) return 'as it was';
		return `${money(difference.abs().toFixed(4), currency, decimals)} ${difference.isPositive() ? 'more' : 'less'}`;
	}
	const LEAST_BALL = 0.6;
	const MOST_BALL = 1.5;
	const MOST_PACK = 24;
	const asPercent = (value: number) =>
		value === 0 ? 'as paid' : `${value > 0 ? '+' : '−'}${plain(Math.abs(value))} %`;
</script>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="if-heading">
	<div class="flex flex-wrap items-baseline justify-between gap-3">
		<h2 id="if-heading">What if it were otherwise?</h2>
		<button type="button" class="min-h-9 text-sm underline" disabled={!isTouched} onclick={reset}
			>Everything as it was</button
		>
	</div>
	<div class="mt-2 grid gap-x-10 gap-y-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
		<div class="grid gap-x-8 gap-y-1 sm:grid-cols-2">
			<Slider
				label="Ball weight"
				bind:value={ballWeight_g}
				start={start.ballWeight_g}
				min={Math.round(start.ballWeight_g * LEAST_BALL)}
				max={Math.round(start.ballWeight_g * MOST_BALL)}
				step={0.1}
				said={(value) => `${plain(value, 1)} g`}
			/>
			<Slider
				label="Rejects"
				bind:value={rejects}
				start={start.rejects}
				min={0}
				max={Math.max(10, Math.floor(base.pieces / 2))}
				step={1}
				said={(value) => plural(value, 'piece')}
			/>
			<Slider
				label="Pieces in a pack"
				bind:value={packPieces}
				start={start.packPieces}
				min={1}
				max={Math.max(MOST_PACK, start.packPieces)}
				step={1}
				said={(value) => plain(value)}
			/>
			{#each isWhole ? dearest : dearest.slice(0, SLIDERS) as each (each.id)}
				<Slider
					label="Price of {each.name}"
					bind:value={() => percents[each.id] ?? 0, (value) => (percents[each.id] = value)}
					start={0}
					min={-50}
					max={100}
					step={1}
					said={asPercent}
				/>
			{/each}
			{#if dearest.length > SLIDERS && !isWhole}
				<button
					type="button"
					class="min-h-9 justify-self-start text-sm underline"
					onclick={() => (isWhole = true)}>The other ingredients too</button
				>
			{/if}
		</div>
		<div class="bg-sheet border-rule self-start border p-4" aria-live="polite" data-testid="what-if">
			{#if !supposed || !then}
				<p class="text-attention-ink">Not one piece could be sold then.</p>
			{:else}
				<p class="text-lg leading-snug">
					<b class="figure">{supposed.packs}</b>
					{supposed.packs === 1 ? 'pack' : 'packs'} of {packPieces}{supposed.loose > 0
						? `, ${supposed.loose} loose`
						: ''}, from <b class="figure">{supposed.pieces}</b> balls.
				</p>
				<dl class="mt-2 grid grid-cols-[1fr_auto_auto] gap-x-3 gap-y-1">
					<dt>A sellable piece</dt>
					<dd class="figure text-right font-semibold" data-testid="if-piece">
						{money(then.perPiece, currency, 4)}
					</dd>
					<dd class="text-quiet text-sm">{by(whole.perPiece, then.perPiece, 4)}</dd>
					{#if then.perPack && whole.perPack}
						<dt>A pack</dt>
						<dd class="figure text-right font-semibold" data-testid="if-pack">
							{money(then.perPack, currency)}
						</dd>
						<dd class="text-quiet text-sm">{by(whole.perPack, then.perPack, 2)}</dd>
						{#if price}
							{@const margin = marginOf(price, then.perPack, feeShare)}
							<dt>Margin at {money(price, currency)}</dt>
							<dd class={['figure text-right font-semibold', margin !== null && margin < 0 && 'text-loss']}>
								{margin === null ? '–' : `${percent(margin, 0)} %`}
							</dd>
							<dd></dd>
						{/if}
					{/if}
				</dl>
				<p class="text-quiet mt-3 text-sm">
					The dough stays the same. A lighter ball is a lighter piece: its label, weight and facts would be
					others.
				</p>
			{/if}
		</div>
	</div>
</section>
