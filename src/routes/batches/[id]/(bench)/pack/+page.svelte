<script lang="ts">
	import { looseLeft } from '$core/bench/short-packs.ts';
	import DayField from '$lib/ui/control/DayField.svelte';
	import { weightDoubt } from '$core/bench/doubt.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import type { Counted } from '$core/bench/entries.ts';
	import { checkPacks } from '$core/netquantity/check.ts';
	import { readCount } from '$core/measure/reading.ts';
	import { useSession } from '$lib/batch/bench/session.svelte.ts';
	import { dayText, fixed, plain, plural } from '$lib/format.ts';
	import { bestBefore, dateAfter } from '$lib/label/marks.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Scale from '$lib/ui/bench/Scale.svelte';
	import Held from '$lib/ui/Held.svelte';
	import Next from '../Next.svelte';
	import { untrack } from 'svelte';

	let { data } = $props();
	const session = useSession();
	const batch = $derived(session.batch);
	const label = $derived(data.station.label);
	const decimals = $derived(Math.max(0, -Math.floor(Math.log10(data.scaleDivision_g))));

	const FIELDS: { of: Counted; label: string }[] = [
		{ of: 'sellable', label: 'Sellable pieces' },
		{ of: 'packs', label: 'Packs closed' },
		{ of: 'loose', label: 'Loose pieces' }
	];
	const standing = $derived({ sellable: batch.sellable, packs: batch.packs, loose: batch.loose });
	type Field = keyof typeof standing;
	let typed = $state<Record<Field, string>>(
		untrack(() => ({
			sellable: batch.sellable === null ? '' : String(batch.sellable),
			packs: batch.packs === null ? '' : String(batch.packs),
			loose: batch.loose === null ? '' : String(batch.loose)
		}))
	);
	let errors = $state<Partial<Record<Field, string>>>({});
	function record(): void {
		const read = FIELDS.map(({ of }) => ({ of: of as Field, text: typed[of as Field] })).map(
			({ of, text }) => ({
				of,
				result: text.trim() === '' ? null : readCount(text)
			})
		);
		errors = Object.fromEntries(
			read.flatMap(({ of, result }) => (result && !result.ok ? [[of, result.message]] : []))
		);
		if (Object.keys(errors).length > 0) return;
		for (const { of, result } of read) {
			const count = result?.ok ? result.value : null;
			if (count !== standing[of]) session.happened({ name: 'counted', of, count });
		}
	}
	/** What the counts come to, against what was made. */
	const doubts = $derived.by(() => {
		const found: string[] = [];
		const { ballCount, rejects, sellable, packs, loose, packPieces } = batch;
		if (sellable !== null && ballCount !== null && sellable + rejects !== ballCount)
			found.push(
				`${plain(ballCount)} made, ${plain(rejects)} rejected: ${plain(ballCount - rejects)} sellable would square, and ${plain(sellable)} were counted`
			);
		if (sellable !== null && packs !== null && loose !== null && packs * packPieces + loose !== sellable)
			found.push(
				`${plural(packs, 'pack')} of ${plain(packPieces)} and ${plain(loose)} loose are ${plural(packs * packPieces + loose, 'piece')}, and ${plain(sellable)} were counted`
			);
		return found;
	});

	const left = $derived(looseLeft(batch.loose, session.bench.shortPacks, batch.packPieces));
	const isShort = (entry: { kind: string; happening?: { name: string } }) =>
		entry.kind === 'event' && entry.happening?.name === 'short pack';
	const packs = $derived(session.bench.readings('pack').map((reading) => reading.grams));
	const check = $derived(
		label ? checkPacks(rulesOf(data.kitchen.rules).packs, label.declared_g, packs) : null
	);
	const isPack = (entry: { kind: string; what?: string }) =>
		entry.kind === 'weighing' && entry.what === 'pack';
	const day = $derived(session.bench.bestBefore);
	let typedDay = $state('');
</script>

<svelte:head><title>Count and pack · {session.batch.name} · Square Batch</title></svelte:head>

<!-- First at every width: on a phone it would stand below the scale. -->
{#if data.station.held.length > 0}
	<div class="mb-4"><Held reasons={data.station.held} productId={batch.productId} /></div>
{/if}
<div class="grid gap-x-8 gap-y-5 md:grid-cols-[17rem_minmax(0,1fr)]">
	<div class="md:sticky md:top-12 md:self-start">
		<Scale
			of={`pack ${plain(packs.length + 1)}, without its bag`}
			target_g={label?.declared_g ?? null}
			tolerance_g={Math.max(data.scaleDivision_g, (label?.declared_g ?? 0) * 0.02)}
			least_g={(label?.declared_g ?? batch.ballWeight_g) * 0.4}
			division_g={data.scaleDivision_g}
			containers={data.containers}
			disabled={session.isClosed}
			doubtful={(grams) => weightDoubt(grams, label?.declared_g ?? 0)}
			ontake={(grams, by) => session.weigh({ what: 'pack', lineId: null, grams, by })}
			onundo={session.canUndo(isPack) ? () => session.undo(isPack) : null}
		/>
		<p class="text-quiet mt-2 text-sm">Put an empty bag on and press Tare: what is declared is the bread.</p>
	</div>
	<div class="min-w-0 space-y-6">
		<section aria-labelledby="count-heading">
			<h2 id="count-heading">Count</h2>
			<form
				class="mt-1 flex flex-wrap items-start gap-3"
				onsubmit={(event) => {
					event.preventDefault();
					record();
				}}
			>
				{#each FIELDS as { of, label: words } (of)}
					<Field
						label={words}
						bind:value={typed[of as Field]}
						error={errors[of as Field] ?? ''}
						inputmode="numeric"
						class="w-36"
						disabled={session.isClosed}
					/>
				{/each}
				<button class="button button-main mt-6" disabled={session.isClosed}>Record the counts</button>
			</form>
			<p class="text-quiet mt-1 text-sm">
				{batch.ballCount === null ? 'Balls not counted' : `${plural(batch.ballCount, 'ball')} made`}, {plain(
					batch.rejects
				)} rejected, packs of {plain(batch.packPieces)}. Count what lies there, not what should.
			</p>
			{#each doubts as doubt, nth (nth)}<p class="text-attention-ink mt-1 font-semibold">{doubt}.</p>{/each}
			{#if data.sellsShort && (left > 0 || session.bench.shortPacks.length > 0)}
				<div class="mt-2" data-testid="short-packs">
					{#if session.bench.shortPacks.length > 0}
						<p>
							Made up: {session.bench.shortPacks.map((pieces) => `a short pack of ${pieces}`).join(', ')}.
							<button
								type="button"
								class="min-h-9 px-1 underline"
								disabled={session.isClosed || !session.canUndo(isShort)}
								onclick={() => session.undo(isShort)}>Undo the last</button
							>
						</p>
					{/if}
					{#if left > 0}
						<button
							type="button"
							class="button"
							disabled={session.isClosed}
							onclick={() => session.happened({ name: 'short pack', pieces: left })}
							>Make the {plural(left, 'loose piece')} up into a short pack</button
						>
					{/if}
					<p class="caution mt-1 max-w-prose">
						A short pack is not what the label says: mark on it how many are in it and what it weighs, with
						its allergens and date, or sell it open where your local rules let you.
					</p>
				</div>
			{/if}
			{#if batch.packs !== null && doubts.length === 0}
				<p class="text-squared mt-1 font-semibold" role="status" data-testid="counted">
					{plural(batch.packs, 'pack')} can be sold.
				</p>
				{#if data.ordered}
					<p class="mt-1" data-testid="set-aside">
						{plural(data.ordered.packs, 'pack')}
						{data.ordered.packs === 1 ? 'is' : 'are'} ordered for {dayText(data.ordered.day)}, {data.ordered
							.place}: set {data.ordered.packs === 1 ? 'it' : 'them'} aside.
					</p>
				{/if}
			{/if}
		</section>

		<section aria-labelledby="packs-heading">
			<h2 id="packs-heading">Pack weights</h2>
			{#if !label}
				<p class="mt-1">
					No label is approved for it, so no weight is declared.
					<a href="/labels/{batch.productId}">See what the label still wants</a>
				</p>
			{:else if !check}
				<p class="text-quiet mt-1">
					Label revision {plain(label.number)} declares <b class="figure">{plain(label.declared_g)}</b> g. Weigh
					packs of the batch, without their bags, and they are held against it.
				</p>
			{:else}
				<ul class="mt-1 flex flex-wrap gap-x-4" aria-label="Packs weighed">
					{#each packs as grams, index (index)}
						<li class={['figure', check.tooShort.includes(index) && 'text-loss font-bold']}>
							{fixed(grams, decimals)}{check.tooShort.includes(index) ? ' short' : ''}
						</li>
					{/each}
				</ul>
				<p class="mt-1" data-testid="pack-check">
					{plural(packs.length, 'pack')}, on average
					<b class="figure">{fixed(Math.abs(check.meanError_g), 1)}</b> g
					{check.meanError_g < 0 ? 'below' : 'above'} the
					<b class="figure">{plain(label.declared_g)}</b> g that label revision {plain(label.number)} declares.
					{#if check.passesOwn}
						<b class="text-squared">They hold.</b>
					{:else}
						<b class="text-loss">They do not hold: make the packs heavier, or declare less.</b>
					{/if}
				</p>
				<p class="text-quiet text-sm">
					The whole test, with its arithmetic, is on the <a href="/labels/{batch.productId}">label</a>.
				</p>
			{/if}
		</section>

		<section aria-labelledby="keeps-heading">
			<h2 id="keeps-heading">Best before, label and cleaning</h2>
			<p class="mt-1">
				{#if day}
					{bestBefore(day, 0, label?.dateKind).replace(/ \d.*/, '')} <b>{dateAfter(day, 0)}</b>, as set for
					this batch.
				{:else if label?.bestBeforeDays !== null && label?.bestBeforeDays !== undefined}
					{bestBefore(batch.madeOn, label.bestBeforeDays, label.dateKind)}: {plural(
						label.bestBeforeDays,
						'day'
					)} after making, as the label has it.
				{:else}
					<span class="text-quiet">The label prints no best-before day.</span>
				{/if}
			</p>
			<form
				class="mt-2 flex flex-wrap items-end gap-3"
				onsubmit={(event) => {
					event.preventDefault();
					if (typedDay) session.happened({ name: 'best before', day: typedDay });
				}}
			>
				<DayField
					label="Another day for this batch"
					bind:value={typedDay}
					min={batch.madeOn}
					class="w-48"
					disabled={session.isClosed}
				/>
				<button class="button" disabled={session.isClosed || typedDay === ''}>Set it</button>
				{#if day}
					<button
						type="button"
						class="button"
						disabled={session.isClosed}
						onclick={() => session.happened({ name: 'best before', day: null })}>As the label has it</button
					>
				{/if}
			</form>
			<p class="caution mt-2">
				A shelf life is what you have tested and your authority accepts: it is noted here, not predicted.
			</p>
			<p class="mt-3 flex flex-wrap gap-2">
				<a class="button" href="/labels/{batch.productId}"
					>{label ? `Label, revision ${plain(label.number)}` : 'Label'}</a
				>
				<a class="button" href="/batches/{batch.id}#day-heading">Record the cleaning</a>
			</p>
		</section>
	</div>
</div>
<Next
	to="/batches/{batch.id}"
	word="Square"
	ready={batch.packs !== null && batch.sellable !== null}
	cautions={['Cool pieces before closing the pack: trapped steam brings mould.']}
/>
