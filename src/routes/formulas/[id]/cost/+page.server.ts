import type { Supposable } from '$core/cost/what-if.ts';
import type { Working } from '$core/cost/whole.ts';
import { partsOfFormula, planFacts, recipeOf } from '$lib/formula/recipe.ts';
import { cookLossHistory, wasMade } from '$lib/server/batches/history.ts';
import { listBatches } from '$lib/server/batches/read.ts';
import { listSummaries, RECENT_BATCHES } from '$lib/server/batches/standing.ts';
import type { BatchSummary } from '$lib/batch/summary.ts';
import { feeOn, listFees } from '$lib/server/costs/fees.ts';
import { costPoints } from '$lib/server/costs/moves.ts';
import { listRates, ratesOn } from '$lib/server/costs/rates.ts';
import { workingOfBatch } from '$lib/server/costs/working.ts';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { listEquipment } from '$lib/server/equipment.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import { today } from '$lib/server/kitchens.ts';
import type { Kitchen } from '$lib/kitchen/types.ts';
import type { Batch } from '$lib/batch/types.ts';
import type { Database } from '$lib/server/db/connection.ts';
import type { Formula } from '$lib/formula/types.ts';
import { channelsUsed } from '$lib/server/sales/ledger.ts';
import { readCoreShelf } from '$lib/server/shelf.ts';
import type { PageServerLoad } from './$types';

const NO_WORKING: Working = { heat_min: null, hands_min: null, power_kw: null };

/** What is costed and supposed otherwise: the newest batch made, or the plan before there is one. */
interface Base extends Supposable {
	batch: { id: string; code: string; madeOn: string } | null;
	rejects: number;
	/** As they were counted; null for a plan. */
	packs: number | null;
	working: Working;
}

async function baseOf(
	db: Database,
	kitchen: Kitchen,
	formula: Formula,
	batches: Batch[],
	summaries: BatchSummary[]
): Promise<Base | null> {
	const made = batches.find((batch) => wasMade(batch) && batch.facts?.cost.perPiece);
	if (made?.facts) {
		const { facts, recipe, id, code, madeOn } = made;
		return {
			batch: { id, code, madeOn },
			recipe,
			doughWeight_g: facts.yield.doughWeight_g,
			pieces: facts.yield.pieces,
			ballWeight_g: facts.yield.ballWeight_g,
			rejects: facts.yield.pieces - facts.yield.sellable,
			packs: made.packsMade,
			working: await workingOfBatch(db, kitchen.id, id)
		};
	}
	const product = formula.products[0];
	if (!product || formula.number === 0) return null;
	const parts = partsOfFormula(kitchen, formula, product, await readCoreShelf(db, kitchen, today(kitchen)));
	const planned = planFacts(parts, cookLossHistory(summaries).get(formula.id) ?? null);
	if (!planned.ok) return null;
	const { doughWeight_g, pieces, ballWeight_g } = planned.value.yield;
	return {
		batch: null,
		recipe: recipeOf(parts),
		doughWeight_g,
		pieces,
		ballWeight_g,
		rejects: 0,
		packs: null,
		working: NO_WORKING
	};
}

/** What a formula's product costs, where the money goes, how that moved, and what if it were otherwise. */
export const load: PageServerLoad = async ({ locals: { db, kitchen }, params }) => {
	const formula = await orNotFound(getFormula(db, kitchen.id, params.id));
	const day = today(kitchen);
	const [batches, summaries, rates, fees, channels, equipment] = await Promise.all([
		listBatches(db, kitchen, { formulaId: formula.id, newest: RECENT_BATCHES }),
		listSummaries(db, kitchen, { formulaId: formula.id, newest: RECENT_BATCHES }),
		listRates(db, kitchen.id),
		listFees(db, kitchen.id),
		channelsUsed(db, kitchen.id),
		listEquipment(db, kitchen.id)
	]);
	const base = await baseOf(db, kitchen, formula, batches, summaries);
	const names = new Map(equipment.map(({ id, name }) => [id, name]));
	return {
		formula: { id: formula.id, name: formula.name },
		/** Price of a pack as the product asks it. */
		price: formula.products[0]?.price ?? null,
		base,
		rates: ratesOn(rates, base?.batch?.madeOn ?? day),
		places: channels.map((name) => ({ name, fee: feeOn(fees, name, day) })),
		points: costPoints(batches, summaries, (id) => names.get(id) ?? 'other equipment')
	};
};
