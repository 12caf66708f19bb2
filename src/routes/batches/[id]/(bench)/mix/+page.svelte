<script lang="ts">
	import Choice from '$lib/ui/control/Choice.svelte';
	import { weightDoubt } from '$core/bench/doubt.ts';
	import { stepTaken, timerOf } from '$core/bench/timers.ts';
	import { askToNotify } from '$lib/batch/bench/alarm.ts';
	import { clock } from '$lib/batch/bench/clock.svelte.ts';
	import { clockText, timesText } from '$lib/batch/bench/time.ts';
	import { useSession } from '$lib/batch/bench/session.svelte.ts';
	import { fixed, plain } from '$lib/format.ts';
	import LotPick from '$lib/ui/bench/LotPick.svelte';
	import Scale from '$lib/ui/bench/Scale.svelte';
	import { plannedRecipe } from '$lib/batch/plan.ts';
	import { openedHydration } from '$core/formula/mix.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import Next from '../Next.svelte';

	let { data } = $props();
	const session = useSession();
	const time = clock();
	const decimals = $derived(Math.max(0, -Math.floor(Math.log10(data.scaleDivision_g))));

	/** What the scale is weighing: the whole dough, or something added by feel. */
	let weighing = $state('dough');
	const lines = $derived(session.batch.lines.filter((line) => line.use === 'dough'));
	const added = $derived(lines.find((line) => line.id === weighing) ?? null);
	const dough = $derived(session.bench.readings('dough').at(-1) ?? null);
	const weighedIn_g = $derived(lines.reduce((sum, line) => sum + (line.weighed_g ?? line.planned_g), 0));
	const unweighed = $derived(lines.filter((line) => line.weighed_g === null));

	const hydration = ({ formula, ingredients }: Recipe) =>
		openedHydration(formula.lines, ingredients, data.mixes);
	const planned = $derived(hydration(plannedRecipe(data.batch)));
	const now = $derived(hydration(session.batch.recipe));

	function take(grams: number, by: 'scale' | 'typed'): void {
		if (added) {
			session.weigh({ what: 'line', lineId: added.id, grams, by, lotId: lots[added.ingredient] || null });
			return;
		}
		// The dough weighed again takes the place of what it weighed before.
		session.weigh({ what: 'dough', lineId: null, grams, by, corrects: dough?.id ?? null });
	}
	/** The lot that was said of an ingredient, by ingredient id. */
	let lots = $state<Record<string, string>>({});
	const isMine = (entry: { kind: string; what?: string; lineId?: string | null }) =>
		entry.kind === 'weighing' &&
		(added ? entry.what === 'line' && entry.lineId === added.id : entry.what === 'dough');

	const steps = $derived(
		data.station.steps.map((step, index) => {
			const went = session.bench.steps.get(index) ?? { begunAt: null, endedAt: null };
			const isOn = went.begunAt !== null && went.endedAt === null;
			return {
				...step,
				index,
				...went,
				isOn,
				timer: isOn && went.begunAt ? timerOf(step, went.begunAt, time.now) : null,
				taken: went.begunAt && went.endedAt ? stepTaken(step, went.begunAt, went.endedAt) : null
			};
		})
	);
	function begin(index: number): void {
		askToNotify();
		session.happened({ name: 'step begun', step: index });
	}
	const off = (minutes: number) =>
		minutes < 0 ? `${clockText(minutes)} before its time` : `${clockText(minutes)} after its time`;
	const isTimed = (step: (typeof steps)[number]) => step.minutesLow !== null || step.minutesHigh !== null;
</script>

<svelte:head><title>Mix and rest · {session.batch.name} · Square Batch</title></svelte:head>

<div class="grid gap-x-8 gap-y-5 md:grid-cols-[18rem_minmax(0,1fr)]">
	<div class="md:sticky md:top-12 md:self-start">
		<Choice
			label="What is weighed"
			class="mb-3"
			bind:value={weighing}
			options={[
				{ value: 'dough', text: 'The whole dough' },
				...lines.map((line) => ({ value: line.id, text: `${line.name}, added by feel` }))
			]}
		/>
		{#if added}
			<div class="mb-3">
				<LotPick
					lots={data.lots}
					ingredientId={added.ingredient}
					bind:value={() => lots[added.ingredient] ?? '', (lot) => (lots[added.ingredient] = lot)}
					day={session.batch.madeOn}
				/>
			</div>
		{/if}
		<Scale
			of={added ? `${added.name}, added by feel` : 'the whole dough'}
			least_g={added ? 2 * data.scaleDivision_g : Math.max(20, weighedIn_g / 2)}
			division_g={data.scaleDivision_g}
			containers={data.containers}
			zeroAfter={added !== null}
			disabled={session.isClosed}
			doubtful={(grams) => (added ? null : weightDoubt(grams, weighedIn_g))}
			ontake={take}
			onundo={session.canUndo(isMine) ? () => session.undo(isMine) : null}
		/>
	</div>
	<div class="min-w-0 space-y-5">
		<section aria-labelledby="dough-now" class="border-rule bg-sheet border px-5 py-3">
			<h2 id="dough-now" class="sr-only">The dough now</h2>
			<dl class="flex flex-wrap gap-x-10 gap-y-2">
				<div>
					<dt class="text-quiet text-sm">Weighed in</dt>
					<dd class="figure text-2xl">{fixed(weighedIn_g, decimals)}<span class="unit">g</span></dd>
				</div>
				<div>
					<dt class="text-quiet text-sm">Dough</dt>
					<dd class="figure text-2xl" data-testid="dough">
						{dough ? fixed(dough.grams, decimals) : '–'}<span class="unit">g</span>
					</dd>
				</div>
				{#if now !== null && planned !== null}
					<div>
						<dt class="text-quiet text-sm">Hydration, planned {plain(planned, 1)} %</dt>
						<dd class="figure text-2xl" data-testid="hydration">
							{fixed(now, 1)}<span class="unit">%</span>
						</dd>
					</div>
				{/if}
			</dl>
			{#if unweighed.length > 0}
				<p class="text-attention-ink mt-2 text-sm font-semibold">
					Not weighed yet: {unweighed.map((line) => line.name).join(', ')}.
					<a href="/batches/{session.batch.id}/weigh">Weigh in</a>
				</p>
			{/if}
			{#if session.batch.mixGap === 'evaporation'}
				<p class="caution mt-2">
					Dough made with boiling water burns until it has cooled. Weigh it cooled: what steams off is water.
				</p>
			{/if}
		</section>

		<section aria-labelledby="steps-heading">
			<h2 id="steps-heading">Steps and rests</h2>
			{#if steps.length === 0}
				<p class="text-quiet mt-1">
					The formula names no steps. <a href="/formulas/{session.batch.formulaId}">Write them down</a>, and
					their timers are here.
				</p>
			{/if}
			<ol class="mt-1" aria-label="Steps">
				{#each steps as step (step.index)}
					<li
						class={[
							'border-rule flex flex-wrap items-center gap-x-4 gap-y-1 border-b px-2 py-2',
							step.isOn && 'bg-action-pale'
						]}
					>
						<div class="min-w-0 flex-1 basis-64">
							<p class="font-semibold break-words">{step.text}</p>
							<p class="text-quiet text-sm">
								{[
									timesText(step),
									step.temperature_c === null ? '' : `${plain(step.temperature_c)} °C`,
									step.cue
								]
									.filter(Boolean)
									.join(' · ')}
							</p>
						</div>
						{#if step.timer}
							<p class="text-right" data-testid="timer">
								<b class="figure text-2xl">{clockText(step.timer.elapsed_min)}</b>
								<span
									class={[
										'block text-sm font-semibold',
										step.timer.state === 'early' ? 'text-quiet' : 'text-attention-ink'
									]}
									>{step.timer.state === 'late'
										? `${clockText(step.timer.toLongest_min ?? 0)} over`
										: step.timer.state === 'early'
											? `${clockText(step.timer.toShortest_min ?? 0)} to go`
											: isTimed(step)
												? 'may end now'
												: 'going on'}</span
								>
							</p>
							<button
								type="button"
								class="button button-main"
								onclick={() => session.happened({ name: 'step ended', step: step.index })}
								disabled={session.isClosed}>End<span class="sr-only"> {step.text}</span></button
							>
						{:else}
							{#if step.taken}
								<p class="text-right text-sm">
									took <b class="figure">{clockText(step.taken.taken_min)}</b>
									{#if step.taken.off_min !== 0}<span class="text-quiet block">{off(step.taken.off_min)}</span
										>{/if}
								</p>
							{/if}
							<button
								type="button"
								class="button"
								onclick={() => begin(step.index)}
								disabled={session.isClosed}
								>{step.taken ? 'Again' : 'Begin'}<span class="sr-only"> {step.text}</span></button
							>
						{/if}
					</li>
				{/each}
			</ol>
			{#if steps.some((step) => step.kind === 'rest balls' || step.kind === 'divide')}
				<p class="text-quiet mt-2 text-sm">
					Balls rest one after the other: the one made first is rolled and cooked first.
				</p>
			{/if}
		</section>
	</div>
</div>
<Next
	to="/batches/{session.batch.id}/divide"
	word="Divide"
	ready={dough !== null}
	cautions={data.station.cautions.filter((caution) => /raw|boil/i.test(caution))}
/>
