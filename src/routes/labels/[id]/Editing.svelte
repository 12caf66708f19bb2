<script lang="ts">
	import { controlIn } from '$lib/form/control.ts';
	import { enhance } from '$app/forms';
	import {
		contactBlocks,
		declarationBlocks,
		labelBlocks,
		shelfLifeBlocks,
		type Block
	} from '$core/label/blocks.ts';
	import { toAsk } from '$core/label/to-ask.ts';
	import { compareLabels } from '$core/label/compare.ts';
	import type { RulesName } from '$core/formula/types.ts';
	import { gtinProblem } from '$core/label/barcode.ts';
	import { labelContent } from '$core/label/content.ts';
	import { borneOut } from '$core/label/shelf-life.ts';
	import { layoutLabel } from '$core/label/layout.ts';
	import { lostAllergenWords, worded } from '$core/label/wording.ts';
	import { derivePlan } from '$core/plan.ts';
	import { plural } from '$lib/format.ts';
	import { bestBefore } from '$lib/label/marks.ts';
	import { draftId, labelDraft, typedDesign, type LabelDraft } from '$lib/label/draft.ts';
	import type { Label } from '$lib/label/types.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import Stale from '$lib/ui/Stale.svelte';
	import { recordForm } from '$lib/form/record-form.svelte.ts';
	import Bag from './Bag.svelte';
	import Card from './Card.svelte';
	import { labelDifferences } from './differences.ts';
	import Differences from './Differences.svelte';
	import ItsBatches from './ItsBatches.svelte';
	import PackCheck from './PackCheck.svelte';
	import Revisions from './Revisions.svelte';
	import { LABEL_PARTS, missingByPart, partOfField, type LabelPartName } from '$core/label/parts.ts';
	import { labelText } from '$core/label/text.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import Why from '$lib/ui/facts/Why.svelte';
	import { partOfPath, PART_WORDS } from './parts.ts';
	import { tick, untrack } from 'svelte';
	import ShelfTests from './ShelfTests.svelte';
	import Taken from './Taken.svelte';
	import Waits from './Waits.svelte';
	import type { PageData } from './$types';

	/** A label edited on the bag, beside what it is worked out from. */
	interface Props {
		data: PageData;
		label: Label;
	}
	let { data, label }: Props = $props();
	const RULES: { rules: RulesName; text: string }[] = [
		{ rules: 'us', text: 'United States' },
		{ rules: 'eu', text: 'European Union and United Kingdom' }
	];
	/** Keeps the rule set that was asked for through every form. */
	const asked = $derived(data.rules === data.kitchen.rules ? '' : `&rules=${data.rules}`);
	const form = recordForm<Label, LabelDraft>({
		saved: 'Label saved',
		fresh: () => data.draft,
		draftOf: (theirs) =>
			labelDraft(draftId(theirs.product.id, theirs.plainRecipe.rules), theirs.version, theirs.design)
	});
	const approval = draftForm<Label>({ saved: 'Approved' });

	const design = $derived(typedDesign(form.draft, label.design));
	/** Bars of the number that is typed, once the server has them. */
	let bars = $state.raw<number[] | null>(untrack(() => label.content?.barcode?.bars ?? null));
	$effect(() => {
		const { barcode } = design;
		if (gtinProblem(barcode) !== null) bars = null;
		else if (barcode === label.content?.barcode?.digits) ({ bars } = label.content.barcode);
		else
			void fetch(`/labels/bars.json?digits=${barcode}`)
				.then((answer) => answer.json() as Promise<number[] | null>)
				.then((found) => {
					if (barcode === design.barcode) bars = found;
				})
				// Without an answer the number is still saved, and drawn when the page is read again.
				.catch(() => (bars = null));
	});
	const plain = $derived(label.plainRecipe);
	const facts = $derived.by(() => {
		const outcome = derivePlan(worded(plain, design), label.cookLoss);
		return outcome.ok ? outcome.value : null;
	});
	const content = $derived(
		facts
			? labelContent(plain.rules, facts, plain.product, design, {
					mayContain: label.contact.accepted,
					profile: label.profile,
					bars
				})
			: null
	);
	const marks = $derived({
		code: data.batches[0]?.code ?? '',
		bestBefore:
			design.bestBeforeDays === null
				? ''
				: bestBefore(
						data.batches[0]?.madeOn ?? data.today,
						design.bestBeforeDays,
						design.dateKind ?? 'best before'
					)
	});
	/** As it prints: what does not fit is told from it. */
	const printed = $derived(content ? layoutLabel(content, design.declared_g ?? 1, marks) : null);
	const blocks = $derived<Block[]>(
		facts
			? [
					...labelBlocks(plain, facts, design, label.profile, label.choices),
					...shelfLifeBlocks(design, borneOut(label.shelfTests, 'baked')),
					...declarationBlocks(design.declared_g, label.recommended?.meanPack_g ?? null),
					...contactBlocks(label.contact)
				]
			: label.blocks
	);
	const missing = $derived(missingByPart(blocks));
	/** As it is edited: what is missing stands in its place. */
	const laid = $derived(
		content ? layoutLabel(content, design.declared_g ?? 1, marks, { ...missing, pack: [] }) : null
	);
	const misfits = $derived(printed?.problems ?? []);
	const packMissing = $derived([...(missing.pack ?? []), ...misfits]);
	const waits = $derived(blocks.length + misfits.length);
	const names = $derived(
		Object.fromEntries(rulesOf(plain.rules).figures.map((figure) => [figure.key, figure.name]))
	);

	/** What the card beside the bag shows: a part to change, or a figure to explain. */
	let open = $state<LabelPartName | null>(null);
	let asking = $state('');
	let card = $state<HTMLElement>();
	let opener: HTMLElement | null = null;
	let isAllOpen = $state(false);
	let explained = $state('');
	async function show(part: LabelPartName | null, figure = '', field = '') {
		if (!card?.contains(document.activeElement)) opener = document.activeElement as HTMLElement | null;
		[open, asking] = [part, figure];
		await tick();
		const at = field === '' ? card : (card?.querySelector(`[data-field="${field}"]`) ?? card);
		(controlIn(at) ?? card)?.focus();
	}
	function close() {
		[open, asking] = [null, ''];
		opener?.focus();
	}
	const goToField = (field: NonNullable<Block['field']>) => show(partOfField(field), '', field);
	function explain(figure: string) {
		[explained, isAllOpen] = [figure, true];
	}
	// Another label is opened with nothing of it pressed.
	const labelId = $derived(form.draft.id);
	$effect(() => {
		void labelId;
		[open, asking] = [null, ''];
	});
	// What was refused is shown at its place, also where that is not open.
	$effect(() => {
		const parts = form.problems.flatMap(({ path }) => partOfPath(path) ?? []);
		const [first] = parts;
		const shown = untrack(() => open);
		if (first && !(shown && parts.includes(shown))) void show(first);
	});
	/** Parts that the bag shows already are pressed there, where it is beside what is pressed. */
	const drawn = $derived(new Set(laid?.parts.map(({ part }) => part)));
	const ALWAYS: readonly LabelPartName[] = ['list', 'date', 'barcode', 'panel', 'pack'];
	const newest = $derived(label.revisions[0]);
	const changes = $derived(newest && content ? compareLabels(newest.content, content) : []);
	const touched = $derived(JSON.stringify(form.draft) !== JSON.stringify(data.draft));
	const wordingErrors = $derived(
		Object.fromEntries(
			plain.ingredients.flatMap((ingredient) => {
				const wording = design.wording[ingredient.id]?.trim();
				const [lost] = wording ? lostAllergenWords(ingredient, plain.rules, wording) : [];
				return lost ? [[ingredient.id, `loses the word ${lost}, an allergen of it`]] : [];
			})
		)
	);
</script>

<svelte:head><title>Label: {label.product.name} · Square Batch</title></svelte:head>
<svelte:window onkeydown={form.saveByKey} />
<p class="text-sm"><a href="/labels">Labels</a></p>
<div class="flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1>{label.product.name}</h1>
		<p class="text-quiet">
			packs of {label.product.packPieces},
			<a href="/formulas/{label.product.formulaId}">formula version {label.formulaNumber}</a>{newest
				? `, label revision ${newest.number} approved`
				: ', never approved'}
		</p>
		<nav class="mt-1 flex flex-wrap gap-x-4 text-sm" aria-label="Rule sets">
			{#each RULES as each (each.rules)}
				{#if each.rules === data.rules}<b aria-current="page">{each.text}</b>
				{:else}<a
						href="/labels/{label.product.id}{each.rules === data.kitchen.rules ? '' : `?rules=${each.rules}`}"
						>{each.text}{data.begun.includes(each.rules) || each.rules === data.kitchen.rules
							? ''
							: ': begin one'}</a
					>{/if}
			{/each}
		</nav>
	</div>
	<div>
		<div class="flex flex-wrap justify-end gap-2">
			<form
				method="POST"
				action="?/save{asked}"
				use:enhance={form.enhance}
				bind:this={form.element}
				aria-label="Design of the label"
			>
				<input type="hidden" name="draft" value={JSON.stringify(form.draft)} />
				<button
					class={['button', touched && 'button-main', open && open !== 'contact' && 'max-xl:hidden']}
					disabled={form.saving}>Save</button
				>
			</form>
			<form method="POST" action="?/approve{asked}" use:enhance={approval.enhance}>
				<input type="hidden" name="draft" value={JSON.stringify({ version: label.version })} />
				<button
					class={['button', !touched && 'button-main']}
					disabled={approval.saving ||
						touched ||
						label.version === 0 ||
						waits > 0 ||
						!content ||
						(newest !== undefined && changes.length === 0)}
					>Approve as revision {(newest?.number ?? 0) + 1}</button
				>
			</form>
		</div>
		<p class="mt-1 text-right text-sm">
			{#if touched}<span class="text-quiet">not saved yet{waits > 0 ? '; ' : ''}</span>{/if}
			{#if waits > 0}<span class="text-attention-ink"
					>{plural(waits, 'thing is', 'things are')} missing{laid ? ', dashed on the bag' : ''}</span
				>{/if}
		</p>
	</div>
</div>
<Problems problems={approval.problems} />
<Problems problems={form.problems} />
{#if form.theirs}
	<Stale
		differences={labelDifferences(
			form.draft,
			form.theirs,
			(id) => plain.ingredients.find((each) => each.id === id)?.name ?? ''
		)}
		ontake={form.takeTheirs}
		onkeep={form.saveMine}
	/>
{/if}

<div class="mt-4 grid grid-cols-[minmax(0,1fr)] gap-8 xl:grid-cols-[minmax(0,1fr)_minmax(22rem,28rem)]">
	<div class="min-w-0">
		{#if laid && content && facts}
			<Bag
				{laid}
				text={labelText(content)}
				size={design.size}
				face={design.face_mm}
				{packMissing}
				{names}
				{open}
				asked={asking}
				onpart={(part) => show(part)}
				onask={(figure) => show(null, figure)}
			/>
			{@const reason = facts.serving ? rulesOf(plain.rules).servingReason(facts, plain.product) : ''}
			{#if reason}<p class="text-quiet mt-2 max-w-prose text-sm">{reason}</p>{/if}
		{:else}
			<p>Nothing can be drawn yet: the formula does not derive. What keeps it is said beside.</p>
		{/if}
	</div>
	<div class="min-w-0 space-y-6">
		{#if open || asking}
			<Card
				bind:element={card}
				part={open}
				figure={asking}
				bind:draft={form.draft}
				at={form.at}
				{label}
				{design}
				{facts}
				{wordingErrors}
				{asked}
				currency={data.kitchen.currency}
				saving={form.saving}
				onsave={() => form.element?.requestSubmit()}
				onclose={close}
				sure={data.who?.rights.includes('look')
					? `/sure/label/${label.product.id}${asked.replace('&', '?')}`
					: ''}
				onexplain={explain}
			/>
		{/if}
		<nav class="flex flex-wrap gap-2" aria-label="Parts of the label">
			{#each LABEL_PARTS as part (part)}
				<button
					type="button"
					class={[
						'button',
						open === part && 'bg-action-pale',
						missing[part] && 'border-attention text-attention-ink border-dashed',
						drawn.has(part) && !ALWAYS.includes(part) && 'xl:hidden'
					]}
					aria-pressed={open === part}
					data-part={part}
					onclick={() => show(part)}>{PART_WORDS[part]}</button
				>
			{/each}
		</nav>
		<Waits
			{blocks}
			asks={facts ? toAsk(plain.rules, facts, design) : []}
			{misfits}
			{touched}
			isSaved={label.version > 0}
			formulaId={label.product.formulaId}
			onfield={goToField}
		/>
		<ItsBatches batches={data.batches} />
		<Taken
			taken={label.taken}
			nameOf={(id) => plain.ingredients.find((each) => each.id === id)?.name ?? ''}
		/>
	</div>
</div>
{#if facts}
	<Why
		bind:open={isAllOpen}
		bind:asked={explained}
		{facts}
		recipe={plain}
		sources={label.sources}
		currency={data.kitchen.currency}
		record={touched ? '' : `/labels/${label.product.id}/record${asked.replace('&', '?')}`}
	/>
{/if}
{#if newest && changes.length > 0}
	<section class="mt-8 max-w-4xl" aria-labelledby="changes-heading">
		<h2 id="changes-heading" class="text-loss">Revision {newest.number} is out of date</h2>
		<p class="text-quiet text-sm">What would read differently on the bag:</p>
		<Differences differences={changes} before="revision {newest.number}" after="now" />
	</section>
{/if}
<ShelfTests
	tests={label.shelfTests}
	today={data.today}
	{asked}
	ontake={(days) => {
		form.draft.bestBeforeDays = String(days);
		void goToField('bestBeforeDays');
	}}
/>
<PackCheck
	rules={plain.rules}
	declared_g={design.declared_g}
	ballBasis={label.ballBasis}
	ballWeight_g={label.product.ballWeight_g}
	lotPacks={data.batches.find(({ packsMade }) => packsMade > 0)?.packsMade ?? null}
	checks={data.checks}
	checkId={data.checkId}
	{asked}
/>
<Revisions
	approvedBy={data.approvedBy}
	id={label.product.id}
	{asked}
	revisions={label.revisions}
	batches={data.batches}
	isOutOfDate={changes.length > 0}
	printer={data.printer}
	jobs={data.jobs}
	jobId={data.jobId}
/>
<p class="caution mt-8">
	Your own authority decides what has to stand here, how large, and whether this food may be sold this way. A
	shelf life is what you have tested and it accepts: nothing here predicts safety.
</p>
