import type { Database } from '../db/connection.ts';
import type { Column } from '../edge/kept/rows.ts';
import { groupBy, type Cells, type Row } from '../rows.ts';

/** A reference that must lead somewhere: columns of a table and those they name. */
export interface Reference {
	name: string;
	from: string;
	to: string;
	columns: [from: string, to: string][];
}

/** A table that holds a kitchen's data, as the database describes it. */
export interface KitchenTable {
	name: string;
	/** Without those the database works out itself. */
	columns: string[];
	/** What each of them holds. */
	kinds: Column[];
	references: Reference[];
}

/** The table of kitchens has its own id where the others have `kitchen_id`. */
export const KITCHENS = 'kitchens';

/** Which column of a table says whose row it is. */
export const kitchenColumn = (table: string): string => (table === KITCHENS ? 'id' : 'kitchen_id');

/**
 * Every table that holds a kitchen's data, by name: read off the database, so that no table added later is
 * forgotten.
 */
export async function kitchenTables(db: Database): Promise<KitchenTable[]> {
	const [columns, keys] = await Promise.all([
		db('information_schema.columns')
			.where('table_schema', db.raw('DATABASE()'))
			.orderBy(['table_name', 'ordinal_position'])
			.select<Row[]>(
				'table_name as name',
				'column_name as col',
				'is_generated as made',
				'column_type as type',
				'is_nullable as nullable'
			),
		db('information_schema.key_column_usage')
			.where('table_schema', db.raw('DATABASE()'))
			.whereNotNull('referenced_table_name')
			.orderBy(['constraint_name', 'ordinal_position'])
			.select<Row[]>(
				'constraint_name as name',
				'table_name as from',
				'column_name as from_column',
				'referenced_table_name as to',
				'referenced_column_name as to_column'
			)
	]);
	const references = [...groupBy(keys, (row) => `${String(row.from)} ${row.name}`).values()].map(
		(of): Reference => ({
			name: String(of[0]?.name),
			from: String(of[0]?.from),
			to: String(of[0]?.to),
			columns: of.map((row) => [String(row.from_column), String(row.to_column)])
		})
	);
	return [...groupBy(columns, (row) => row.name)]
		.filter(([name, of]) => of.some((row) => row.col === kitchenColumn(name)) && isKept(name))
		.map(([name, all]) => [name, all.filter((row) => row.made !== 'ALWAYS')] as const)
		.map(([name, of]) => ({
			name,
			columns: of.map((row) => String(row.col)),
			kinds: of.map((row) => ({
				name: String(row.col),
				type: String(row.type),
				isNullable: row.nullable === 'YES'
			})),
			references: references.filter((reference) => reference.from === name)
		}));
}

/** What is kept of rows beside them and follows from them, it comes back with the rows; and what devices were told. */
const FOLLOWING = ['sales_months', 'batch_standings', 'changes', 'feed', 'feed_heads'];

/** What this installation does for a kitchen, and what the kitchen takes of it. */
const OF_THE_INSTALLATION = ['jobs', 'job_parts', 'kitchen_usage', 'creations', 'left_entries'];

/** What lets somebody in: it is of this machine, and no archive carries it elsewhere. */
const KEYS = ['sessions', 'pairings'];

/** What lets somebody in of rows that an archive does carry: neither given out with it nor taken from one. */
export const WITHOUT: Partial<Record<string, Cells>> = {
	memberships: { person_id: null, code_hash: null },
	devices: { token_hash: null, previous_hash: null, previous_ends_at: null, seen_from: '' },
	deeds: { from_where: '' },
	// Wherever it arrives it is open, even where it was closed to be moved.
	kitchens: { state: 'open', closed_at: null }
};

const isKept = (name: string) =>
	!name.startsWith('knex_') && ![...FOLLOWING, ...OF_THE_INSTALLATION, ...KEYS].includes(name);

/** The newest migration the database is at. */
export async function migrationOf(db: Database): Promise<string> {
	const row = await db('knex_migrations').orderBy('id', 'desc').first('name');
	return row?.name ?? '';
}
