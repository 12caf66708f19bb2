<script lang="ts">
	import type { BallBoard } from '$core/bench/divide.ts';
	import { fixed, plain } from '$lib/format.ts';
	import { tick } from 'svelte';

	/** A small square for each ball, with a line as far from its middle as the ball is from the target. */
	let {
		board,
		places,
		again,
		decimals,
		isWaiting,
		onagain
	}: {
		board: BallBoard;
		/** Squares to show, those not weighed yet too. */
		places: number;
		/** The ball that is weighed again, by its place. */
		again: number | null;
		decimals: number;
		isWaiting: (place: number) => boolean;
		onagain: (place: number) => void;
	} = $props();

	const MOST_PLACES = 400;
	/** So many of the newest are shown where there are more: the others are folded, and told by how they stand. */
	const NEWEST = 80;
	let showsAll = $state(false);
	const folded = $derived(
		showsAll || board.balls.length <= NEWEST + NEWEST / 4 ? 0 : board.balls.length - NEWEST
	);
	let list = $state<HTMLElement>();
	/** The button goes with what it unfolds: who pressed it goes on at the first ball. */
	async function showAll(): Promise<void> {
		showsAll = true;
		await tick();
		list?.querySelector('button')?.focus();
	}
	const off = $derived(board.balls.slice(0, folded).filter((ball) => ball.mark !== 'good').length);
	const empty = $derived(
		Array.from(
			{ length: Math.max(0, Math.min(MOST_PLACES, places) - board.balls.length) },
			(_, index) => board.balls.length + index
		)
	);
	/** Where the line stands: between number and figure on target, up to three tolerances off. */
	const height = (deviation_g: number) =>
		46 - 18 * Math.max(-1, Math.min(1, deviation_g / (3 * board.tolerance_g)));
	const MARK = { light: 'light', good: 'within the tolerance', heavy: 'heavy' } as const;
</script>

{#if folded > 0}
	<p class="mt-2 text-sm" data-testid="folded">
		Balls 1 to {plain(folded)}: {off === 0
			? 'all within the tolerance'
			: `${plain(off)} outside the tolerance`}.
		<button type="button" class="min-h-11 px-1 font-semibold underline" onclick={showAll}>Show them</button>
	</p>
{/if}
<ol
	bind:this={list}
	start={folded + 1}
	class="mt-2 grid grid-cols-[repeat(auto-fill,minmax(3.2rem,1fr))] gap-1"
	aria-label="Ball board"
>
	{#each board.balls.slice(folded) as ball, nth (folded + nth)}
		{@const place = folded + nth}
		<li>
			<button
				type="button"
				class={[
					'relative block h-12 w-full border text-left',
					ball.mark === 'good' && 'border-rule bg-[#f6e8c3]',
					ball.mark === 'heavy' && 'border-loss border-2 bg-[#f6cfa4]',
					ball.mark === 'light' && 'border-loss border-2 bg-[#dcebf3]',
					again === place && 'outline-action outline-3'
				]}
				aria-pressed={again === place}
				aria-label="Ball {place + 1}, {fixed(ball.grams, decimals)} g, {MARK[ball.mark]}{isWaiting(place)
					? ', waiting'
					: ''}: weigh it again"
				onclick={() => onagain(place)}
			>
				<span class="absolute top-0.5 left-1 text-[10px]">{place + 1}{isWaiting(place) ? ' …' : ''}</span>
				<span
					class={['absolute right-1.5 left-1.5 h-[2.5px]', ball.mark === 'good' ? 'bg-ink' : 'bg-loss']}
					style:top="{height(ball.deviation_g)}%"
				></span>
				<span class="figure absolute right-1 bottom-0 text-[12px]">{fixed(ball.grams, decimals)}</span>
			</button>
		</li>
	{/each}
	{#each empty as place (place)}
		<li
			class={[
				'relative h-12 border text-[10px]',
				place === board.balls.length ? 'border-action bg-sheet border-2' : 'border-rule'
			]}
		>
			<span class="text-quiet absolute top-0.5 left-1">{plain(place + 1)}</span>
		</li>
	{/each}
</ol>
