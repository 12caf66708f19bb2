import { parseDate } from '@internationalized/date';
import { KEPT_BATCHES, LOTS, TOOLS, type Truth } from '$core/practice/truth.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { createBatch } from '../batches/create.ts';
import { setEquipment } from '../batches/equipment.ts';
import { getBatch } from '../batches/read.ts';
import { keepEntries } from '../bench/entries.ts';
import { recordCleans } from '../contact/cleans.ts';
import type { Database } from '../db/connection.ts';
import { createFormula } from '../formulas/keep.ts';
import { getFormula } from '../formulas/read.ts';
import { addIngredient } from '../ingredients.ts';
import { today } from '../kitchens.ts';
import { receiveLot } from '../lots/receive.ts';
import { referenceRows } from '../reference/read.ts';
import { newId } from '../rows.ts';
import type { Laid } from './laid.ts';

/** What a story needs beside its batch. */
export async function layStory(db: Database, kitchen: Kitchen, truth: Truth, laid: Laid): Promise<void> {
	if (truth.slip.slip === 'not cleaned' || truth.slip.slip === 'clean not recorded')
		await afterSesame(db, kitchen, truth, laid);
	if (truth.lots.length > 0) await keptBatches(db, kitchen, truth, laid);
}

/** A sesame bread of this morning on the same tools, and the cleans that were written down. */
async function afterSesame(db: Database, kitchen: Kitchen, truth: Truth, laid: Laid): Promise<void> {
	const day = today(kitchen);
	const row = referenceRows().get('sesame-seed');
	if (!row) throw new Error('there is no sesame among the starting data');
	const sesame = await addIngredient(db, kitchen.id, {
		name: 'Sesame seed',
		kind: row.kind,
		labelUs: row.labelUs,
		labelEu: row.labelEu,
		parts: [],
		allergens: row.allergens,
		confirmedOn: day,
		evidence: 'pack',
		per100g: row.per100g,
		source: 'reference',
		sourceNote: row.source
	});
	const flour = laid.ingredients.get('flour') ?? '';
	const water = laid.ingredients.get('water') ?? '';
	const line = (ingredient: string, used_g: number) =>
		({ ingredient, use: 'dough', stage: null, used_g, uptake_g: null }) as const;
	const id = await createFormula(db, kitchen.id, newId(), {
		name: 'Sesame bread',
		mixGap: 'residue',
		lines: [line(flour, 500), line(water, 300), line(sesame, 60)],
		product: {
			pieceOne: 'bread',
			pieceMany: 'breads',
			category: 'flatbread',
			ballWeight_g: 80,
			packPieces: 4,
			servingPieces: null,
			price: '6.00',
			materials: []
		},
		productId: null
	});
	const productId = (await getFormula(db, kitchen.id, id)).products[0]?.id ?? '';
	const before = await createBatch(db, kitchen, newId(), { productId, madeOn: day, factor: 1 });
	await setEquipment(db, kitchen.id, before, [...laid.equipment.values()]);
	// Of this day, whatever time it is now: early, and before the batch that follows.
	const times = db('batches').where('kitchen_id', kitchen.id);
	await times.clone().where('id', before).update({ began_at: '00:01', used_until: '00:02' });
	await times.clone().where('id', laid.batchId).update({ began_at: '00:05' });
	const noted = TOOLS.filter((name) => truth.tools[name]?.isNoted).map(
		(name) => laid.equipment.get(name) ?? ''
	);
	await recordCleans(db, kitchen.id, newId(), {
		equipment: noted,
		cleanedOn: day,
		at: '00:03',
		how: 'washed with detergent, rinsed, dried'
	});
}

/** Of the week’s batches each drew its flour from the lot that is written down. */
async function keptBatches(db: Database, kitchen: Kitchen, truth: Truth, laid: Laid): Promise<void> {
	const day = today(kitchen);
	const lots = new Map<string, string>();
	for (const [at, supplierCode] of LOTS.entries()) {
		const id = newId();
		await receiveLot(db, kitchen, id, {
			ingredientId: laid.ingredients.get('flour') ?? '',
			material: '',
			supplier: 'The mill',
			supplierCode,
			receivedOn: later(day, -9 - at),
			received: 5000,
			amount: null,
			usable: 1,
			bestBefore: later(day, 120),
			note: ''
		});
		lots.set(supplierCode, id);
	}
	for (const [at, name] of KEPT_BATCHES.entries()) {
		const madeOn = later(day, at - KEPT_BATCHES.length);
		const id = await createBatch(db, kitchen, newId(), { productId: laid.productId, madeOn, factor: 1 });
		await db('batches').where({ kitchen_id: kitchen.id, id }).update({ note: name });
		const noted = truth.lots.find(({ batch }) => batch === name)?.noted ?? '';
		const { lines } = await getBatch(db, kitchen, id);
		const flour = laid.ingredients.get('flour');
		await keepEntries(
			db,
			kitchen,
			id,
			lines.map((line) => ({
				kind: 'weighing',
				id: newId(),
				number: null,
				at: `${madeOn}T15:00:00.000Z`,
				what: 'line',
				lineId: line.id,
				grams: line.planned_g,
				corrects: null,
				by: 'scale',
				lotId: line.ingredient === flour ? (lots.get(noted) ?? null) : null
			}))
		);
	}
}

const later = (day: string, days: number): string => parseDate(day).add({ days }).toString();
