import { TABLES } from '$lib/server/db/tables.ts';
import { describe, expect, it } from 'vitest';
import { useBench } from './kitchen.ts';

const bench = useBench();

interface Column {
	of_table: string;
	name: string;
	type: string;
	nullable: 'YES' | 'NO';
}

/** Under what a column of the database stands in `TABLES`. */
function kindOf({ type, nullable }: Column): string {
	const kind = type.endsWith('int') ? 'number' : 'text';
	return nullable === 'YES' ? `${kind}OrNull` : kind;
}

describe('what is said of the columns', () => {
	it('is what the newest migration makes of them, table by table', async () => {
		const columns = await bench
			.db('information_schema.columns')
			.where('table_schema', bench.db.raw('DATABASE()'))
			.whereNot('table_name', 'like', 'knex%')
			.orderBy(['table_name', 'ordinal_position'])
			.select<Column[]>({
				of_table: 'table_name',
				name: 'column_name',
				type: 'data_type',
				nullable: 'is_nullable'
			});
		const found: Record<string, Record<string, string[]>> = {};
		for (const column of columns) ((found[column.of_table] ??= {})[kindOf(column)] ??= []).push(column.name);
		expect(TABLES).toEqual(found);
	});

	it('is what the driver gives: whole numbers as numbers, decimals, days and times as text', async () => {
		const [row] = await bench.db('kitchens').where('id', bench.kitchen.id);
		expect(row?.version).toBe(1);
		expect(row?.scale_division_g).toBe('1.000');
		expect(row?.created_at).toMatch(/^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d\.\d{3}$/);
		// A sum of whole numbers is a decimal too: who reads one has to say so.
		const [sum] = await bench
			.db('kitchens')
			.select<{ versions: string }[]>(bench.db.raw('SUM(version) AS versions'));
		expect(sum?.versions).toBe('1');
	});
});
