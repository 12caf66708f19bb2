import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { strFromU8, strToU8, unzipSync, zipSync, type Unzipped } from 'fflate';
import { readRecipe } from '$core/file/read.ts';
import { archiveOf, restoreFrom } from '$lib/server/archive/beside.ts';
import { readArchive } from '$lib/server/archive/read.ts';
import { inParts } from '$lib/server/archive/insert.ts';
import { restoreKitchen } from '$lib/server/archive/restore.ts';
import { writeArchive } from '$lib/server/archive/write.ts';
import type { Manifest } from '$lib/server/archive/format.ts';
import { createKitchen, theKitchen } from '$lib/server/kitchens.ts';
import { ALL } from '$lib/server/sales/ledger.ts';
import { ledgerTotal } from '$lib/server/sales/totals.ts';
import { leftOf } from '$lib/server/life/rows.ts';
import { inWorker } from '$lib/server/workers/worker.ts';
import type { Cells } from '$lib/server/rows.ts';
import { kitchensOf } from '$lib/server/people/memberships.ts';
import { own, ownerless } from '$lib/server/people/own-kitchen.ts';
import { makePerson } from '$lib/server/people/persons.ts';
import { demoLoaded, emptied, KITCHEN, useBench } from './kitchen.ts';

const bench = useBench();
const NOW = new Date('2026-04-05T10:00:00Z');

async function ourArchive(name: string): Promise<Uint8Array> {
	const kitchen = await theKitchen(bench.db);
	expect(kitchen.name).toBe(name);
	return new Uint8Array(await new Response(writeArchive(bench.db, kitchen, NOW)).arrayBuffer());
}
async function begunAnew(): Promise<void> {
	await emptied(bench.db);
	await createKitchen(bench.db, KITCHEN);
}
/** What there is of the kitchen in the archive. */
const leftBehind = () => leftOf(bench.db, manifestOf(files).kitchen.id);
const DEMO = 'Tansy Row Flatbreads';
let archive: Uint8Array;
let files: Unzipped;
let total: Awaited<ReturnType<typeof ledgerTotal>>;

beforeAll(async () => {
	await demoLoaded(bench.db);
	total = await ledgerTotal(bench.db, (await theKitchen(bench.db)).id, ALL);
	archive = await ourArchive(DEMO);
	files = unzipSync(archive);
}, 120_000);

const manifestOf = (of: Unzipped) => JSON.parse(strFromU8(of['kitchen.json'] ?? strToU8('{}'))) as Manifest;
const rowsIn = (of: Unzipped, table: string) =>
	JSON.parse(strFromU8(of[`tables/${table}.json`] ?? strToU8('[]'))) as Cells[];

/** The archive with a table changed, and its hash with it, as somebody who knows how would. */
function forged(table: string, change: (rows: Cells[]) => unknown[]): Uint8Array {
	const manifest = manifestOf(files);
	const rows = change(rowsIn(files, table));
	const text = JSON.stringify(rows);
	const said = manifest.tables.find((each) => each.name === table);
	if (!said) throw new Error(`no ${table}`);
	Object.assign(said, { rows: rows.length, sha256: createHash('sha256').update(text).digest('hex') });
	return zipSync({
		...files,
		[`tables/${table}.json`]: strToU8(text),
		'kitchen.json': strToU8(JSON.stringify(manifest))
	});
}
const restore = async (bytes: Uint8Array) => restoreKitchen(bench.db, await readArchive(bytes));

describe('an archive', () => {
	it('holds every table of the kitchen, its lists, files, labels and a README', async () => {
		const tables = (await bench
			.db('information_schema.columns')
			.where('table_schema', bench.db.raw('DATABASE()'))
			.where('column_name', 'kitchen_id')
			.distinct('table_name as name')) as Cells[];
		// What is counted from the entries comes back with the entries.
		const counted = ['sales_months', 'batch_standings', 'changes', 'feed', 'feed_heads'];
		// What lets somebody in stays on this machine.
		const left = [
			...counted,
			'pairings',
			'sessions',
			// What this installation does for a kitchen, and what the kitchen takes of it.
			'jobs',
			'job_parts',
			'kitchen_usage',
			'creations',
			// What a device could not hand in: it is not kept yet.
			'left_entries'
		];
		const kept = tables.map((row) => String(row.name)).filter((name) => !left.includes(name));
		expect(
			manifestOf(files)
				.tables.map(({ name }) => name)
				.sort()
		).toEqual([...kept, 'kitchens'].sort());
		for (const { name, rows } of manifestOf(files).tables) expect(rowsIn(files, name)).toHaveLength(rows);
		expect(rowsIn(files, 'weighings').length).toBeGreaterThan(500);
		const lines = (file: string) =>
			strFromU8(files[file] ?? strToU8(''))
				.trim()
				.split('\r\n').length - 1;
		expect(lines('csv/sales.csv')).toBe(rowsIn(files, 'sales').length);
		expect(lines('csv/weighings.csv')).toBe(rowsIn(files, 'weighings').length);
		expect(lines('csv/batches.csv')).toBe(rowsIn(files, 'batches').length);
		expect(lines('csv/lots.csv')).toBe(rowsIn(files, 'lots').length);
		const named = Object.keys(files);
		expect(named.filter((name) => name.startsWith('labels/'))).toHaveLength(
			rowsIn(files, 'label_revisions').length
		);
		for (const name of named.filter((each) => each.startsWith('labels/')))
			expect(strFromU8((files[name] ?? new Uint8Array()).slice(0, 5))).toBe('%PDF-');
		const squareBatch = named.filter((name) => name.endsWith('.squarebatch.json'));
		expect(squareBatch.filter((name) => name.startsWith('formulas/'))).toHaveLength(4);
		for (const name of squareBatch) expect(readRecipe(strFromU8(files[name] ?? strToU8(''))).ok).toBe(true);
		expect(strFromU8(files['README.md'] ?? strToU8(''))).toContain(`# ${DEMO}, Oxlip Ferry`);
	});

	it('is refused where the kitchen is here already', async () => {
		await expect(restore(archive)).rejects.toThrow(/is on this machine already/);
	});
});

describe('a restore into an empty kitchen', () => {
	it('is exact: the archive of what was restored is the same, table by table', async () => {
		await begunAnew();
		const seen: number[] = [];
		const id = await restoreKitchen(bench.db, await readArchive(archive), ({ done }) => seen.push(done));
		expect(seen.at(-1)).toBe(manifestOf(files).tables.reduce((sum, table) => sum + table.rows, 0));
		const again = unzipSync(await ourArchive(DEMO));
		for (const { name } of manifestOf(files).tables)
			expect(strFromU8(again[`tables/${name}.json`] ?? strToU8('')), name).toBe(
				strFromU8(files[`tables/${name}.json`] ?? strToU8(''))
			);
		expect(Object.keys(again).sort()).toEqual(Object.keys(files).sort());
		expect(again['csv/sales.csv']).toEqual(files['csv/sales.csv']);
		expect(await ledgerTotal(bench.db, id, ALL)).toEqual(total);
		// The guards are as they were: what is evidence still cannot be changed.
		await expect(bench.db('sales').update({ packs: 1 })).rejects.toThrow(/never edited/);
		await expect(
			bench
				.db('batch_lines')
				.insert({ ...rowsIn(files, 'batch_lines')[0], id: '0'.repeat(26), batch_id: 'X'.repeat(26) })
		).rejects.toThrow(/foreign key/i);
	}, 120_000);

	it('lets nobody in: what lets somebody in is of a machine, and whoever brings it in owns it', async () => {
		const members = rowsIn(files, 'memberships');
		expect(members.map(({ name, role }) => [name, role])).toContainEqual(['Wren', 'owner']);
		// Neither the archive nor what came out of it says who these are, whatever somebody wrote into it.
		expect(members.filter((row) => row.person_id !== null || row.code_hash !== null)).toEqual([]);
		expect(Object.keys(files)).not.toContain('tables/sessions.json');
		expect(Object.keys(files)).not.toContain('tables/pairings.json');
		const { id } = await theKitchen(bench.db);
		expect(await ownerless(bench.db)).toContainEqual({ id, name: DEMO });
		const personId = await makePerson(bench.db, {
			name: 'Tansy',
			login: 'tansy',
			password: 'three plain words'
		});
		await own(bench.db, id, { personId, name: 'Tansy' });
		// A second time nothing comes of it: it has an owner.
		const other = await makePerson(bench.db, { name: 'Late', login: 'late', password: 'three plain words' });
		await own(bench.db, id, { personId: other, name: 'Late' });
		expect((await kitchensOf(bench.db, personId, () => '2026-04-05')).map((each) => each.id)).toEqual([id]);
		expect(await kitchensOf(bench.db, other, () => '2026-04-05')).toEqual([]);
	});
});

describe('an archive that is not as it was written', () => {
	beforeAll(begunAnew, 60_000);
	const damaged: [what: string, bytes: () => Uint8Array, says: RegExp][] = [
		['is no zip', () => strToU8('flour'), /not a zip file/],
		['has no manifest', () => zipSync({ 'README.md': strToU8('x') }), /not an archive of Square Batch/],
		['has a manifest of something else', () => zipSync({ 'kitchen.json': strToU8('{}') }), /cannot be read/],
		[
			'is from a newer form',
			() =>
				zipSync({
					...files,
					'kitchen.json': strToU8(JSON.stringify({ ...manifestOf(files), squareBatchArchive: 2 }))
				}),
			/newer Square Batch/
		],
		[
			'is from a newer version',
			() =>
				zipSync({
					...files,
					'kitchen.json': strToU8(JSON.stringify({ ...manifestOf(files), migration: '9999_x' }))
				}),
			/newer Square Batch/
		],
		[
			'had a row changed',
			() => zipSync({ ...files, 'tables/sales.json': strToU8('[]') }),
			/tables\/sales.json is not as it was written/
		],
		[
			'lacks a table',
			() =>
				zipSync(Object.fromEntries(Object.entries(files).filter(([name]) => name !== 'tables/lots.json'))),
			/tables\/lots.json is missing/
		],
		[
			'names rows that are not there',
			() => forged('batch_closings', ([row, ...rest]) => [{ ...row, batch_id: '0'.repeat(26) }, ...rest]),
			/names one of batches that is missing/
		],
		[
			'holds what is no row',
			() => forged('lots', ([row, ...rest]) => [row, null, ...rest]),
			/holds what is no row/
		],
		[
			'holds a row of another kitchen',
			() => forged('lots', ([row, ...rest]) => [{ ...row, kitchen_id: '0'.repeat(26) }, ...rest]),
			/not of this kitchen/
		],
		[
			'has a column that is not known',
			() => forged('lots', ([row, ...rest]) => [{ ...row, colour: 'red' }, ...rest]),
			/"colour" is not allowed/
		],
		[
			'holds what the database never lets be',
			() => forged('sales', ([row, ...rest]) => [{ ...row, packs: 0 }, ...rest]),
			/the record [0-9A-Z]{26} of sales cannot be here as it is: what it says does not go together$/
		],
		[
			'is of a kitchen of practice',
			() => forged('kitchens', ([row]) => [{ ...row, practice_of: row?.id ?? null }]),
			/a kitchen of practice: only a real one is brought in/
		],
		[
			'holds what somebody tried in practice',
			() =>
				forged('practice_tries', () => [
					{
						id: '01M8STX76GW99P4E6PRGM9RMZE',
						kitchen_id: manifestOf(files).kitchen.id,
						person_id: '01M8STX76GW99P4E6PRGM9RMZF',
						beside_id: manifestOf(files).kitchen.id,
						exercise: 'salt',
						seed: 1,
						own: null,
						batch_id: null,
						begun_at: '2026-01-01 00:00:00.000',
						finished_at: null,
						claims: null,
						outcome: null
					}
				]),
			/the record 01M8STX76GW99P4E6PRGM9RMZE of practice_tries: practice is not brought in/
		],
		[
			'holds a row that would be more than its columns',
			() => {
				const text = JSON.stringify(rowsIn(files, 'lots')).replace('{', '{"__proto__":{"kitchen_id":"x"},');
				const manifest = manifestOf(files);
				const said = manifest.tables.find(({ name }) => name === 'lots');
				Object.assign(said ?? {}, { sha256: createHash('sha256').update(text).digest('hex') });
				return zipSync({
					...files,
					'tables/lots.json': strToU8(text),
					'kitchen.json': strToU8(JSON.stringify(manifest))
				});
			},
			/holds what is no row/
		],
		[
			'is of a time zone nobody here knows',
			() => forged('kitchens', ([row]) => [{ ...row, time_zone: 'Mars/Olympus' }]),
			/row 1 of kitchens \(Tansy Row Flatbreads\) cannot be read: "time_zone" is no time zone/
		],
		[
			'has nothing where an object must be',
			() => forged('labels', ([row, ...rest]) => [{ ...row, design: 'null' }, ...rest]),
			/row 1 of labels cannot be read: its "design"/
		],
		[
			'has a label without its words',
			() => forged('label_revisions', ([row, ...rest]) => [{ ...row, content: '{"rules":"us"}' }, ...rest]),
			/row 1 of label_revisions cannot be read: its "content"/
		],
		[
			'has something happen that never does',
			() => forged('batch_events', ([row, ...rest]) => [{ ...row, name: 'constructor' }, ...rest]),
			/its "data": "constructor" is nothing that happens/
		],
		[
			'has a draft that no sheet could show',
			() => forged('formulas', ([row, ...rest]) => [{ ...row, draft: '{"lines":[null]}' }, ...rest]),
			/row 1 of formulas .* its "draft"/
		],
		[
			'has a day there never was',
			() => forged('lots', ([row, ...rest]) => [{ ...row, received_on: '2026-02-30' }, ...rest]),
			/"received_on" is no day there is/
		],
		[
			'says nothing of a table it holds',
			() => {
				const manifest = manifestOf(files);
				const tables = manifest.tables.filter(({ name }) => name !== 'sales');
				return zipSync({ ...files, 'kitchen.json': strToU8(JSON.stringify({ ...manifest, tables })) });
			},
			/says nothing of tables\/sales.json/
		],
		[
			'leaves a table out',
			() => {
				const manifest = manifestOf(files);
				const { 'tables/sales.json': _left, ...rest } = files;
				const tables = manifest.tables.filter(({ name }) => name !== 'sales');
				return zipSync({ ...rest, 'kitchen.json': strToU8(JSON.stringify({ ...manifest, tables })) });
			},
			/it says nothing of sales/
		],
		[
			'bursts when it is unpacked',
			() => zipSync({ ...files, 'tables/sales.json': new Uint8Array(64 * 1024 * 1024) }),
			/unpacks to 200 times its size/
		],
		[
			'says of a file that it is smaller than it is',
			() => {
				const bytes = zipSync(files, { level: 9 });
				const view = new DataView(bytes.buffer);
				// The first entry of the directory at the end: its size unpacked stands 24 bytes in.
				for (let at = 0; at < bytes.length - 4; at++)
					if (view.getUint32(at, true) === 0x02014b50) {
						view.setUint32(at + 24, 10, true);
						break;
					}
				return bytes;
			},
			/not a zip file, or it is damaged/
		]
	];
	it.each(damaged)(
		'%s: it is refused, and nothing of it stays',
		async (_, bytes, says) => {
			await expect(restore(bytes())).rejects.toThrow(says);
			expect(await bench.db('kitchens').pluck('name')).toEqual([KITCHEN.name]);
			expect(await leftBehind()).toEqual([]);
		},
		60_000
	);

	it('one that is stopped leaves nothing either', async () => {
		const stop = ({ done }: { done: number }) => {
			if (done > 1000) throw new Error('stopped');
		};
		await expect(restoreKitchen(bench.db, await readArchive(archive), stop)).rejects.toThrow('stopped');
		expect(await leftBehind()).toEqual([]);
	}, 60_000);
});

describe('rows that go in at once', () => {
	it('are no more, and no longer together, than the database takes', async () => {
		const rows = (count: number, length: number) =>
			Array.from({ length: count }, (_, id) => ({ id, facts: 'x'.repeat(length) }));
		const partsOf = async (of: Cells[]) => {
			const parts: Cells[][] = [];
			for await (const part of inParts(of)) parts.push(part);
			return parts;
		};
		const sizes = async (of: Cells[]) => (await partsOf(of)).map((part) => part.length);
		expect(await sizes([])).toEqual([]);
		expect(await sizes(rows(500, 1))).toEqual([500]);
		expect(await sizes(rows(501, 1))).toEqual([500, 1]);
		// 900,000 characters each: two are less than 2,000,000, three are more.
		expect(await sizes(rows(5, 900_000))).toEqual([2, 2, 1]);
		// One that is larger by itself still goes in.
		expect(await sizes(rows(2, 3_000_000))).toEqual([1, 1]);
		expect((await partsOf(rows(1234, 5000))).flat()).toEqual(rows(1234, 5000));
	});
});

describe('an archive of an older Square Batch', () => {
	it('is brought up to date by the migrations that came since', async () => {
		await begunAnew();
		const {
			version: _latest,
			locale: _written,
			week_starts: _begins,
			sells_short: _short,
			practice_of: _practised,
			state: _open,
			closed_at: _closed,
			...kitchen
		} = rowsIn(files, 'kitchens')[0] ?? {};
		const { refined: _marked, ...ingredient } = rowsIn(files, 'ingredients')[0] ?? {};
		const older: Record<string, Cells[]> = {
			kitchens: [kitchen],
			ingredients: [ingredient],
			price_packs: rowsIn(files, 'price_packs')
				.filter((row) => row.ingredient_id === ingredient.id)
				.map(({ deed_id: _done, ...row }) => row as Cells)
		};
		const id = await restoreKitchen(bench.db, {
			manifest: {
				...manifestOf(files),
				migration: '0049_left_and_on_hand',
				tables: Object.entries(older).map(([name, rows]) => ({ name, rows: rows.length, sha256: '' }))
			},
			rowsOf: (table) => older[table] ?? []
		});
		expect(await theKitchen(bench.db)).toMatchObject({ id, name: DEMO, locale: 'en-US', weekStarts: 0 });
		expect(await bench.db('ingredients').where('kitchen_id', id).pluck('id')).toEqual([ingredient.id]);
		expect(older.price_packs?.length).toBeGreaterThan(0);
		expect(await bench.db('price_packs').where('kitchen_id', id).pluck('id')).toHaveLength(
			older.price_packs?.length ?? 0
		);
		const [left] = (await bench.db.raw("SHOW DATABASES LIKE '%restore'")) as [unknown[]];
		expect(left).toEqual([]);
	}, 60_000);
});

describe('beside the server', () => {
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-work-'));
	const path = join(folder, 'demo.zip');
	const going = () => new AbortController().signal;
	beforeAll(() => writeFileSync(path, archive));
	afterAll(() => rmSync(folder, { recursive: true }));

	it('an archive comes in and is written, while the server goes on', async () => {
		await begunAnew();
		let beats = 0;
		const beat = setInterval(() => beats++, 5);
		const seen: number[] = [];
		const ended = restoreFrom(bench.db, path, ({ done }) => seen.push(done), going());
		await expect(restoreFrom(bench.db, path, () => undefined, going())).rejects.toThrow(/another archive/);
		const { id } = manifestOf(files).kitchen;
		expect(await ended).toEqual({ restored: id });
		expect(seen.length).toBeGreaterThan(1);
		const again = new Uint8Array(await new Response(archiveOf(bench.db, id, true)).arrayBuffer());
		expect((await readArchive(again)).manifest.tables).toEqual(manifestOf(files).tables);
		clearInterval(beat);
		expect(beats).toBeGreaterThan(50);
		await expect(restoreFrom(bench.db, path, () => undefined, going())).resolves.toMatchObject({
			problem: expect.stringMatching(/on this machine already/) as string
		});
	}, 120_000);

	it('stopped, it is over and nothing of it stays', async () => {
		await begunAnew();
		const stop = new AbortController();
		const ended = restoreFrom(bench.db, path, () => stop.abort(new Error('stopped')), stop.signal);
		await expect(ended).rejects.toThrow('stopped');
		expect(await bench.db('kitchens').pluck('name')).toEqual([KITCHEN.name]);
	}, 60_000);

	it('work that takes too long is ended in words', async () => {
		const late = inWorker<object, never>('draw labels', () => new Promise<never>(() => undefined), {
			limit_ms: 50
		});
		await expect(late).rejects.toThrow(/took too long/);
	});
});
