<script lang="ts">
	import { weightDoubt } from '$core/bench/doubt.ts';
	import { ballBoard, halvings } from '$core/bench/divide.ts';
	import { readCount } from '$core/measure/reading.ts';
	import { useSession } from '$lib/batch/bench/session.svelte.ts';
	import { fixed, plain, plural } from '$lib/format.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Scale from '$lib/ui/bench/Scale.svelte';
	import Next from '../Next.svelte';
	import BallBoard from './BallBoard.svelte';
	import PackHolds from './PackHolds.svelte';

	let { data } = $props();
	const session = useSession();
	const decimals = $derived(Math.max(0, -Math.floor(Math.log10(data.scaleDivision_g))));

	const target_g = $derived(session.batch.ballWeight_g);
	const balls = $derived(session.bench.readings('ball'));
	const dough_g = $derived(session.batch.doughWeight_g);
	const board = $derived(
		ballBoard(
			balls.map((ball) => ball.grams),
			target_g,
			dough_g,
			data.scaleDivision_g
		)
	);
	/** How many the dough gives at the target: what is planned. */
	const gives = $derived(dough_g === null ? null : Math.floor(dough_g / target_g + 1e-9));
	const leftover = $derived(session.bench.readings('leftover').at(-1) ?? null);

	/** A ball weighed again, by its place on the board; null where the next one is new. */
	let again = $state<number | null>(null);
	let isLeftover = $state(false);
	function take(grams: number, by: 'scale' | 'typed'): void {
		if (isLeftover) {
			session.weigh({ what: 'leftover', lineId: null, grams, by, corrects: leftover?.id ?? null });
			isLeftover = false;
			return;
		}
		const corrects = again === null ? null : (balls[again]?.id ?? null);
		session.weigh({ what: 'ball', lineId: null, grams, by, corrects });
		again = null;
	}
	const isMine = (entry: { kind: string; what?: string }) =>
		entry.kind === 'weighing' && entry.what === (isLeftover ? 'leftover' : 'ball');

	let count = $state('');
	let countError = $state('');
	const counted = $derived(session.bench.counted.balls);
	function finish(): void {
		// Every ball weighed: as many as there are squares, unless it is typed otherwise.
		const read = readCount(count.trim() === '' ? String(balls.length) : count);
		if (!read.ok || read.value < 1) {
			countError = read.ok ? 'at least one ball' : read.message;
			return;
		}
		if (read.value < balls.length) {
			countError = `${balls.length} balls were weighed already`;
			return;
		}
		countError = '';
		session.happened({ name: 'counted', of: 'balls', count: read.value });
		count = '';
	}
	const halves = $derived(dough_g === null ? [] : halvings(dough_g, target_g));
	const gift = $derived(board.gifts[0] ?? null);
	const rest = $derived(data.station.steps.find((step) => step.kind === 'rest balls'));
</script>

<svelte:head><title>Divide · {session.batch.name} · Square Batch</title></svelte:head>

<div class="grid gap-x-8 gap-y-5 md:grid-cols-[17rem_minmax(0,1fr)] xl:grid-cols-[17rem_minmax(0,1fr)_15rem]">
	<div class="md:sticky md:top-12 md:self-start">
		<Scale
			of={isLeftover
				? 'dough left over'
				: again === null
					? `ball ${plain(balls.length + 1)}`
					: `ball ${plain(again + 1)} again`}
			target_g={isLeftover ? null : target_g}
			tolerance_g={board.tolerance_g}
			least_g={isLeftover ? 2 * data.scaleDivision_g : target_g * 0.4}
			division_g={data.scaleDivision_g}
			containers={data.containers}
			disabled={session.isClosed}
			doubtful={(grams) => (isLeftover ? null : weightDoubt(grams, target_g))}
			ontake={take}
			onundo={session.canUndo(isMine) ? () => session.undo(isMine) : null}
		/>
	</div>
	<section class="min-w-0" aria-labelledby="balls-heading">
		<div class="flex flex-wrap items-baseline justify-between gap-x-4">
			<h2 id="balls-heading">Balls</h2>
			<p class="text-quiet text-sm">weigh all, or a sample and count the rest</p>
		</div>
		<p class="mt-1" data-testid="so-far">
			{#if gives === null}
				<b class="figure">{plain(balls.length)}</b> weighed. Weigh the dough first, and it says how many it
				gives.
				<a href="/batches/{session.batch.id}/mix">Weigh the dough</a>
			{:else}
				Ball <b class="figure">{plain(Math.min(balls.length + 1, Math.max(gives, balls.length + 1)))}</b> of
				<b class="figure">{plain(gives)}</b>. The dough left,
				<b class="figure">{fixed(board.left_g ?? 0, decimals)}</b><span class="unit">g</span>, gives
				<b class="figure">{plain(board.toGo ?? 0)}</b> more at {plain(target_g, 1)} g.
			{/if}
		</p>
		<BallBoard
			{board}
			isWaiting={(place) => session.isWaiting(balls[place]?.id ?? '')}
			places={Math.max(gives ?? 0, balls.length + 1, counted ?? 0)}
			{again}
			{decimals}
			onagain={(place) => {
				again = again === place ? null : place;
				isLeftover = false;
			}}
		/>
		<p class="border-rule mt-3 min-h-8 border-t pt-2" role="status" data-testid="gift">
			{#if gift}
				Ball <b>{gift.from + 1}</b> is
				<b class="figure">{fixed(board.balls[gift.from]?.deviation_g ?? 0, decimals)}</b><span class="unit"
					>g</span
				>
				over and <b>{gift.to + 1}</b> is
				<b class="figure">{fixed(-(board.balls[gift.to]?.deviation_g ?? 0), decimals)}</b><span class="unit"
					>g</span
				>
				under: move <b class="figure">{fixed(gift.grams, decimals)}</b><span class="unit">g</span> across and both
				hold. Weigh both again by pressing their squares.
			{/if}
		</p>
		<div class="mt-3 flex flex-wrap items-start gap-3">
			<Field
				label="Balls made"
				bind:value={count}
				error={countError}
				hint={counted === null
					? balls.length > 0
						? `${plural(balls.length, 'ball')} weighed: leave it empty if those are all`
						: 'Count them'
					: `Counted: ${plain(counted)}`}
				inputmode="numeric"
				class="w-44"
				disabled={session.isClosed}
			/>
			<button
				type="button"
				class="button button-main mt-6"
				onclick={finish}
				disabled={session.isClosed || (count.trim() === '' && balls.length === 0)}>Finish dividing</button
			>
			<button
				type="button"
				class="button mt-6"
				aria-pressed={isLeftover}
				onclick={() => (isLeftover = !isLeftover)}
				disabled={session.isClosed}
				>{leftover
					? `Leftover ${fixed(leftover.grams, decimals)} g: again`
					: 'Weigh what is left over'}</button
			>
			{#if !leftover}
				<button
					type="button"
					class="button mt-6"
					onclick={() => session.weigh({ what: 'leftover', lineId: null, grams: 0, by: 'typed' })}
					disabled={session.isClosed}>Nothing left over</button
				>
			{/if}
		</div>
		{#if halves.length > 0}
			<details class="mt-4">
				<summary class="min-h-8 cursor-pointer font-semibold">By halves</summary>
				<p class="text-quiet text-sm">
					Halve the dough again and again, each time on the scale: no ball is weighed alone, and all are
					alike.
				</p>
				<table class="ledger mt-1 max-w-md">
					<thead
						><tr
							><th class="number">Balls</th><th class="number">Each</th><th class="number"
								>From {plain(target_g, 1)} g</th
							></tr
						></thead
					>
					<tbody>
						{#each halves as half, nth (nth)}
							<tr>
								<td class="number">{plain(half.balls)}</td>
								<td class="number">{fixed(half.ball_g, 1)}<span class="unit">g</span></td>
								<td class="number"
									>{half.off > 0 ? '+' : ''}{fixed(100 * half.off, 0)}<span class="unit">%</span></td
								>
							</tr>
						{/each}
					</tbody>
				</table>
			</details>
		{/if}
	</section>
	<PackHolds
		{board}
		{decimals}
		label={data.station.label}
		packPieces={session.batch.packPieces}
		uptake_g={session.facts ? session.facts.yield.uptake_g / session.facts.yield.pieces : 0}
		pastLosses={data.pastLosses}
	/>
</div>
<Next
	to="/batches/{session.batch.id}/cook"
	word={rest ? 'Rest, then cook' : 'Cook'}
	ready={counted !== null}
	cautions={['Raw dough is not for tasting. Cover the balls; the first made is cooked first.']}
/>
