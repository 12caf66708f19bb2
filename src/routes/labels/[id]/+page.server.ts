import { labelFor } from '$lib/server/edge/shapes.ts';
import {
	approveForm,
	checkForm,
	manyForm,
	printForm,
	rollForm,
	shelfDayForm,
	shelfTestForm
} from '$lib/server/edge/label.ts';
import { redirect } from '@sveltejs/kit';
import { orNotFound, saving, withDraft } from '$lib/server/edge/actions.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { lookForJobs } from '$lib/server/jobs/taking.ts';
import { askForLabels } from '$lib/server/labels/many.ts';
import type { PrinterState } from '$lib/label/printer.ts';
import { listPrintJobs, printOnRoll, takeAsFile } from '$lib/server/labels/print-jobs.ts';
import { labelPrinter, type LabelPrinter } from '$lib/server/print/printer.ts';
import { refuse } from '$lib/server/errors.ts';
import { listPackChecks, recordPackCheck } from '$lib/server/labels/pack-checks.ts';
import { newId } from '$lib/server/rows.ts';
import { decide } from '$lib/server/contact/decide.ts';
import { decisionForm } from '$lib/server/edge/contact.ts';
import { labelDesign, labelForm } from '$lib/server/edge/label.ts';
import { draftId, labelDraft } from '$lib/label/draft.ts';
import { approveLabel } from '$lib/server/labels/approve.ts';
import { RECENT_BATCHES } from '$lib/server/batches/standing.ts';
import { getLabel } from '$lib/server/labels/read.ts';
import { heldBatches } from '$lib/server/labels/held.ts';
import { labelRules, underRules } from '$lib/server/labels/rules.ts';
import { today } from '$lib/server/kitchens.ts';
import { beginShelfTest, noteShelfDay } from '$lib/server/labels/shelf-tests.ts';
import { saveLabel } from '$lib/server/labels/save.ts';
import { listBatches } from '$lib/server/batches/read.ts';
import type { Actions, PageServerLoad } from './$types';
import { whoDid } from '$lib/server/people/deeds.ts';

/** So many batches are offered for printing. */
const LISTED_BATCHES = 20;

export const load: PageServerLoad = async ({ locals, params, url }) => {
	const { db, kitchen: home } = locals;
	const kitchen = underRules(home, url);
	const label = await orNotFound(getLabel(db, kitchen, params.id));
	const ofFormula = await listBatches(db, kitchen, {
		formulaId: label.product.formulaId,
		newest: RECENT_BATCHES
	});
	const batches = ofFormula
		.filter((batch) => batch.recorded && batch.productId === params.id)
		.slice(0, LISTED_BATCHES);
	const held = await heldBatches(
		db,
		home,
		batches.map(({ id }) => id)
	);
	const shaped = labelFor(locals, label);
	return {
		label: shaped.label,
		/** In its place for who may not see its formula. */
		seen: shaped.seen,
		rules: kitchen.rules,
		/** Who approved each revision. */
		approvedBy: await whoDid(
			db,
			kitchen.id,
			'label_revisions',
			label.revisions.map(({ id }) => id)
		),
		/** Rule sets under which a label of it was begun. */
		begun: await labelRules(db, kitchen.id, params.id),
		printer: await printerState(),
		jobs: await listPrintJobs(db, kitchen, params.id),
		/** Of the next job on the label printer: one sent twice prints what is missing. */
		jobId: newId(),
		checks: await listPackChecks(db, kitchen.id, params.id),
		/** Of the next check: one sent twice is one. */
		checkId: newId(),
		draft: labelDraft(draftId(params.id, kitchen.rules), label.version, label.design),
		batches: batches.map(({ id, code, madeOn, packsMade, packsLeft, labelNumber }) => ({
			id,
			code,
			madeOn,
			packsMade,
			packsLeft,
			labelNumber,
			held: held.get(id) ?? []
		}))
	};
};

/** What the label printer says of itself, or why it says nothing; null where there is none. */
async function printerState(): Promise<{ state: PrinterState | null; trouble: string } | null> {
	const printer = labelPrinter();
	if (!printer) return null;
	return printer
		.state()
		.then((state) => ({ state, trouble: '' }))
		.catch((error: unknown) => ({ state: null, trouble: error instanceof Error ? error.message : '' }));
}

function thePrinter(): LabelPrinter {
	return labelPrinter() ?? refuse('', 'there is no label printer');
}

export const actions: Actions = {
	print: async ({ locals: { db, kitchen: home }, params, request, url }) =>
		withDraft(request, printForm, async (job) => ({
			outcome: await printOnRoll(db, underRules(home, url), thePrinter(), params.id, job)
		})),
	take: saving(printForm, async ({ locals: { db, kitchen: home }, params, url }, job) => {
		await takeAsFile(db, underRules(home, url), params.id, job);
	}),
	many: ({ locals, params, request, url }) =>
		withDraft(request, manyForm, async (form) => {
			const { db, kitchen: home } = locals;
			await askForLabels(db, underRules(home, url), whoIn(locals).personId, params.id, form);
			lookForJobs();
			redirect(303, `/jobs/${form.id}`);
		}),
	roll: saving(rollForm, async (_, { width, height, labels }) => {
		await thePrinter().load({ width_mm: width, height_mm: height, labels });
	}),
	save: saving(labelForm, async ({ locals: { db, kitchen: home }, params, url }, form) => {
		await saveLabel(db, underRules(home, url), params.id, form.version, labelDesign(form));
	}),
	check: saving(
		checkForm,
		async ({ locals: { db, kitchen: home }, params, url }, { id, declared, lot, packs }) => {
			if (packs.length === 0) refuse('packs', 'weigh at least one pack');
			if (packs.length > lot) refuse('lot', `less than the ${packs.length} packs weighed`);
			await orNotFound(getLabel(db, underRules(home, url), params.id));
			await recordPackCheck(db, home.id, {
				id,
				productId: params.id,
				declared_g: declared,
				lotPacks: lot,
				packs_g: packs
			});
		}
	),
	shelfTest: saving(shelfTestForm, async ({ locals: { db, kitchen: home }, params, url }, test) => {
		await orNotFound(getLabel(db, underRules(home, url), params.id));
		if (test.madeOn > today(home)) refuse('madeOn', 'this day is still to come');
		await beginShelfTest(db, home.id, { ...test, productId: params.id });
	}),
	shelfDay: saving(shelfDayForm, async ({ locals: { db, kitchen: home }, params }, day) => {
		await noteShelfDay(db, home.id, params.id, day);
	}),
	decide: saving(decisionForm, async ({ locals: { db, kitchen: home }, params, url }, decision) => {
		const { contact } = await getLabel(db, underRules(home, url), params.id);
		await decide(db, home.id, params.id, contact, decision);
	}),
	approve: async ({ locals: { db, kitchen: home }, params, request, url }) =>
		withDraft(request, approveForm, async ({ version }) => ({
			number: await approveLabel(db, underRules(home, url), params.id, version)
		}))
};
