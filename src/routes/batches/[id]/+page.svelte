<script lang="ts">
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { enhance } from '$app/forms';
	import { derive } from '$core/derive.ts';
	import type { Facts } from '$core/facts.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import { ribbonFigures } from '$core/ribbon/ribbon.ts';
	import type { Correction, ExplainFigures } from '$core/squaring/likelihood.ts';
	import { unweighedDough } from '$core/bench/batch.ts';
	import { closingFigures } from '$core/bench/closing.ts';
	import { closings } from '$core/squaring/closings.ts';
	import { stockUses, stockUsesAtHand } from '$core/stock/use.ts';
	import { readAgain } from '$lib/read-again.ts';
	import { hear } from '$lib/batch/bench/news.ts';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { onMount, tick } from 'svelte';
	import { BATCH_FIELD, batchDraft, readBatchDraft, type BatchDraft } from '$lib/batch/draft.ts';
	import { ownExercise } from '$core/practice/own.ts';
	import { offBatchOf } from '$lib/practice/off-batch.ts';
	import { planRibbon } from '$lib/batch/ribbons.ts';
	import type { Batch } from '$lib/batch/types.ts';
	import { plural } from '$lib/format.ts';
	import { recordForm } from '$lib/form/record-form.svelte.ts';
	import Checks from '$lib/ui/control/Checks.svelte';
	import DayField from '$lib/ui/control/DayField.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import TimeField from '$lib/ui/control/TimeField.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import Stale from '$lib/ui/Stale.svelte';
	import BatchFacts from './BatchFacts.svelte';
	import Closing from './Closing.svelte';
	import { corrected } from './corrected.ts';
	import Day from './Day.svelte';
	import Head from './Head.svelte';
	import Square from './Square.svelte';
	import BatchCost from './BatchCost.svelte';
	import BatchLots from './BatchLots.svelte';
	import BatchSales from './BatchSales.svelte';
	import { batchDifferences } from './differences.ts';
	import WeighedLines from './WeighedLines.svelte';

	let { data } = $props();
	const batch = $derived(data.batch);

	const form = recordForm<Batch, BatchDraft>({
		saved: 'Batch recorded',
		fresh: () => batchDraft(data.batch),
		draftOf: batchDraft
	});
	/** How many times over the batch is being read again: what is shown is not what is kept then. */
	let readingAgain = $state(0);
	// What another device, or this one at a station, adds to the batch is read again; what is typed here stays.
	onMount(() => {
		const refresh = (id: string) => {
			if (id !== data.batch.id) return;
			readingAgain += 1;
			void readAgain().finally(() => (readingAgain -= 1));
		};
		const off = [hear((news) => refresh(news.batchId)), outbox.onkept(refresh)];
		return () => off.forEach((each) => each());
	});
	const draft = $derived(form.draft);
	const isClosed = $derived(batch.closed.length > 0);

	const reading = $derived(readBatchDraft(draft, batch, isClosed));
	const outcome = $derived(reading.recipe ? derive(reading.recipe) : null);
	let last = $state.raw<{ facts: Facts; recipe: Recipe } | null>(null);
	$effect.pre(() => {
		if (outcome?.ok && reading.recipe) last = { facts: outcome.value, recipe: reading.recipe };
	});
	const live = $derived(
		outcome?.ok && reading.recipe ? { facts: outcome.value, recipe: reading.recipe } : last
	);
	const impossible = $derived(outcome && !outcome.ok ? outcome.problems : []);
	const error = (path: string) =>
		reading.errors[path] ??
		impossible.find((problem) => BATCH_FIELD[problem.path] === path)?.message ??
		form.at(path);
	const waiting = $derived(
		outcome?.ok
			? ''
			: impossible.length > 0
				? 'These figures cannot be: see the marked field.'
				: 'The figures wait for the marked fields.'
	);

	const plan = $derived(planRibbon(batch, data.expectedLoss));
	const edited = $derived(JSON.stringify(draft) !== JSON.stringify(batchDraft(batch)));
	const touched = $derived(batch.recorded || edited);
	const actual = $derived(live && touched ? ribbonFigures(live.recipe, live.facts, batch.packsSold) : null);
	/** The lines as they are typed: one that nobody weighed is not weighed by being planned. */
	const typedLines = $derived(
		batch.lines.map((line, index) => ({ ...line, weighed_g: reading.lines_g[index] ?? null }))
	);
	/** What the lots gave; with what is typed, what they will give. */
	const uses = $derived.by(() => {
		if (!edited || !live) return stockUses(batch.stock, batch.lines, batch.packsMade);
		return stockUsesAtHand(batch.stock, typedLines, reading.packs ?? 0, data.lots);
	});
	const figures = $derived(
		closingFigures(
			live?.recipe ?? batch.recipe,
			live?.facts ?? batch.facts,
			{
				...(reading.recipe ? reading : batch),
				unweighedLines: touched ? unweighedDough(typedLines).length : 0,
				stock: uses
			},
			data.scaleDivision_g
		)
	);
	/** What a stage that is off is held against. */
	const explained = $derived<ExplainFigures>({
		...figures,
		lines: batch.lines.flatMap((line, index) => {
			const weighed = (live?.recipe ?? batch.recipe).formula.lines[index];
			return weighed?.use === 'dough' && reading.lines_g[index] !== null
				? [{ id: line.id, name: line.name, recorded_g: weighed.used_g, planned_g: line.planned_g }]
				: [];
		}),
		containers: data.equipment.flatMap(({ name, tare_g }) => (tare_g === null ? [] : [{ name, tare_g }])),
		usualGap: data.usualGap
	});
	/**
	 * Puts right what an explanation names and nothing else: on an open batch that is recorded at once, and what else
	 * is typed here stays typed.
	 */
	async function correct(corrections: Correction[], words: string) {
		corrected(form.draft, corrections);
		if (isClosed) {
			form.draft.reason = words;
			await tick();
			form.element?.querySelector<HTMLInputElement>('[data-field="reason"] input')?.focus();
			return;
		}
		const named = batchDraft(batch);
		corrected(named, corrections);
		await form.saveOnly(named);
	}
	const marks = $derived(live && touched ? closings(figures) : batch.closings);
	const nameOf = $derived(new Map(data.equipment.map(({ id, name }) => [id, name])));
	const differences = $derived(
		form.theirs ? batchDifferences(draft, form.theirs, batch, (id) => nameOf.get(id) ?? 'equipment') : []
	);
</script>

<svelte:head><title>{batch.name} {batch.code} · Square Batch</title></svelte:head>
<svelte:window onkeydown={form.saveByKey} />

<Head {batch} {actual} {plan} {marks} />

<section class="mt-4" aria-labelledby="square-heading">
	<h2 id="square-heading">
		{isClosed ? `Closed on ${dayTextOf(batch.closed[0]?.closedAt ?? '')}` : 'Does it square?'}
	</h2>
	<Square figures={explained} oncorrect={correct} />
	<Closing
		version={batch.version}
		waiting={readingAgain > 0 || outbox.waiting.some((each) => each.batchId === batch.id)}
		closed={batch.closed}
		closedBy={data.closedBy}
		squares={batch.closings.every((closing) => closing.state === 'squares')}
		practises={!data.practice &&
			(data.who?.rights.includes('make') ?? false) &&
			ownExercise(offBatchOf(batch)) !== null}
		{edited}
		recorded={batch.recorded}
		currency={data.kitchen.currency}
	/>
</section>

<form
	method="POST"
	action={isClosed ? '?/correct' : '?/record'}
	use:enhance={form.enhance}
	bind:this={form.element}
>
	<input type="hidden" name="draft" value={JSON.stringify(draft)} />
	<Problems problems={form.problems} />
	{#if form.theirs}<Stale {differences} ontake={form.takeTheirs} onkeep={form.saveMine} />{/if}
	<div class="border-rule mt-6 grid gap-x-8 gap-y-6 border-t pt-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
		<div class="min-w-0 space-y-6">
			<section aria-labelledby="when">
				<h2 id="when">When and on what</h2>
				<div class="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
					<DayField label="Made on" bind:value={draft.madeOn} error={error('madeOn')} disabled={isClosed} />
					<TimeField
						label="Begun at"
						bind:value={draft.beganAt}
						error={error('beganAt')}
						disabled={isClosed}
					/>
					<TimeField
						label="Equipment free at"
						bind:value={draft.usedUntil}
						error={error('usedUntil')}
						disabled={isClosed}
						hint="A clean counts after it"
					/>
				</div>
				{#if data.equipment.length > 0}
					<fieldset class="mt-2">
						<legend class="text-sm font-medium">It touches</legend>
						<Checks
							bind:value={draft.equipment}
							options={data.equipment.map((each) => ({ value: each.id, text: each.name }))}
							disabled={isClosed}
						/>
					</fieldset>
				{/if}
				{#if error('equipment')}<p class="text-loss text-sm">{error('equipment')}</p>{/if}
				{#if data.contact.open.length + data.contact.unconfirmed.length > 0}
					<p class="text-attention-ink mt-1 text-sm font-semibold">
						Something may have come along from what was made before it: <a href="#day-heading"
							>decide what the label says</a
						>.
					</p>
				{/if}
			</section>

			<section aria-labelledby="weighed">
				<h2 id="weighed">Weighed in</h2>
				<p class="text-quiet text-sm">
					{batch.recorded
						? 'What the scale said. A changed figure is kept as a correction beside the first.'
						: 'Put in what the scale says. A line left empty is not weighed, whatever was planned of it.'}
					{#if data.enteredBy.length > 0}
						<span data-testid="entered-by"
							>At the bench: {data.enteredBy
								.map(({ name, entries }) => `${name}, ${plural(entries, 'entry', 'entries')}`)
								.join('; ')}.
							<a href="/trace/batch/{batch.id}">Each with who and when</a></span
						>
					{/if}
				</p>
				<WeighedLines {batch} bind:lines={draft.lines} {error} />
				{#if error('lines')}<p class="text-loss text-sm">{error('lines')}</p>{/if}
			</section>

			<section aria-labelledby="dough-balls">
				<h2 id="dough-balls">Dough and balls</h2>
				{#if batch.mixGap === 'evaporation'}<p class="caution mt-1">
						Dough made with boiling water burns until it has cooled. Weigh it cooled.
					</p>{/if}
				<div class="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
					<Field
						label="Dough weight"
						unit="g"
						bind:value={draft.doughWeight}
						error={error('doughWeight')}
						hint="Not weighed: what went in"
					/>
					<Field label="Planned ball" unit="g" bind:value={draft.ballWeight} error={error('ballWeight')} />
					<Field
						label="Balls made"
						bind:value={draft.ballCount}
						error={error('ballCount')}
						inputmode="numeric"
						hint="Not counted: what the dough gives"
					/>
					<Field label="Dough left over" unit="g" bind:value={draft.leftover} error={error('leftover')} />
					<Field
						label="Some balls on the scale, grams with spaces between"
						multiline
						bind:value={draft.ballWeights}
						error={error('ballWeights')}
						hint="Their mean takes the place of the planned ball"
						class="col-span-2 sm:col-span-4"
					/>
				</div>
			</section>

			<section aria-labelledby="cooked">
				<h2 id="cooked">Cooked</h2>
				<p class="caution mt-1">
					A dry griddle runs near 260 °C: tongs, sleeves back, towel away from the flame. Let the pieces cool
					before weighing and before closing a pack; trapped steam brings mould.
				</p>
				<div class="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
					<Field
						label="Some finished pieces, cooled, grams with spaces between"
						multiline
						bind:value={draft.finishedWeights}
						error={error('finishedWeights')}
						class="col-span-2 sm:col-span-4"
					/>
					<Field
						label="Rejects"
						bind:value={draft.rejects}
						error={error('rejects')}
						inputmode="numeric"
						hint="Torn, burnt, tasted, kept"
					/>
					<Field
						label="Sellable pieces, counted"
						bind:value={draft.sellable}
						error={error('sellable')}
						inputmode="numeric"
					/>
					<Field label="Packs closed" bind:value={draft.packs} error={error('packs')} inputmode="numeric" />
					<Field label="Loose pieces" bind:value={draft.loose} error={error('loose')} inputmode="numeric" />
					<Field
						label="Note"
						bind:value={draft.note}
						error={error('note')}
						maxlength={1000}
						class="col-span-2 sm:col-span-4"
					/>
				</div>
			</section>
			<div class="bg-ground border-rule sticky bottom-0 flex flex-wrap items-center gap-3 border-t py-3">
				{#if isClosed}
					<div data-field="reason" class="w-80 max-w-full">
						<Field
							label="Why it is corrected"
							bind:value={draft.reason}
							error={error('reason')}
							maxlength={500}
						/>
					</div>
				{/if}
				<button class="button button-main" disabled={form.saving || (isClosed && !edited)}
					>{isClosed
						? 'Record a correction'
						: batch.recorded
							? 'Save what was measured'
							: 'Record this batch'}</button
				>
				{#if touched && !batch.recorded}<span class="text-quiet text-sm">not recorded yet</span>{/if}
			</div>
		</div>
		<BatchFacts
			facts={live?.facts ?? null}
			recipe={live?.recipe ?? null}
			sources={batch.sources}
			record={edited || !batch.recorded ? '' : `/batches/${batch.id}/record`}
			sure={batch.recorded ? `/sure/batch/${batch.id}` : ''}
			{waiting}
			currency={data.kitchen.currency}
		/>
	</div>
</form>
<Day batchId={batch.id} madeOn={batch.madeOn} equipment={batch.equipment} contact={data.contact} {edited} />
{#if batch.recorded}
	{#if batch.stock.length > 0}<BatchLots stock={batch.stock} {uses} />{/if}
	{#if data.profit}<BatchCost
			{batch}
			profit={data.profit}
			working={data.working}
			currency={data.kitchen.currency}
		/>{/if}
	{#if data.sales}<BatchSales {batch} sales={data.sales} currency={data.kitchen.currency} />{/if}
{/if}
