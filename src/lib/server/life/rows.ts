import type { Database } from '../db/connection.ts';
import { endSessions } from '../people/sessions.ts';
import { inTransaction } from '../db/transaction.ts';

/** So many rows go in one transaction: a cluster sends each to every node, and takes none that is too large. */
const AT_ONCE = 1000;

/** Tables with rows of kitchens, by name; of each how it says whose a row is is the same. */
export async function tablesWithKitchens(db: Database): Promise<string[]> {
	const [rows] = (await db.raw(
		`SELECT c.table_name AS name FROM information_schema.columns c
		JOIN information_schema.tables t ON t.table_schema = c.table_schema AND t.table_name = c.table_name
		WHERE c.table_schema = DATABASE() AND c.column_name = 'kitchen_id' AND t.table_type = 'BASE TABLE'
		ORDER BY c.table_name`
	)) as [{ name: string }[]];
	return rows.map(({ name }) => name);
}

/** What is of the installation or of a person though it names a kitchen: it is not the kitchen's to take along. */
const NOT_ITS_OWN = ['jobs', 'job_parts', 'sessions'];
/** Counted by the database with every other row that goes: these go last. */
const LAST = ['changes'];

/** Tables whose rows go with their kitchen, in the order in which they go. */
export async function tablesThatGo(db: Database): Promise<string[]> {
	const all = (await tablesWithKitchens(db)).filter((name) => !NOT_ITS_OWN.includes(name));
	return [...all.filter((name) => !LAST.includes(name)), ...LAST];
}

/**
 * Takes every row of a kitchen away but its own, some at a time; `gone` hears of each lot, and may throw. The kitchen is
 * one that is arriving or leaving: the database refuses it of any other. People stay, and are in no kitchen.
 */
export async function removeRows(
	db: Database,
	kitchenId: string,
	gone: (table: string, rows: number) => void = () => {}
): Promise<void> {
	// Whoever came in by a short code of the kitchen has nothing else to be in by.
	await endSessions(db, { kitchen_id: kitchenId, came_by: 'code' });
	await db('sessions').where('kitchen_id', kitchenId).update({ kitchen_id: null, device_id: null });
	await db('sessions').where('practice_id', kitchenId).update({ practice_id: null });
	for (const table of await tablesThatGo(db))
		for (;;) {
			const rows = await withoutReferences(db, (transaction) =>
				transaction(table).where('kitchen_id', kitchenId).limit(AT_ONCE).delete()
			);
			if (rows > 0) gone(table, rows);
			if (rows < AT_ONCE) break;
		}
}

/** Takes the row of the kitchen itself away, and the counts that the database began for that. */
export async function removeItself(db: Database, kitchenId: string): Promise<void> {
	await withoutReferences(db, async (transaction) => {
		await transaction('kitchens').where('id', kitchenId).delete();
		await transaction('changes').where('kitchen_id', kitchenId).delete();
	});
}

/** A transaction in which rows may go before those that refer to them: these go too. */
export async function withoutReferences<T>(
	db: Database,
	act: (transaction: Database) => Promise<T>
): Promise<T> {
	return inTransaction(db, async (transaction) => {
		await transaction.raw('SET SESSION foreign_key_checks = 0');
		try {
			return await act(transaction);
		} finally {
			await transaction.raw('SET SESSION foreign_key_checks = 1');
		}
	});
}

/** Tables in which something of a kitchen is left, by looking at every one: none, where it is gone. */
export async function leftOf(db: Database, kitchenId: string): Promise<string[]> {
	const left: string[] = [];
	for (const table of (await tablesThatGo(db)).filter((name) => !LAST.includes(name)))
		if (await db(table).where('kitchen_id', kitchenId).first('kitchen_id')) left.push(table);
	return left;
}
