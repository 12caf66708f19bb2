import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound, refuse } from '../errors.ts';
import { utcNow } from '../rows.ts';
import type { Deletion, Went } from '../../kitchen/deletion.ts';
import { removeItself, removeRows, tablesThatGo } from './rows.ts';

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
		// Sent twice it leaves once.
		if (kitchen.state === 'leaving') return;
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
	const kitchen = await db('kitchens').where('id', kitchenId).first('id', 'name', 'state');
	if (!kitchen) {
		const before = await deletionOf(db, kitchenId);
		if (before) return before;
		throw new NotFound('this kitchen is not here');
	}
	if (kitchen.state !== 'leaving') refuse('', 'close the kitchen first');
	const practised = await db('kitchens').where('practice_of', kitchenId).pluck<string[]>('id');
	await db('kitchens').where('practice_of', kitchenId).update({ state: 'leaving' });
	const all = [...practised, kitchenId];
	const went = await begunWith(db, kitchen, by, all);
	const of = went.reduce((sum, { table, rows }) => sum + (table === KITCHENS ? 0 : rows), 0);
	let done = of - sumOf(await countsOf(db, all));
	for (const id of all) {
		await removeRows(db, id, (_, rows) => goOn((done += rows), Math.max(of, done)));
		if (id !== kitchenId) await removeItself(db, id);
	}
	const left = new Map((await countsOf(db, all)).map(({ table, rows }) => [table, rows]));
	for (const each of went) each.left = each.table === KITCHENS ? 0 : (left.get(each.table) ?? 0);
	await inTransaction(db, async (transaction) => {
		await transaction('deleted_kitchens')
			.where('id', kitchenId)
			.update({ deleted_at: utcNow(), went: JSON.stringify(went) });
	});
	await removeItself(db, kitchenId);
	return (await deletionOf(db, kitchenId)) ?? refuse('', 'what went could not be noted');
}

const KITCHENS = 'kitchens';

const sumOf = (counts: readonly Went[]): number =>
	counts.reduce((sum, { table, rows }) => sum + (table === KITCHENS ? 0 : rows), 0);

/** What there was when it was begun, noted once: who begins again finds less. */
async function begunWith(
	db: Database,
	{ id, name }: { id: string; name: string },
	by: By,
	all: readonly string[]
): Promise<Went[]> {
	const began = utcNow();
	await db('deleted_kitchens')
		.insert({
			id,
			name,
			person_id: by.personId,
			by_name: by.name,
			begun_at: began,
			deleted_at: began,
			went: JSON.stringify(await countsOf(db, all))
		})
		.onConflict('id')
		.ignore();
	const row = await db('deleted_kitchens').where('id', id).first('went');
	return JSON.parse(row?.went ?? '[]') as Went[];
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
	return [...counts, { table: KITCHENS, rows: own?.rows ?? 0, left: 0 }];
}

/** Those of which nothing is here any more: one may be on its way, or have come back out of an archive. */
const gone = (db: Database) =>
	db('deleted_kitchens as d').whereNotExists(
		db('kitchens as k').where('k.id', db.ref('d.id')).select('k.id')
	);

/** What went with a kitchen that was taken away; null of one that was not. */
export async function deletionOf(db: Database, kitchenId: string): Promise<Deletion | null> {
	const [row] = await gone(db).where('d.id', kitchenId).select<RowOf<'deleted_kitchens'>[]>('d.*');
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
	const rows = await gone(db)
		.where('d.person_id', personId)
		.orderBy('d.deleted_at', 'desc')
		.select<RowOf<'deleted_kitchens'>[]>('d.*');
	return rows.map((row) => ({ id: row.id, name: row.name, deletedAt: row.deleted_at }));
}
