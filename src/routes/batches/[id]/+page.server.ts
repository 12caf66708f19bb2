import type { Batch } from '$lib/batch/types.ts';
import { batchFor, lotsFor as shapedLots, may, staleFor } from '$lib/server/edge/shapes.ts';
import { cleanForm, closeForm, minutesForm, voidForm } from '$lib/server/edge/batch.ts';
import { recordCleans, voidClean } from '$lib/server/contact/cleans.ts';
import { decide } from '$lib/server/contact/decide.ts';
import { decisionForm } from '$lib/server/edge/contact.ts';
import { contactOfBatch } from '$lib/server/contact/read.ts';
import { closeBatch, correctBatch } from '$lib/server/batches/close.ts';
import { listEquipment } from '$lib/server/equipment.ts';
import { cookedAs, cookLossHistory, usualMixGap } from '$lib/server/batches/history.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { tellingOf } from '$lib/server/batches/standing.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { lotsFor } from '$lib/server/lots/read.ts';
import { batchForm, batchInput } from '$lib/server/edge/batch.ts';
import { profitOfBatches } from '$lib/server/costs/profit.ts';
import { noteMinutes, workingOfBatch } from '$lib/server/costs/working.ts';
import { orNotFound, saving } from '$lib/server/edge/actions.ts';
import { salesOfBatch } from '$lib/server/sales/ledger.ts';
import { knownPage } from '$lib/server/page.ts';
import type { Actions, PageServerLoad } from './$types';
import { closersOf, enteredBy } from '$lib/server/people/deeds.ts';

export const load: PageServerLoad = ({ locals, params }) =>
	knownPage(locals, `batch ${params.id}`, () => readPage(locals, params.id));

async function readPage(locals: App.Locals, id: string) {
	const { db, kitchen } = locals;
	const batch = await orNotFound(getBatch(db, kitchen, id));
	const [contact, equipment, batches, sales, lots, profits, working] = await Promise.all([
		contactOfBatch(db, kitchen, batch),
		listEquipment(db, kitchen.id),
		tellingOf(db, kitchen, batch.formulaId),
		may(locals, 'ledger') ? salesOfBatch(db, kitchen.id, batch.id) : null,
		lotsFor(db, kitchen.id, batch),
		may(locals, 'ledger') ? profitOfBatches(db, kitchen, [batch.id]) : null,
		workingOfBatch(db, kitchen.id, batch.id)
	]);
	const earlier = batches.filter((each) => each.id !== batch.id && each.madeOn <= batch.madeOn);
	return {
		batch: batchFor(locals, batch),
		/** Cook loss to expect, from the formula's earlier batches. */
		expectedLoss: cookLossHistory(cookedAs(earlier, batch)).get(batch.formulaId) ?? null,
		contact,
		usualGap: usualMixGap(earlier),
		closedBy: await closersOf(db, kitchen.id, batch.id),
		/** Who stood at the bench. */
		enteredBy: await enteredBy(db, kitchen.id, batch.id),
		/** What is in use, and what this batch touched though it is not any more. */
		equipment: equipment.filter((each) => !each.retired || batch.equipment.includes(each.id)),
		scaleDivision_g: kitchen.scaleDivision_g,
		/** Null for who may not see the ledger. */
		sales: sales?.map((sale) => (may(locals, 'customers') ? sale : { ...sale, customer: '' })) ?? null,
		profit: profits?.get(batch.id) ?? null,
		working,
		/** What may be drawn from, oldest first. */
		lots: shapedLots(locals, lots)
	};
}

const orStale = (locals: App.Locals, act: () => Promise<unknown>) =>
	staleFor((batch: Batch) => batchFor(locals, batch), act);

export const actions: Actions = {
	record: saving(batchForm, async ({ locals, params }, form) => {
		const { db, kitchen } = locals;
		await orStale(locals, () => recordBatch(db, kitchen, params.id, form.version, batchInput(form)));
	}),
	correct: saving(batchForm, async ({ locals, params }, form) => {
		const { db, kitchen } = locals;
		await orStale(locals, () =>
			correctBatch(db, kitchen, params.id, form.version, batchInput(form), form.reason)
		);
	}),
	close: saving(closeForm, async ({ locals, params }, { version, reason }) => {
		const { db, kitchen } = locals;
		await orStale(locals, () => closeBatch(db, kitchen, params.id, version, reason));
	}),
	minutes: saving(minutesForm, async ({ locals: { db, kitchen }, params }, { heat, hands }) => {
		await noteMinutes(db, kitchen.id, params.id, { heat_min: heat, hands_min: hands });
	}),
	clean: saving(cleanForm, async ({ locals: { db, kitchen } }, { id, ...clean }) => {
		await recordCleans(db, kitchen.id, id, clean);
	}),
	voidClean: saving(voidForm, async ({ locals: { db, kitchen } }, { id, reason }) => {
		await voidClean(db, kitchen.id, id, reason);
	}),
	decide: saving(decisionForm, async ({ locals: { db, kitchen }, params }, decision) => {
		const batch = await getBatch(db, kitchen, params.id);
		await decide(db, kitchen.id, batch.productId, await contactOfBatch(db, kitchen, batch), decision);
	})
};
