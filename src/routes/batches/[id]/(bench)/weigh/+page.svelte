<script lang="ts">
	import { weightDoubt } from '$core/bench/doubt.ts';
	import type { Entry } from '$core/bench/entries.ts';
	import { restFactor, weighInLine } from '$core/bench/weigh-in.ts';
	import { useSession } from '$lib/batch/bench/session.svelte.ts';
	import { fixed, plain } from '$lib/format.ts';
	import LotPick from '$lib/ui/bench/LotPick.svelte';
	import Scale from '$lib/ui/bench/Scale.svelte';
	import { dock } from '$lib/scale/dock.svelte.ts';
	import Next from '../Next.svelte';

	let { data } = $props();
	const session = useSession();
	const decimals = $derived(Math.max(0, -Math.floor(Math.log10(data.scaleDivision_g))));

	/** The lines of the mix, and how each stands on the scale. */
	const lines = $derived(
		session.batch.lines
			.filter((line) => line.use === 'dough')
			.map((line) => {
				const readings = session.bench.readings('line', line.id);
				const standing = weighInLine(
					line.planned_g,
					session.bench.factorOf(line.id),
					readings.map((reading) => reading.grams),
					data.scaleDivision_g
				);
				const isKept = session.bench.kept.has(line.id) && readings.length > 0;
				// Where the formula names no amount, whatever was weighed is what was wanted.
				const isFree = line.toWeigh && readings.length > 0;
				return {
					...line,
					readings,
					...standing,
					isDone: standing.state === 'there' || isKept || isFree,
					isKept
				};
			})
	);
	/** The line the person chose, while it is still to be looked at. */
	let chosen = $state<string | null>(null);
	const current = $derived(
		lines.find((line) => line.id === chosen) ?? lines.find((line) => !line.isDone) ?? null
	);
	const isOver = $derived(
		current !== null && current.state === 'over' && !current.isKept && !current.toWeigh
	);
	const left = $derived(lines.filter((line) => !line.isDone).length);
	/** What lies on the scale and was not taken yet. */
	const onScale_g = $derived(dock.connected ? Math.max(0, dock.net_g ?? 0) : 0);
	/** A reading that is to be taken again after some was taken out. */
	let again = $state<{ lineId: string; corrects: string } | null>(null);

	function take(grams: number, by: 'scale' | 'typed'): void {
		if (!current) return;
		const corrects = again?.lineId === current.id ? again.corrects : null;
		session.weigh({
			what: 'line',
			lineId: current.id,
			grams,
			by,
			corrects,
			lotId: lotOf(current.ingredient)
		});
		again = null;
		// The next line that is not done comes by itself.
		chosen = null;
	}
	/** The lot that was said of an ingredient, by ingredient id; '' or none for the oldest. */
	let lots = $state<Record<string, string>>({});
	const lotOf = (ingredient: string) => lots[ingredient] || null;
	function takeSomeOut(): void {
		const last = current?.readings.at(-1);
		if (!current || !last) return;
		again = { lineId: current.id, corrects: last.id };
		chosen = current.id;
		// What was set to zero after it belongs to the reading again.
		if (last.by === 'scale' && dock.connected) dock.setTare(Math.max(0, dock.tare_g - last.grams));
	}
	function scaleRest(): void {
		if (!current || current.weighed_g === null) return;
		const factor = restFactor(current.target_g, current.weighed_g);
		if (factor === null) return;
		const rest = lines.filter((line) => line.id !== current.id && line.readings.length === 0);
		session.happened({ name: 'rest scaled', factor, lineIds: rest.map((line) => line.id) });
		session.happened({ name: 'line kept', lineId: current.id });
		chosen = null;
	}
	function keep(): void {
		if (current) session.happened({ name: 'line kept', lineId: current.id });
		chosen = null;
	}
	const isLine = (entry: Entry) => entry.kind === 'weighing' && entry.what === 'line';
	const doubtful = (grams: number) =>
		!current || current.toWeigh || again
			? null
			: weightDoubt(grams, current.target_g, { inParts: true, already_g: current.weighed_g ?? 0 });
	/** The reading taken last, and what else it may have been: what is still to weigh comes first. */
	const last = $derived.by(() => {
		const entry = session.bench.last(isLine);
		const line = entry?.kind === 'weighing' ? lines.find(({ id }) => id === entry.lineId) : undefined;
		if (entry?.kind !== 'weighing' || entry.grams === null || !line) return null;
		const others = lines.filter(({ id }) => id !== line.id);
		const offered = [...others.filter(({ isDone }) => !isDone), ...others.filter(({ isDone }) => isDone)];
		return { entry, line, others: offered.slice(0, MOST_OFFERED) };
	});
	/** Lines a reading is moved to by one press. */
	const MOST_OFFERED = 5;
	const MARK = { 'to weigh': '', under: 'more', there: 'there', over: 'over' } as const;
</script>

<svelte:head><title>Weigh in · {session.batch.name} · Square Batch</title></svelte:head>

<div class="grid gap-x-8 gap-y-5 md:grid-cols-[18rem_minmax(0,1fr)]">
	<div class="md:sticky md:top-12 md:self-start">
		<Scale
			of={current ? current.name : 'nothing: every line is weighed'}
			target_g={current && !current.toWeigh ? current.target_g : null}
			tolerance_g={current?.tolerance_g ?? 0}
			already_g={again ? 0 : (current?.weighed_g ?? 0)}
			least_g={Math.max(2 * data.scaleDivision_g, (current?.target_g ?? 0) * 0.02)}
			division_g={data.scaleDivision_g}
			containers={data.containers}
			zeroAfter
			{doubtful}
			disabled={session.isClosed || current === null || (isOver && !again)}
			ontake={take}
			onundo={session.canUndo(isLine) ? () => session.undo(isLine) : null}
		/>
	</div>
	<div class="min-w-0">
		{#if current}
			<section aria-labelledby="line-now" class="border-ink bg-sheet border px-5 py-4">
				<p class="text-quiet text-sm">
					{current.stage || 'Into the bowl'}, {left === 1 ? 'the last line' : `${plain(left)} lines to go`}
				</p>
				<h2 id="line-now" class="text-3xl leading-tight break-words" data-testid="line-now">
					{current.name}
				</h2>
				{#if current.toWeigh}
					<p class="mt-1 text-lg">As much as it takes: the formula names no amount, so weigh what goes in.</p>
				{:else if isOver && !again}
					<p class="text-loss mt-1 text-lg font-semibold">
						<span class="figure">{fixed(-current.missing_g, decimals)}</span> g more than the
						<span class="figure">{plain(current.target_g, decimals)}</span> g wanted.
					</p>
					<div class="mt-3 flex flex-wrap gap-2">
						<button type="button" class="button" onclick={keep}>Keep it</button>
						<button type="button" class="button" onclick={scaleRest}>Scale the rest to it</button>
						<button type="button" class="button" onclick={takeSomeOut}>Take some out</button>
					</div>
					<p class="text-quiet mt-2 text-sm">
						Scaling the rest multiplies what is still to weigh by
						<span class="figure">{plain(restFactor(current.target_g, current.weighed_g ?? 0) ?? 1, 3)}</span>;
						what is in already stays as it is.
					</p>
				{:else if again}
					<p class="mt-1 text-lg">Take some out, then take the reading of this line again.</p>
				{:else}
					<p class="mt-1 text-lg" data-testid="to-add">
						Add <b class="figure text-2xl">{fixed(Math.max(0, current.missing_g - onScale_g), decimals)}</b>
						g{current.weighed_g === null
							? ''
							: `: ${plain(current.weighed_g, decimals)} g are in`}{current.most_g === null
							? ''
							: `, up to ${plain(current.most_g, decimals)} g by feel`}
					</p>
					{#if current.readings.length > 0}
						<button type="button" class="button mt-3" onclick={keep}>Enough: go on</button>
					{/if}
				{/if}
				<div class="mt-3 max-w-md">
					<LotPick
						lots={data.lots}
						ingredientId={current.ingredient}
						bind:value={() => lots[current.ingredient] ?? '', (lot) => (lots[current.ingredient] = lot)}
						day={session.batch.madeOn}
					/>
				</div>
			</section>
		{:else}
			<p class="border-squared bg-sheet border-l-4 px-4 py-3 text-lg" role="status">
				Every line of the mix is weighed. What is added by feel while mixing is weighed at the next station.
			</p>
		{/if}

		{#if last && !session.isClosed && last.others.length > 0}
			<p class="mt-3 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm" data-testid="last-reading">
				<span
					>Last: <b class="figure">{plain(last.entry.grams ?? 0, decimals)}</b> g of {last.line.name}. Or it
					was</span
				>
				{#each last.others as other (other.id)}
					<button
						type="button"
						class="min-h-11 font-semibold underline sm:min-h-8"
						aria-label="It was {other.name}"
						onclick={() => {
							session.move(last.entry, other.id);
							chosen = null;
						}}>{other.name}</button
					>
				{/each}
			</p>
		{/if}
		<h2 class="mt-5">The mix</h2>
		<ul class="mt-1" aria-label="Lines of the mix">
			{#each lines as line (line.id)}
				<li class="border-rule border-b">
					<button
						type="button"
						class={[
							'flex min-h-11 w-full items-center gap-3 px-2 text-left',
							current?.id === line.id ? 'bg-action-pale' : 'hover:bg-sheet'
						]}
						aria-current={current?.id === line.id ? 'step' : undefined}
						onclick={() => (chosen = line.id)}
					>
						<svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true" class="shrink-0">
							<rect
								x="1.5"
								y="1.5"
								width="13"
								height="13"
								class={line.isDone ? 'fill-squared stroke-squared' : 'stroke-edge fill-none'}
								stroke-width="1.5"
							/>
						</svg>
						<span class="min-w-0 flex-1 break-words">{line.name}</span>
						<span class="text-quiet text-sm">
							{line.isKept && line.state !== 'there'
								? 'kept'
								: line.toWeigh
									? ''
									: MARK[line.state]}{line.readings.some((reading) => session.isWaiting(reading.id))
								? ' · waiting'
								: ''}
						</span>
						<span class="figure min-w-40 text-right whitespace-nowrap">
							{line.weighed_g === null ? '' : fixed(line.weighed_g, decimals)}
							<span class="text-quiet">{line.toWeigh ? '' : `/ ${fixed(line.target_g, decimals)}`} g</span>
						</span>
					</button>
				</li>
			{/each}
		</ul>
	</div>
</div>
<Next
	to="/batches/{session.batch.id}/mix"
	word="Mix and rest"
	ready={left === 0}
	cautions={['Raw flour and raw dough are not eaten: no tasting before it is cooked.']}
/>
