import type { Database } from '../../src/lib/server/db/connection.ts';
import { groupBy } from '../../src/lib/server/rows.ts';

/** How many kitchens there are, of which so many are worked in, and of these so many sell on a market morning. */
export interface Filling {
	dormant: number;
	active: number;
	market: number;
}

/** What a kitchen has that was begun and left: its shelf, its formulas and who owns it. */
const BEGUN = [
	'kitchens',
	'memberships',
	'ingredients',
	'ingredient_compositions',
	'price_packs',
	'formulas',
	'formula_versions',
	'products',
	'equipment',
	'local_profiles'
];
/** What is of the installation, of a browser or of a moment. */
const NEVER = [
	'sessions',
	'pairings',
	'changes',
	'feed',
	'feed_heads',
	'jobs',
	'job_parts',
	'kitchen_usage',
	'sales_months',
	'practice_tries',
	'practice_moves'
];
/** So many kitchens by one statement. */
const AT_ONCE = 40;
/** Of a kitchen that is worked in, of so many batches one; of one at a market all. */
const ONE_IN = 4;
/** Packs more than there are, so that a morning never sells out. */
const MORE_PACKS = 100_000;

interface Column {
	name: string;
	type: string;
}

/**
 * Copies a kitchen until there are so many, each under ids of its own, as if as many people had begun theirs. Those
 * with the lowest numbers sell; `there` are there already.
 */
export async function fillKitchens(
	db: Database,
	template: string,
	{ dormant, active, market }: Filling,
	there = 0
): Promise<void> {
	const columns = await columnsOf(db);
	await db.raw(
		'CREATE TABLE bench_numbers (n INT PRIMARY KEY, prefix CHAR(4) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, depth INT NOT NULL)'
	);
	const all = dormant + active + market;
	if (there >= all) return;
	const depth = (n: number) => (n < market ? 2 : n < market + active ? 1 : 0);
	for (let from = there; from < all; from += 1000)
		await db('bench_numbers' as never).insert(
			Array.from({ length: Math.min(1000, all - from) }, (_, at) => ({
				n: from + at,
				prefix: prefixOf(from + at),
				depth: depth(from + at)
			})) as never
		);
	const connection = (await db.client.acquireConnection()) as unknown;
	const run = (sql: string, values: (string | number)[] = []) => db.raw(sql, values).connection(connection);
	try {
		await run('SET foreign_key_checks = 0, unique_checks = 0');
		for (let from = there; from < all; from += AT_ONCE) {
			const to = Math.min(all, from + AT_ONCE);
			// Batches first, open: what belongs to one looks whether it is closed.
			for (const [table, of] of [...columns].sort(
				([a], [b]) => Number(b === 'batches') - Number(a === 'batches')
			))
				await run(copying(table, of), [template, from, to]);
		}
		await run('SET foreign_key_checks = 1, unique_checks = 1');
	} finally {
		await db.client.releaseConnection(connection);
		await db.raw('DROP TABLE bench_numbers');
	}
}

const DIGITS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
/** The beginning of every id of the nth kitchen; no id of today begins so. */
export const prefixOf = (n: number): string =>
	`7${[1024, 32, 1].map((place) => DIGITS[Math.floor(n / place) % 32] ?? '').join('')}`;
const PREFIX_LETTERS = 4;
const REST = `${PREFIX_LETTERS + 1}`;

/** The id of the template's something in the nth kitchen. */
export const idIn = (n: number, id: string): string => prefixOf(n) + id.slice(PREFIX_LETTERS);

async function columnsOf(db: Database): Promise<Map<string, Column[]>> {
	const [rows] = (await db.raw(
		`SELECT table_name AS of_table, column_name AS name, column_type AS type FROM information_schema.columns c
		WHERE table_schema = DATABASE() AND is_generated = 'NEVER' AND (table_name IN ('kitchens', 'persons') OR EXISTS (
			SELECT 1 FROM information_schema.columns k
			WHERE k.table_schema = c.table_schema AND k.table_name = c.table_name AND k.column_name = 'kitchen_id'))
		ORDER BY table_name, ordinal_position`
	)) as [(Column & { of_table: string })[]];
	return new Map([...groupBy(rows, (row) => row.of_table)].filter(([table]) => !NEVER.includes(table)));
}

/** What is other than in the template. */
const OTHERWISE: Readonly<Record<string, string>> = {
	'persons.login': 'NULL',
	'persons.is_demo': '0',
	'kitchens.practice_of': 'NULL',
	'kitchens.name': "CONCAT('Kitchen ', n.n)",
	'devices.token_hash': 'NULL',
	'batches.closed_at': 'NULL',
	'batches.packs_made': `t.packs_made + ${MORE_PACKS}`
};

/** The statement that copies a table's rows of the template for kitchens from one number to another. */
function copying(table: string, columns: readonly Column[]): string {
	const value = ({ name, type }: Column): string => {
		const other = OTHERWISE[`${table}.${name}`];
		if (other) return other;
		if (type === 'char(26)') return `CONCAT(n.prefix, SUBSTRING(t.\`${name}\`, ${REST}))`;
		if (type === 'longtext')
			return `REGEXP_REPLACE(t.\`${name}\`, '"01[0-9A-Z]{2}([0-9A-Z]{22})"', CONCAT('"', n.prefix, '\\\\\\\\1"'))`;
		return `t.\`${name}\``;
	};
	const whose =
		table === 'kitchens'
			? 't.id = ?'
			: table === 'persons'
				? 't.id IN (SELECT m.person_id FROM memberships m WHERE m.kitchen_id = ?)'
				: 't.kitchen_id = ?';
	const depth = BEGUN.includes(table) || table === 'persons' ? 0 : 1;
	// Of each fourth batch everything, so that what belongs together is there together.
	const batch =
		table === 'batches' ? 't.id' : columns.some(({ name }) => name === 'batch_id') ? 't.batch_id' : null;
	const some = batch ? `AND (n.depth = 2 OR CRC32(${batch}) % ${ONE_IN} = 0)` : '';
	return `INSERT INTO \`${table}\` (${columns.map(({ name }) => `\`${name}\``).join(', ')})
		SELECT ${columns.map(value).join(', ')} FROM \`${table}\` t JOIN bench_numbers n ON n.depth >= ${depth} ${some}
		WHERE ${whose} AND n.n >= ? AND n.n < ?`;
}
