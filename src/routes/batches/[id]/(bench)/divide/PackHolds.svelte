<script lang="ts">
	import type { BallBoard } from '$core/bench/divide.ts';
	import { expectedPack, leastBallHere_g } from '$core/netquantity/recommend.ts';
	import { mean } from '$core/measure/round.ts';
	import { fixed, plain, plural } from '$lib/format.ts';
	import type { StationLabel } from '$lib/batch/bench/station.ts';

	/** Whether the balls weighed so far make packs that hold what the label declares. */
	let {
		board,
		decimals,
		label,
		packPieces,
		uptake_g,
		pastLosses
	}: {
		board: BallBoard;
		decimals: number;
		label: StationLabel | null;
		packPieces: number;
		/** What surface materials add to one piece. */
		uptake_g: number;
		/** Cook losses of the batches made of it. */
		pastLosses: readonly number[];
	} = $props();

	const weights = $derived(board.balls.map((ball) => ball.grams));
	const input = $derived({
		pieces: packPieces,
		uptake_g,
		ballSpread_g: board.spread_g ?? 0,
		ballsWeighed: weights.length,
		cookLosses: [...pastLosses]
	});
	const expected = $derived(board.mean_g === null ? null : expectedPack(board.mean_g, input));
	const holds = $derived(expected && label ? expected.lowerBound_g >= label.declared_g : null);
	const least_g = $derived(label && expected ? leastBallHere_g(label.declared_g, input) : null);
	const BARS = 9;
	/** Balls by how far they are from the middle of what was weighed. */
	const bars = $derived.by(() => {
		const [low, high] = [Math.min(...weights), Math.max(...weights)];
		if (weights.length < 2 || high === low) return null;
		const counts = Array<number>(BARS).fill(0);
		for (const grams of weights) {
			const bar = Math.min(BARS - 1, Math.floor(((grams - low) / (high - low)) * BARS));
			counts[bar] = (counts[bar] ?? 0) + 1;
		}
		return { counts, low, high, most: Math.max(...counts) };
	});
</script>

<section class="min-w-0 md:col-span-2 xl:col-span-1" aria-labelledby="holds-heading">
	<h2 id="holds-heading">Will the pack hold?</h2>
	<p class="mt-1">
		{#if label}
			Declared <b class="figure">{plain(label.declared_g)}</b><span class="unit">g</span>, {plural(
				packPieces,
				'piece'
			)}
		{:else}
			<span class="text-quiet">No label is approved yet: nothing is declared.</span>
		{/if}
	</p>
	{#if bars}
		<svg viewBox="0 0 180 60" class="mt-2 h-16 w-full max-w-xs" aria-hidden="true">
			{#each bars.counts as count, bar (bar)}
				{@const height = (count / bars.most) * 54}
				<rect x={bar * 20 + 1} y={56 - height} width="18" {height} class="fill-flour" />
			{/each}
			<line x1="0" x2="180" y1="56.5" y2="56.5" class="stroke-ink" />
		</svg>
		<p class="figure text-quiet flex max-w-xs justify-between text-xs">
			<span>{fixed(bars.low, decimals)}</span><span>{fixed(bars.high, decimals)}</span>
		</p>
	{/if}
	<dl class="mt-2 max-w-xs space-y-1" data-testid="holds">
		<div class="flex justify-between">
			<dt>Mean ball</dt>
			<dd class="figure">
				{board.mean_g === null ? '–' : fixed(board.mean_g, 1)}<span class="unit">g</span>
			</dd>
		</div>
		<div class="flex justify-between">
			<dt>Spread</dt>
			<dd class="figure">
				{board.spread_g === null ? '–' : fixed(board.spread_g, 1)}<span class="unit">g</span>
			</dd>
		</div>
		{#if expected}
			<div class="flex justify-between">
				<dt>Expected pack</dt>
				<dd class="figure">{fixed(expected.mean_g, 0)}<span class="unit">g</span></dd>
			</div>
			<div class="flex justify-between">
				<dt>At least, 95 %</dt>
				<dd class="figure">{fixed(expected.lowerBound_g, 0)}<span class="unit">g</span></dd>
			</div>
			{#if label && expected.mean_g > label.declared_g}
				<div class="flex justify-between">
					<dt>Given away</dt>
					<dd class="figure">
						{fixed(expected.mean_g - label.declared_g, 0)}<span class="unit">g a pack</span>
					</dd>
				</div>
			{/if}
		{/if}
	</dl>
	<p class="mt-3 font-bold" role="status">
		{#if pastLosses.length < 2}
			<span class="text-quiet font-normal">Fewer than two batches say how much it loses on the plate.</span>
		{:else if expected === null}
			<span class="text-quiet font-normal">Weigh two balls or more.</span>
		{:else if holds === true}
			<span class="text-squared"
				>Holds.{least_g !== null && least_g < Math.floor(board.mean_g ?? 0)
					? ` A ball of ${plain(least_g)} g would too.`
					: ''}</span
			>
		{:else if holds === false}
			<span class="text-loss"
				>The packs would be short.{least_g === null ? '' : ` They hold at ${plain(least_g)} g a ball.`}</span
			>
		{/if}
	</p>
	{#if expected}
		<p class="text-quiet mt-1 text-sm">
			With the cook loss of {plural(pastLosses.length, 'batch', 'batches')}, {fixed(
				100 * (mean(pastLosses) ?? 0),
				1
			)}&nbsp;%.
		</p>
	{/if}
</section>
