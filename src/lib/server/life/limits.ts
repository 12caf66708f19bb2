import type { Limit, Limits } from '../../kitchen/limits.ts';
import type { Database } from '../db/connection.ts';
import { log, logged } from '../edge/log.ts';
import { msOf, utcNow } from '../rows.ts';
import { askedInThisMinute } from './requests.ts';
import { tablesWithKitchens } from './rows.ts';

/** What a kitchen may take, where whoever runs the installation does not say otherwise. */
const USUAL = { KITCHEN_ROWS: 5_000_000, KITCHEN_MB: 5_000, KITCHEN_REQUESTS: 12_000 };
const BYTES_A_MB = 1_000_000;

/** What is said in the environment, a whole number above nothing; the usual where nothing is, or no such number. */
export function most(name: keyof typeof USUAL): number {
	const said = Number(process.env[name] ?? '');
	return Number.isInteger(said) && said > 0 ? said : USUAL[name];
}

/** What it keeps, as it was counted last; nothing where it never was. */
export interface Usage {
	rows: number;
	bytes: number;
	countedAt: string;
}

/** It is counted again after so long. */
const COUNTED_FOR_MS = 3_600_000;

/** What a kitchen takes and may take; what it keeps is counted first where it never was. */
export async function limitsOf(db: Database, kitchenId: string): Promise<Limits> {
	const usage = (await usageOf(db, kitchenId)) ?? (await countUsage(db, kitchenId));
	return {
		...keptLimits(usage),
		requests: { has: await askedInThisMinute(db, `kitchen ${kitchenId}`), most: most('KITCHEN_REQUESTS') }
	};
}

/** What it keeps beside what it may. */
export const keptLimits = (usage: Pick<Usage, 'rows' | 'bytes'>): { rows: Limit; bytes: Limit } => ({
	rows: { has: usage.rows, most: most('KITCHEN_ROWS') },
	bytes: { has: usage.bytes, most: most('KITCHEN_MB') * BYTES_A_MB }
});

/** What a kitchen keeps, as it was counted last; has it counted again beside what is asked now, once that is long ago. */
export async function usageOf(db: Database, kitchenId: string): Promise<Usage | null> {
	const row = await db('kitchen_usage').where('kitchen_id', kitchenId).first();
	if (!row || isOld(row.counted_at)) countBeside(db, kitchenId);
	return row ? { rows: row.rows_kept, bytes: row.bytes_kept, countedAt: row.counted_at } : null;
}

const isOld = (countedAt: string) => Date.now() - msOf(countedAt) > COUNTED_FOR_MS;

const counting = new Set<string>();

/** One count of a kitchen at a time at a process; nobody waits for it. */
function countBeside(db: Database, kitchenId: string): void {
	if (counting.has(kitchenId)) return;
	counting.add(kitchenId);
	countUsage(db, kitchenId)
		.catch((error: unknown) =>
			log.warn({ error: logged(error) }, 'what a kitchen keeps could not be counted')
		)
		.finally(() => counting.delete(kitchenId));
}

/** What a row takes beside its texts, roughly: numbers, ids, and its places in indexes. */
const ROW_BYTES = 300;

/** Counts what a kitchen keeps, table by table, and notes it. */
export async function countUsage(db: Database, kitchenId: string): Promise<Usage> {
	const usage = { rows: 0, bytes: 0, countedAt: utcNow() };
	const long = await longColumns(db);
	for (const table of await tablesWithKitchens(db)) {
		const sum =
			(long.get(table) ?? []).map((column) => `COALESCE(LENGTH(\`${column}\`), 0)`).join(' + ') || '0';
		const [row] = await db(table)
			.where('kitchen_id', kitchenId)
			.select<{ rows: string; bytes: string | null }[]>(
				db.raw('COUNT(*) AS `rows`'),
				db.raw(`SUM(${sum}) AS bytes`)
			);
		const rows = Number(row?.rows ?? 0);
		usage.rows += rows;
		usage.bytes += rows * ROW_BYTES + Number(row?.bytes ?? 0);
	}
	await db('kitchen_usage')
		.insert({
			kitchen_id: kitchenId,
			rows_kept: usage.rows,
			bytes_kept: usage.bytes,
			counted_at: usage.countedAt
		})
		.onConflict('kitchen_id')
		.merge();
	return usage;
}

/** Columns that hold documents, texts and pictures, by table. */
async function longColumns(db: Database): Promise<Map<string, string[]>> {
	const [rows] = (await db.raw(
		`SELECT table_name AS name, column_name AS part FROM information_schema.columns
		WHERE table_schema = DATABASE()
			AND data_type IN ('text', 'mediumtext', 'longtext', 'blob', 'mediumblob', 'longblob')`
	)) as [{ name: string; part: string }[]];
	const columns = new Map<string, string[]>();
	for (const { name, part } of rows) columns.set(name, [...(columns.get(name) ?? []), part]);
	return columns;
}
