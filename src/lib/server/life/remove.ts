import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound, refuse } from '../errors.ts';
import { utcNow } from '../rows.ts';
import type { Deletion, Went } from '../../kitchen/deletion.ts';
import { removeItself, removeRows, tablesThatGo, tablesWithKitchens } from './rows.ts';

/** Who takes a kitchen away. */
interface By {
	personId: string;
	name: string;
}

/** From now on the kitchen leaves: nobody is in it any more, and it is not opened again. It was closed before. */
export async function beginLeaving(db: Database, kitchenId: string, typedName: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const kitchen = await transaction('kitchens').where('id', kitchenId).forUpdate().first('name', 'state');
		if (!kitchen) throw new NotFound('this kitchen is not here');
		if (kitchen.state !== 'closed') refuse('', 'close the kitchen first');
		if (typedName.trim() !== kitchen.name) refuse('name', `type its name as it is: ${kitchen.name}`);
		await transaction('kitchens').where('id', kitchenId).update({ state: 'leaving' });
	});
}

/**
 * Takes a kitchen that leaves away with everything of it, its practice too, in parts; keeps what went, table by table,
 * after looking that nothing is left. Begun again it goes on. `goOn` hears how far it is, and may throw.
 */
export async function removeForGood(
	db: Database,
	kitchenId: string,
	by: By,
	goOn: (done: number, of: number) => void = () => {}
): Promise<Deletion> {
	const before = await deletionOf(db, kitchenId);
	if (before) return before;
	const kitchen = await db('kitchens').where('id', kitchenId).first('id', 'name', 'state');
	if (!kitchen) throw new NotFound('this kitchen is not here');
	if (kitchen.state !== 'leaving') refuse('', 'close the kitchen first');
	const began = utcNow();
	const practised = await db('kitchens').where('practice_of', kitchenId).pluck<string[]>('id');
	await db('kitchens').where('practice_of', kitchenId).update({ state: 'leaving' });
	const all = [...practised, kitchenId];
	const went = await countsOf(db, all);
	const of = went.reduce((sum, { rows }) => sum + rows, 0);
	let done = 0;
	for (const id of all) {
		await removeRows(db, id, (_, rows) => goOn((done += rows), Math.max(of, done)));
		if (id !== kitchenId) await removeItself(db, id);
	}
	const left = (await countsOf(db, all)).filter(({ table }) => table !== 'kitchens' && table !== 'changes');
	for (const each of went) each.left = left.find(({ table }) => table === each.table)?.rows ?? 0;
	const deletion = {
		id: kitchenId,
		name: kitchen.name,
		byName: by.name,
		begunAt: began,
		deletedAt: utcNow(),
		went
	};
	await inTransaction(db, async (transaction) => {
		await transaction('deleted_kitchens')
			.insert({
				id: kitchenId,
				name: kitchen.name,
				person_id: by.personId,
				by_name: by.name,
				begun_at: began,
				deleted_at: deletion.deletedAt,
				went: JSON.stringify(went)
			})
			.onConflict('id')
			.ignore();
	});
	await removeItself(db, kitchenId);
	return deletion;
}

/** How many rows tables have of kitchens, of each that has some. */
async function countsOf(db: Database, kitchenIds: readonly string[]): Promise<Went[]> {
	const counts: Went[] = [];
	for (const table of await tablesThatGo(db)) {
		const [row] = await db(table)
			.whereIn('kitchen_id', [...kitchenIds])
			.count<{ rows: number }[]>({ rows: '*' });
		const rows = row?.rows ?? 0;
		if (rows > 0) counts.push({ table, rows, left: 0 });
	}
	const [own] = await db('kitchens')
		.whereIn('id', [...kitchenIds])
		.count<{ rows: number }[]>({ rows: '*' });
	return [...counts, { table: 'kitchens', rows: own?.rows ?? 0, left: 0 }];
}

/** What went with a kitchen that was taken away; null of one that was not. */
export async function deletionOf(db: Database, kitchenId: string): Promise<Deletion | null> {
	const row = await db('deleted_kitchens').where('id', kitchenId).first();
	return row
		? {
				id: row.id,
				name: row.name,
				byName: row.by_name,
				begunAt: row.begun_at,
				deletedAt: row.deleted_at,
				went: JSON.parse(row.went) as Went[]
			}
		: null;
}

/** Kitchens somebody took away, the newest first. */
export async function deletionsBy(
	db: Database,
	personId: string
): Promise<{ id: string; name: string; deletedAt: string }[]> {
	const rows = await db('deleted_kitchens')
		.where('person_id', personId)
		.orderBy('deleted_at', 'desc')
		.select('id', 'name', 'deleted_at');
	return rows.map((row) => ({ id: row.id, name: row.name, deletedAt: row.deleted_at }));
}

/** Tables in which something of a kitchen is left, by looking at every one: none, where it is gone. */
export async function leftOf(db: Database, kitchenId: string): Promise<string[]> {
	const left: string[] = [];
	for (const table of await tablesWithKitchens(db))
		if (await db(table).where('kitchen_id', kitchenId).first('kitchen_id')) left.push(table);
	return left;
}
