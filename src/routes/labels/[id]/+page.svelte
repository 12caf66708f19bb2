<script lang="ts">
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
	import { bestBefore } from '$lib/label/marks.ts';
	import { draftId, labelDraft, typedDesign, type LabelDraft } from '$lib/label/draft.ts';
	import type { Label } from '$lib/label/types.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import Stale from '$lib/ui/Stale.svelte';
	import { recordForm } from '$lib/form/record-form.svelte.ts';
	import Design from './Design.svelte';
	import Drawn from './Drawn.svelte';
	import { labelDifferences } from './differences.ts';
	import Differences from './Differences.svelte';
	import Proposals from '$lib/ui/contact/Proposals.svelte';
	import PackCheck from './PackCheck.svelte';
	import Revisions from './Revisions.svelte';
	import { untrack } from 'svelte';
	import ShelfTests from './ShelfTests.svelte';
	import Taken from './Taken.svelte';
	import { goToField } from './go-to-field.ts';
	import Waits from './Waits.svelte';

	let { data } = $props();
	const RULES: { rules: RulesName; text: string }[] = [
		{ rules: 'us', text: 'United States' },
		{ rules: 'eu', text: 'European Union and United Kingdom' }
	];
	const label = $derived(data.label);
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
	let bars = $state.raw<number[] | null>(untrack(() => data.label.content?.barcode?.bars ?? null));
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
	const laid = $derived(
		content
			? layoutLabel(content, design.declared_g ?? 1, {
					code: data.batches[0]?.code ?? '',
					bestBefore:
						design.bestBeforeDays === null
							? ''
							: bestBefore(data.batches[0]?.madeOn ?? data.today, design.bestBeforeDays)
				})
			: null
	);
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
	<form method="POST" action="?/approve{asked}" use:enhance={approval.enhance}>
		<input type="hidden" name="draft" value={JSON.stringify({ version: label.version })} />
		<button
			class="button button-main"
			disabled={approval.saving ||
				touched ||
				label.version === 0 ||
				blocks.length > 0 ||
				(laid?.problems.length ?? 1) > 0 ||
				(newest !== undefined && changes.length === 0)}
			>Approve as revision {(newest?.number ?? 0) + 1}</button
		>
	</form>
</div>
<Problems problems={approval.problems} />
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

<div class="mt-4 grid grid-cols-[minmax(0,1fr)] gap-8 xl:grid-cols-[minmax(0,1fr)_auto]">
	<div class="order-2 min-w-0 xl:order-1">
		<Waits
			{blocks}
			asks={facts ? toAsk(plain.rules, facts, design) : []}
			misfits={laid?.problems ?? []}
			{touched}
			isSaved={label.version > 0}
		/>
		<Taken
			taken={label.taken}
			nameOf={(id) => plain.ingredients.find((each) => each.id === id)?.name ?? ''}
		/>
		{#if newest && changes.length > 0}
			<section class="mt-6" aria-labelledby="changes-heading">
				<h2 id="changes-heading" class="text-loss">Revision {newest.number} is out of date</h2>
				<p class="text-quiet text-sm">What would read differently on the bag:</p>
				<Differences differences={changes} before="revision {newest.number}" after="now" />
			</section>
		{/if}
		<form
			method="POST"
			action="?/save{asked}"
			use:enhance={form.enhance}
			bind:this={form.element}
			class="mt-6 max-w-3xl"
			aria-label="Design of the label"
		>
			<input type="hidden" name="draft" value={JSON.stringify(form.draft)} />
			<Problems problems={form.problems} />
			<Design
				bind:draft={form.draft}
				at={form.at}
				{wordingErrors}
				ingredients={plain.ingredients}
				rules={plain.rules}
				profile={label.profile}
				recommended={label.recommended}
				perPiece={facts?.cost.perPiece ?? null}
				packPieces={data.label.product.packPieces}
				currency={data.kitchen.currency}
			/>
			<button class="button button-main mt-4" disabled={form.saving}>Save</button>
			{#if touched}<span class="text-quiet ml-2 text-sm">not saved yet</span>{/if}
		</form>
		<section
			class="border-rule mt-8 border-t pt-4"
			aria-labelledby="contact-heading"
			data-field="contact"
			tabindex="-1"
		>
			<h2 id="contact-heading">What may have come along</h2>
			<p class="text-quiet mt-1 max-w-prose text-sm">
				From batches of the last weeks that shared equipment, from what is always about in the kitchen, and
				from what packs of ingredients say. What you say on the label stays on it until you take it off.
			</p>
			<Proposals
				{asked}
				contact={label.contact}
				nothing="Nothing is proposed. Note the equipment and the time of each batch, and what packs of ingredients say they may contain, so that something can be."
			/>
		</section>
		<ShelfTests
			tests={label.shelfTests}
			today={data.today}
			{asked}
			ontake={(days) => {
				form.draft.bestBeforeDays = String(days);
				goToField('bestBeforeDays');
			}}
		/>
		<PackCheck
			rules={plain.rules}
			declared_g={design.declared_g}
			ballBasis={label.ballBasis}
			ballWeight_g={label.product.ballWeight_g}
			lotPacks={data.batches[0]?.packsMade ?? null}
			checks={data.checks}
			checkId={data.checkId}
			{asked}
		/>
		<Revisions
			id={label.product.id}
			{asked}
			revisions={label.revisions}
			batches={data.batches}
			isOutOfDate={changes.length > 0}
			printer={data.printer}
			jobs={data.jobs}
			jobId={data.jobId}
		/>
	</div>
	<div class="order-1 xl:order-2">
		<p class="text-quiet mb-2 text-sm">
			Press a part to change it. True size where the screen is wide enough: {design.size.width_mm} × {design
				.size.height_mm} mm
		</p>
		{#if laid && content && facts}
			<Drawn
				drawing={laid.drawing}
				parts={laid.parts}
				onpart={goToField}
				{content}
				{facts}
				recipe={plain}
				sources={label.sources}
				currency={data.kitchen.currency}
				record={touched ? '' : `/labels/${label.product.id}/record${asked.replace('&', '?')}`}
			/>
		{:else}
			<p>Nothing can be drawn yet: the formula does not derive.</p>
		{/if}
	</div>
</div>
<p class="caution mt-8">
	Your own authority decides what has to stand here, how large, and whether this food may be sold this way. A
	shelf life is what you have tested and it accepts: nothing here predicts safety.
</p>
