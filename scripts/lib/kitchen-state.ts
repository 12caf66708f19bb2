import type { Database } from '../../src/lib/server/db/connection.ts';
import { tablesWithKitchens } from '../../src/lib/server/life/rows.ts';

/** What the installation notes of a kitchen by itself, whoever asks for what. */
const OF_THE_INSTALLATION = ['kitchen_usage'];

async function columnsOf(db: Database, table: string): Promise<string[]> {
	const [columns] = (await db.raw('SHOW COLUMNS FROM ??', [table])) as [{ Field: string }[]];
	return columns.map(({ Field }) => Field);
}

/** Everything of a kitchen and who is in it: of each table how many rows, and a sum that any change of one changes. */
export async function stateOfKitchen(db: Database, kitchenId: string): Promise<Record<string, string>> {
	const state: Record<string, string> = {};
	for (const table of ['kitchens', ...(await tablesWithKitchens(db))]) {
		if (OF_THE_INSTALLATION.includes(table)) continue;
		const all = (await columnsOf(db, table)).map((name) => `COALESCE(HEX(\`${name}\`), '-')`).join();
		const [[row]] = (await db.raw(
			`SELECT COUNT(*) AS n, COALESCE(BIT_XOR(CRC32(CONCAT_WS('#', ${all}))), 0) AS x FROM ?? WHERE ?? = ?`,
			[table, table === 'kitchens' ? 'id' : 'kitchen_id', kitchenId]
		)) as [{ n: number; x: number }[]];
		state[table] = `${row?.n} ${row?.x}`;
	}
	return state;
}

/** Ids of a kitchen, some of each table that has any, by table. */
export async function idsOfKitchen(
	db: Database,
	kitchenId: string,
	each = 3
): Promise<Map<string, string[]>> {
	const ids = new Map([['kitchens', [kitchenId]]]);
	for (const table of await tablesWithKitchens(db)) {
		// What keys were used is no thing of its own.
		if (table === 'creations' || !(await columnsOf(db, table)).includes('id')) continue;
		const some = await db(table as 'lots')
			.where('kitchen_id', kitchenId)
			.limit(each)
			.pluck<string[]>('id');
		if (some.length > 0) ids.set(table, some);
	}
	return ids;
}
