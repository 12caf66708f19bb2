import { ulid } from 'ulid';
import { addDays } from '../../src/lib/server/db/demo/days.ts';
import type { Database } from '../../src/lib/server/db/connection.ts';
import type { Cells } from '../../src/lib/server/rows.ts';

/** How large the kitchen is to be. */
export interface Size {
	batches: number;
	weighings: number;
	sales: number;
}

/** Ten years of a busy kitchen. */
export const TEN_YEARS: Size = { batches: 3000, weighings: 250_000, sales: 60_000 };

/** An id made on a day: ids are in the order of their times. */
const idOn = (day: string) => ulid(Date.parse(day));
const AT_ONCE = 2000;
const DAYS = 3650;
const SALES_CHANNELS = ['Ferry Green Saturday market', 'From the door', 'Delivery'];

/**
 * Fills a kitchen that holds the demo with copies of its closed batches, back over ten years: with their
 * lines, closings, weighings to the number wanted, lots they drew from, and sales. Counts as they are asked for.
 */
export async function fillTenYears(
	db: Database,
	kitchenId: string,
	today: string,
	size: Size
): Promise<void> {
	const of = { kitchen_id: kitchenId };
	const found = (await db('batches').where(of).whereNotNull('closed_at').select('*')) as Cells[];
	// What the database works out itself is not written.
	const templates = found.map(({ packs_left: _, ...row }): Cells => row);
	const ids = templates.map((row) => String(row.id));
	const [lines, weighings, kept, standings] = (await Promise.all([
		db('batch_lines').where(of).whereIn('batch_id', ids),
		db('weighings').where(of).whereIn('batch_id', ids).whereNull('corrects_id').whereNotNull('grams'),
		db('batch_closings').where(of).whereIn('batch_id', ids).where('number', 1),
		db('batch_standings').where(of).whereIn('batch_id', ids)
	])) as [Cells[], Cells[], Cells[], Cells[]];
	const closings = kept.map(
		({ cost_batch: _1, cost_piece: _2, cost_pack: _3, sellable: _4, ...row }): Cells => row
	);
	const inserter = new Inserter(db);
	let [weighed, sold] = [0, 0];
	const lots = await lotsOfTenYears(inserter, kitchenId, lines, today);
	for (let index = 0; index < size.batches; index++) {
		const template = templates[index % templates.length] as Cells;
		const madeOn = addDays(today, -Math.floor(((index + 1) * DAYS) / size.batches) - 90);
		const nextId = () => idOn(madeOn);
		const batchId = nextId();
		const salesOfIt = Math.round(((index + 1) * size.sales) / size.batches) - sold;
		sold += salesOfIt;
		// Enough packs for its sales, and some that were never sold.
		const made = salesOfIt + 2;
		await inserter.add('batches', {
			...template,
			id: batchId,
			code: `${madeOn.replaceAll('-', '').slice(2)}-${(index % 9) + 1}${index % 7}`,
			made_on: madeOn,
			// Nothing is weighed of a closed batch: they are closed at the end.
			closed_at: null,
			packs_made: made,
			packs_sold: salesOfIt,
			packs_given: index % 50 === 0 ? 0 : 2
		});
		const lineIds = new Map<string, string>();
		for (const line of lines.filter((each) => each.batch_id === template.id)) {
			const id = nextId();
			lineIds.set(String(line.id), id);
			await inserter.add('batch_lines', { ...line, id, batch_id: batchId });
			const lot = lots.get(String(line.ingredient_id))?.[Math.floor(index / 10)];
			if (lot)
				await inserter.add('lot_moves', {
					id: nextId(),
					...of,
					lot_id: lot,
					kind: 'drawn',
					amount: -Number(line.planned_g),
					batch_id: batchId,
					moved_at: `${madeOn} 12:00:00.000`
				});
		}
		const readings = weighings.filter((each) => each.batch_id === template.id);
		const balls = readings.filter((each) => each.what === 'ball');
		const wanted = Math.round(((index + 1) * size.weighings) / size.batches) - weighed;
		weighed += wanted;
		for (let reading = 0; reading < wanted; reading++) {
			// What is beyond one making's readings is balls: they are what is weighed most.
			const isMore = reading >= readings.length;
			const from = (isMore ? balls[reading % balls.length] : readings[reading]) as Cells;
			await inserter.add('weighings', {
				...from,
				id: nextId(),
				batch_id: batchId,
				number: reading + 1,
				line_id: from.line_id === null ? null : (lineIds.get(String(from.line_id)) ?? null),
				taken_at: `${madeOn} 12:00:00.000`
			});
		}
		const standing = standings.find((each) => each.batch_id === template.id);
		if (standing) await inserter.add('batch_standings', { ...standing, batch_id: batchId });
		const closing = closings.find((each) => each.batch_id === template.id);
		if (closing)
			await inserter.add('batch_closings', {
				...closing,
				id: nextId(),
				batch_id: batchId,
				input: remap(String(closing.input), lineIds)
			});
		for (let sale = 0; sale < salesOfIt; sale++)
			await inserter.add('sales', {
				id: nextId(),
				...of,
				batch_id: batchId,
				sold_on: addDays(madeOn, 1 + (sale % 3)),
				channel: SALES_CHANNELS[(index + sale) % SALES_CHANNELS.length] ?? '',
				packs: 1,
				price: template.price ?? '6.50',
				kind: 'sale',
				is_given: false,
				paid_by: sale % 3 === 0 ? 'card' : 'cash',
				checkout_id: nextId(),
				customer: '',
				reason: '',
				created_at: `${madeOn} 12:00:00.000`
			});
	}
	await inserter.flush();
	await db('batches')
		.where(of)
		.whereNull('closed_at')
		.where('made_on', '<=', addDays(today, -90))
		.update({ closed_at: db.raw('TIMESTAMP(made_on) + INTERVAL 20 HOUR') });
}

/** For each ingredient a lot for every ten batches, used up. */
async function lotsOfTenYears(
	inserter: Inserter,
	kitchenId: string,
	lines: readonly Cells[],
	today: string
): Promise<Map<string, string[]>> {
	const PER_INGREDIENT = 300;
	const lots = new Map<string, string[]>();
	let code = 10_000;
	for (const ingredient of new Set(lines.map((line) => String(line.ingredient_id)))) {
		const ids: string[] = [];
		for (let index = 0; index < PER_INGREDIENT; index++) {
			const receivedOn = addDays(today, -Math.floor(((index + 1) * DAYS) / PER_INGREDIENT) - 90);
			const nextId = () => idOn(receivedOn);
			const id = nextId();
			ids.push(id);
			await inserter.add('lots', {
				id,
				kitchen_id: kitchenId,
				code: `L-${code++}`,
				ingredient_id: ingredient,
				supplier: 'mill',
				supplier_code: `S${code}`,
				received_on: receivedOn,
				received: 22_680,
				on_hand: 0,
				amount: '24.50',
				usable: 1,
				created_at: `${receivedOn} 08:00:00.000`
			});
			await inserter.add('lot_moves', {
				id: nextId(),
				kitchen_id: kitchenId,
				lot_id: id,
				kind: 'received',
				amount: 22_680,
				moved_at: `${receivedOn} 08:00:00.000`
			});
		}
		lots.set(ingredient, ids);
	}
	return lots;
}

const remap = (json: string, ids: ReadonlyMap<string, string>): string =>
	[...ids].reduce((text, [from, to]) => text.replaceAll(from, to), json);

/** Rows go in by the thousand, table after table in the order their references need. */
class Inserter {
	static readonly ORDER = [
		'lots',
		'batches',
		'batch_lines',
		'lot_moves',
		'weighings',
		'batch_closings',
		'batch_standings',
		'sales'
	] as const;
	#rows = new Map<string, Cells[]>();
	#count = 0;

	constructor(private readonly db: Database) {}

	async add(table: (typeof Inserter.ORDER)[number], row: Cells): Promise<void> {
		const rows = this.#rows.get(table) ?? [];
		rows.push(row);
		this.#rows.set(table, rows);
		if (++this.#count >= 10 * AT_ONCE) await this.flush();
	}

	async flush(): Promise<void> {
		for (const table of Inserter.ORDER) {
			const rows = this.#rows.get(table) ?? [];
			for (let from = 0; from < rows.length; from += AT_ONCE)
				await this.db(table).insert(rows.slice(from, from + AT_ONCE));
		}
		this.#rows.clear();
		this.#count = 0;
	}
}
