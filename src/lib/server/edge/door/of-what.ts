import type { Database } from '../../db/connection.ts';

/** Where the row is that an address is of, and what people call it. */
const NAMED: Record<string, (db: Database, kitchenId: string, id: string) => Promise<string | undefined>> = {
	batches: async (db, kitchen_id, id) => {
		const row = await db('batches').where({ kitchen_id, id }).first('code');
		return row && `batch ${row.code}`;
	},
	formulas: async (db, kitchen_id, id) =>
		(await db('formulas').where({ kitchen_id, id }).first('name'))?.name,
	shelf: async (db, kitchen_id, id) =>
		(await db('ingredients').where({ kitchen_id, id }).first('name'))?.name,
	lots: async (db, kitchen_id, id) => {
		const row = await db('lots').where({ kitchen_id, id }).first('code');
		return row && `lot ${row.code}`;
	},
	labels: async (db, kitchen_id, id) => {
		const product = await db('products').where({ kitchen_id, id }).first('formula_id');
		return (
			product && (await db('formulas').where({ kitchen_id, id: product.formula_id }).first('name'))?.name
		);
	}
};

/** What an address calls one of them. */
const SINGULAR: Partial<Record<string, string>> = { batch: 'batches', formula: 'formulas', label: 'labels' };

const ID = /^[0-9A-Z]{26}$/;

/** What something was done to, by the name people know: of the row an address is of; '' where it is of none. */
export async function nameOfWhat(db: Database, kitchenId: string, pathname: string): Promise<string> {
	const parts = pathname.split('/');
	const at = parts.findIndex((part) => ID.test(part));
	const id = parts[at];
	const kind = parts[at - 1] ?? '';
	if (at < 1 || id === undefined) return '';
	return (await NAMED[SINGULAR[kind] ?? kind]?.(db, kitchenId, id)) ?? '';
}
