import type { Row } from '../rows.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';

/** A lot beside its ingredient; a material has none. */
type LotRow = Pick<RowOf<'lots'>, 'id' | 'code' | 'supplier_code' | 'material' | 'received_on'> & {
	name: string | null;
};

/** Something a code leads to. */
export interface Coded {
	kind: 'lot' | 'batch';
	id: string;
	code: string;
	/** What it is of, and when. */
	name: string;
	day: string;
}

const MOST = 50;

/**
 * What a code leads to: lots by the kitchen's code or the one the supplier printed, batches by theirs.
 * Exactly that code where there is one, or those that begin with it. Case and outer spaces do not matter.
 */
export async function findCode(db: Database, kitchenId: string, asked: string): Promise<Coded[]> {
	const code = asked.trim();
	if (code === '') return [];
	const exact = await matching(db, kitchenId, '=', code);
	return exact.length > 0
		? exact
		: matching(db, kitchenId, 'like', `${code.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`);
}

async function matching(db: Database, kitchenId: string, how: '=' | 'like', code: string): Promise<Coded[]> {
	const lots = (column: string) =>
		db('lots as l')
			.leftJoin('ingredients as i', 'i.id', 'l.ingredient_id')
			.where('l.kitchen_id', kitchenId)
			.where(column, how, code)
			.orderBy('l.received_on', 'desc')
			.limit(MOST)
			.select<LotRow[]>('l.id', 'l.code', 'l.supplier_code', 'l.material', 'l.received_on', 'i.name');
	const [own, printed, batches] = await Promise.all([
		lots('l.code'),
		lots('l.supplier_code'),
		db('batches as b')
			.join('products as p', 'p.id', 'b.product_id')
			.join('formulas as f', 'f.id', 'p.formula_id')
			.where('b.kitchen_id', kitchenId)
			.where('b.code', how, code)
			.orderBy('b.made_on', 'desc')
			.limit(MOST)
			.select<Row[]>('b.id', 'b.code', 'b.made_on', 'f.name')
	]);
	const found = new Map([...own, ...printed].map((row) => [row.id, row]));
	return [
		...[...found.values()].map((row): Coded => ({
			kind: 'lot',
			id: row.id,
			code: [row.code, row.supplier_code].filter(Boolean).join(' · '),
			name: row.name ?? row.material ?? '',
			day: row.received_on
		})),
		...batches.map((row): Coded => ({
			kind: 'batch',
			id: row.id,
			code: row.code,
			name: row.name,
			day: row.made_on
		}))
	];
}
