import { sourceKey } from '../../../core/allergens/contact.ts';
import { batchDraft, type BatchDraft } from '../../../src/lib/batch/draft.ts';
import type { Kitchen } from '../../../src/lib/kitchen/types.ts';
import { draftId, labelDraft } from '../../../src/lib/label/draft.ts';
import { recordBatch } from '../../../src/lib/server/batches/record.ts';
import { batchForm, batchInput, type BatchForm } from '../../../src/lib/server/edge/batch.ts';
import { createBatch } from '../../../src/lib/server/batches/create.ts';
import { getBatch } from '../../../src/lib/server/batches/read.ts';
import { addRisk } from '../../../src/lib/server/contact/risks.ts';
import type { Database } from '../../../src/lib/server/db/connection.ts';
import { addEquipment } from '../../../src/lib/server/equipment.ts';
import { listFormulas } from '../../../src/lib/server/formulas/read.ts';
import { addIngredient, listIngredients } from '../../../src/lib/server/ingredients.ts';
import { today } from '../../../src/lib/server/kitchens.ts';
import { getLabel } from '../../../src/lib/server/labels/read.ts';
import { receiveLot } from '../../../src/lib/server/lots/receive.ts';
import { newId } from '../../../src/lib/server/rows.ts';
import { keepSale } from '../../../src/lib/server/sales/keep.ts';
import { oneSale } from '../one-sale.ts';

/** What forms are about: things of the demo's kitchen, or made for the form. */
export function subjects(db: Database, kitchen: Kitchen) {
	const day = today(kitchen);
	const of = { kitchen_id: kitchen.id };
	let nth = 0;
	/** Another number each time. */
	const other = () => nth++;
	const fresh = (name: string) => `${name} ${++nth}`;
	const firstOf = async (table: 'products' | 'equipment', more: Record<string, string> = {}) =>
		String(
			(
				await db(table)
					.where({ ...of, ...more })
					.orderBy('id')
					.first('id')
			)?.id
		);
	const product = () => firstOf('products');
	const ingredient = async (kind = 'salt') =>
		(await listIngredients(db, kitchen.id)).find((each) => each.kind === kind && !each.mix)?.id ?? '';
	/** A mix with what goes into one jar of it. */
	const jarMix = async () => {
		const [salt, sugar] = [await ingredient('salt'), await ingredient('sweetener')];
		return addIngredient(db, kitchen.id, {
			name: fresh('Dry mix'),
			kind: 'compound',
			labelUs: '',
			labelEu: '',
			parts: [],
			allergens: [],
			confirmedOn: null,
			evidence: '',
			per100g: {},
			source: 'mix',
			sourceNote: '',
			mix: [salt, sugar].map((part, nth) => ({ ingredient: part, grams: 100 + nth })),
			portion_g: 50
		});
	};
	const equipment = () => addEquipment(db, kitchen.id, fresh('Bowl'), 250);
	const plan = async () =>
		createBatch(db, kitchen, newId(), { productId: await product(), madeOn: day, factor: 1 });
	/** A batch with packs left, made before today. */
	const stocked = async () => {
		const row = await db('batches').where(of).where('packs_left', '>', 0).orderBy('id', 'desc').first('id');
		return row ? row.id : made();
	};
	/** A batch with packs to sell. */
	const made = async () => {
		const id = await plan();
		const draft = {
			...batchDraft(await getBatch(db, kitchen, id)),
			ballCount: '50',
			sellable: '50',
			packs: '5'
		};
		await record(id, draft);
		return id;
	};
	const record = (id: string, draft: BatchDraft) =>
		recordBatch(db, kitchen, id, draft.version, batchInput(batchForm.validate(draft).value as BatchForm));
	const sold = async (more: { paidBy?: 'cash' | 'owed'; customer?: string } = {}) => {
		const id = newId();
		await keepSale(
			db,
			kitchen.id,
			oneSale({
				id,
				batchId: await stocked(),
				soldOn: day,
				channel: 'From the door',
				price: '5.00',
				paidBy: more.paidBy ?? 'cash',
				customer: more.customer ?? 'Somebody'
			})
		);
		return id;
	};
	const recorded = async () => {
		const id = await plan();
		const batch = await getBatch(db, kitchen, id);
		return { id, batch, draft: batchDraft(batch) };
	};
	const whole = async () => {
		const { id, batch, draft } = await recorded();
		return {
			id,
			draft: {
				...draft,
				ballCount: '10',
				rejects: '0',
				sellable: '10',
				packs: '2',
				loose: '0',
				doughWeight: '',
				lines: draft.lines.map((line, index) => ({
					...line,
					grams: String(batch.lines[index]?.planned_g ?? 0)
				}))
			}
		};
	};
	const label = async () => {
		const id = await product();
		const read = await getLabel(db, kitchen, id);
		return {
			id,
			version: read.version,
			draft: labelDraft(draftId(id, kitchen.rules), read.version, read.design)
		};
	};
	const approved = async () => {
		const [row] = await db('label_revisions as r')
			.join('labels as l', 'l.id', 'r.label_id')
			.where({ 'r.kitchen_id': kitchen.id, 'l.rules': kitchen.rules })
			.limit(1)
			.select<{ product_id: string; number: number }[]>('l.product_id', 'r.number');
		return { id: row?.product_id ?? '', revision: row?.number ?? 1 };
	};
	const formula = async () => (await listFormulas(db, kitchen.id))[0]?.id ?? '';
	const lot = async () => {
		const id = newId();
		await receiveLot(db, kitchen, id, {
			ingredientId: await ingredient(),
			material: '',
			supplier: '',
			supplierCode: '',
			receivedOn: day,
			received: 500,
			amount: null,
			usable: 1,
			bestBefore: null,
			note: ''
		});
		return id;
	};
	const shelfTest = async (id: string) => {
		const test = newId();
		await db('shelf_tests').insert({
			id: test,
			...of,
			product_id: id,
			of_what: 'baked',
			made_on: day,
			kept_how: 'in a bag',
			created_at: `${day} 00:00:00.000`
		});
		return test;
	};
	/** A laboratory's report of a product, as it is noted. */
	const report = async (id: string) => {
		const noted = newId();
		await db('laboratory_reports').insert({
			id: noted,
			...of,
			product_id: id,
			laboratory: 'Bench analytics',
			reported_on: day,
			found: JSON.stringify({ sodium_mg: { value: 400, uncertainty: 20 } }),
			note: '',
			created_at: `${day} 00:00:00.000`
		});
		return noted;
	};
	/** A risk that nobody answered yet: it is proposed for every product. */
	const decision = async () => {
		const id = await addRisk(db, kitchen.id, { allergen: 'peanut', why: fresh('fried at home') });
		const source = sourceKey({ kind: 'kitchen', risk: id, why: '' });
		return {
			draft: { allergen: 'peanut', answer: 'declined', source, reason: fresh('not while it is made') }
		};
	};
	return {
		db,
		kitchen,
		day,
		of,
		fresh,
		firstOf,
		product,
		ingredient,
		jarMix,
		equipment,
		plan,
		stocked,
		made,
		record,
		sold,
		recorded,
		whole,
		label,
		approved,
		formula,
		lot,
		shelfTest,
		report,
		decision,
		other
	};
}
export type Subjects = ReturnType<typeof subjects>;
