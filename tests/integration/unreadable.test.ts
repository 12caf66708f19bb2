import { strFromU8, strToU8, unzipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { documentColumns } from '$lib/server/edge/kept/documents.ts';
import { kitchenTables } from '$lib/server/archive/tables.ts';
import { writeArchive } from '$lib/server/archive/write.ts';
import { theKitchen } from '$lib/server/kitchens.ts';
import { KINDS, letGo, unreadable } from '$lib/server/kept/unreadable.ts';
import { demoLoaded, useBench } from './kitchen.ts';

const bench = useBench();
let kitchenId = '';
beforeAll(async () => {
	kitchenId = (await demoLoaded(bench.db)).id;
}, 120_000);

/** Writes a document as no form could; guards of evidence are stepped around. */
async function written(table: string, column: string, id: string, text: string): Promise<void> {
	const triggers = (await bench
		.db('information_schema.triggers')
		.where({ event_object_table: table, action_timing: 'BEFORE', event_manipulation: 'UPDATE' })
		.where('trigger_schema', bench.db.raw('DATABASE()'))
		.select('trigger_name', 'action_statement')) as unknown as Record<
		'trigger_name' | 'action_statement',
		string
	>[];
	for (const { trigger_name } of triggers) await bench.db.raw('DROP TRIGGER ??', [trigger_name]);
	await bench
		.db(table as 'formulas')
		.where('id', id)
		.update({ [column]: text });
	for (const { trigger_name: name, action_statement: does } of triggers)
		await bench.db.raw(`CREATE TRIGGER \`${name}\` BEFORE UPDATE ON \`${table}\` FOR EACH ROW ${does}`);
}

describe('what cannot be read', () => {
	it('is nothing of the demo', async () => {
		expect(await unreadable(bench.db, kitchenId)).toEqual([]);
	});

	it('is looked for in every column that holds a document', async () => {
		const columns = (await kitchenTables(bench.db)).flatMap(({ name }) =>
			documentColumns(name).map((column) => `${name}.${column}`)
		);
		expect(Object.keys(KINDS).sort()).toEqual(columns.sort());
	});

	it.each(Object.keys(KINDS))('%s: said, and let go where it is no evidence', async (place) => {
		const [table = '', column = ''] = place.split('.');
		const row = (await bench
			.db(table as 'formulas')
			.where('kitchen_id', kitchenId)
			.orderBy('id')
			.first()) as unknown as Record<string, string> | undefined;
		// The demo checked no packs and has no windows of its own.
		if (!row) return;
		const { id = '', [column]: before = '' } = row;
		await written(table, column, id, '{"flour":[null]}');
		const [found, ...more] = await unreadable(bench.db, kitchenId);
		expect(more).toEqual([]);
		expect(found).toMatchObject({ table, column, id, text: '{"flour":[null]}' });
		expect(found?.what).not.toContain('undefined');
		if (found?.letGo === null) {
			await expect(letGo(bench.db, kitchenId, found)).rejects.toThrow(/evidence/);
			await written(table, column, id, before);
		} else {
			await letGo(bench.db, kitchenId, { table, column, id });
			await expect(letGo(bench.db, kitchenId, { table, column, id })).rejects.toThrow(/can be read again/);
		}
		expect(await unreadable(bench.db, kitchenId)).toEqual([]);
	});

	it('is left out of the archive with a word, and the rest of it is whole', async () => {
		const kitchen = await theKitchen(bench.db);
		const zipped = async () =>
			unzipSync(
				new Uint8Array(await new Response(writeArchive(bench.db, kitchen, new Date())).arrayBuffer())
			);
		const whole = Object.keys(await zipped()).sort();
		const firstOf = async (table: 'label_revisions' | 'batch_closings', column: string) => {
			const row = (await bench
				.db(table)
				.where('kitchen_id', kitchenId)
				.orderBy('id')
				.first()) as unknown as Record<string, string>;
			return { id: row.id ?? '', before: row[column] ?? '' };
		};
		const revision = await firstOf('label_revisions', 'content');
		const closing = await firstOf('batch_closings', 'recipe');
		await written('label_revisions', 'content', revision.id, '{"flour":[null]}');
		await written('batch_closings', 'recipe', closing.id, '{"flour":[null]}');
		const files = await zipped();
		await written('label_revisions', 'content', revision.id, revision.before);
		await written('batch_closings', 'recipe', closing.id, closing.before);
		const left = whole.filter((name) => !(name in files));
		expect(left.map((name) => name.split('/')[0]).sort()).toEqual(['batches', 'labels']);
		const said = strFromU8(files['LEFT OUT.md'] ?? strToU8(''));
		expect(said).toContain('label revision 1');
		expect(said).toMatch(/batch \d{6}-\d/);
		expect(whole).not.toContain('LEFT OUT.md');
	});
});
