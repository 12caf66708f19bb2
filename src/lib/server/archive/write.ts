import { Zip, ZipDeflate } from 'fflate';
import { writeRecipe } from '$core/file/write.ts';
import { recipeOfDocument, type FileDocument } from '$core/file/document.ts';
import type { Recipe, RulesName } from '$core/formula/types.ts';
import { layoutLabel } from '$core/label/layout.ts';
import { readBatches } from '../batches/read.ts';
import type { Database } from '../db/connection.ts';
import { Refused } from '../errors.ts';
import { fileName, formulaRecipe } from '../files.ts';
import { listFormulas } from '../formulas/read.ts';
import type { Batch } from '../../batch/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { getRevision } from '../labels/revisions.ts';
import { labelsPdf } from '../print/pdf.ts';
import { salesCsvHead, salesCsvRows } from '../sales/csv.ts';
import { ALL, everySale } from '../sales/ledger.ts';
import { shelfCsv } from '../shelf-file.ts';
import { tableCsv } from './csv.ts';
import { dumpKitchen } from './dump.ts';
import { MANIFEST } from './format.ts';
import { readmeOf } from './readme.ts';

type Bytes = Uint8Array<ArrayBuffer>;
const utf8 = new TextEncoder();

/**
 * Everything of a kitchen as one zip in open forms: every row as JSON, lists as CSV, formulas and batches as
 * Square Batch files, each label revision as PDF, and a README. Of one moment, whatever is saved meanwhile.
 */
export function writeArchive(
	database: Database,
	kitchen: Kitchen,
	now: Date,
	withCustomers = true
): ReadableStream<Bytes> {
	let cancelled = false;
	return new ReadableStream<Bytes>({
		start(controller) {
			const zip = new Zip((error, chunk, final) => {
				if (cancelled) return;
				if (error) {
					controller.error(error);
					return;
				}
				controller.enqueue(chunk);
				if (final) controller.close();
			});
			const put = putInto(zip, now);
			const write = () => {
				if (cancelled) throw new Error('the archive was cancelled');
				return put;
			};
			database
				.transaction((db) => fill(db, kitchen, { now, withCustomers }, write), {
					isolationLevel: 'repeatable read'
				})
				.then(() => zip.end())
				.catch((error: unknown) => {
					if (!cancelled) controller.error(error);
				});
		},
		cancel() {
			cancelled = true;
		}
	});
}

/** Puts a piece of a file, or a whole one, into the archive. */
type Put = (file: string, content: string | Bytes, last?: boolean) => void;

function putInto(zip: Zip, now: Date): Put {
	let open: { file: string; into: ZipDeflate } | null = null;
	return (file, content, last = true) => {
		if (open?.file !== file) {
			const into = new ZipDeflate(file, { level: 6 });
			into.mtime = now;
			zip.add(into);
			open = { file, into };
		}
		open.into.push(typeof content === 'string' ? utf8.encode(content) : content, last);
		if (last) open = null;
	};
}

async function fill(
	db: Database,
	kitchen: Kitchen,
	{ now, withCustomers }: { now: Date; withCustomers: boolean },
	write: () => Put
): Promise<void> {
	const tables = dumpKitchen(db, kitchen, now.toISOString(), withCustomers);
	let next = await tables.next();
	for (; !next.done; next = await tables.next()) write()(next.value.file, next.value.text, next.value.last);
	const manifest = next.value;
	write()(MANIFEST, `${JSON.stringify(manifest, null, '\t')}\n`);
	write()('README.md', readmeOf(kitchen, manifest));
	const spared = new Spared();
	await putLists(db, kitchen, withCustomers, write, spared);
	await putFormulas(db, kitchen, write, spared);
	await putBatches(db, kitchen, write, spared);
	await putLabels(db, kitchen, write, spared);
	if (spared.leftOut.length > 0) write()('LEFT OUT.md', spared.text());
}

/**
 * What is left out as a record of it cannot be read: its row is among the tables as it is, and the rest of the archive
 * is whole.
 */
class Spared {
	readonly leftOut: string[] = [];

	/** What `make` gives; null where it met what it cannot read. Everything else that fails is thrown on. */
	async of<T>(what: string, make: () => T | Promise<T>): Promise<T | null> {
		try {
			return await make();
		} catch (error) {
			// What a document that is not of its shape brings when it is read: the database fails otherwise.
			if (!(error instanceof TypeError || error instanceof SyntaxError || error instanceof RangeError))
				throw error;
			this.leftOut.push(`${what}: ${error.message}`);
			return null;
		}
	}

	text(): string {
		const list = this.leftOut.map((each) => `- ${each}`).join('\n');
		return `# Left out\n\nThese could not be made, as a record of them cannot be read. The records are under tables/ as they are.\n\n${list}\n`;
	}
}

async function putLists(
	db: Database,
	kitchen: Kitchen,
	withCustomers: boolean,
	write: () => Put,
	spared: Spared
): Promise<void> {
	const shelf = await spared.of('csv/ingredients.csv', () => shelfCsv(db, kitchen));
	if (shelf !== null) write()('csv/ingredients.csv', shelf);
	write()('csv/sales.csv', salesCsvHead(), false);
	const AT_ONCE = 1000;
	let some = [];
	for await (const sale of everySale(db, kitchen.id, ALL)) {
		some.push(sale);
		if (some.length < AT_ONCE) continue;
		write()('csv/sales.csv', `\r\n${salesCsvRows(some, kitchen.currency, withCustomers)}`, false);
		some = [];
	}
	write()(
		'csv/sales.csv',
		some.length === 0 ? '' : `\r\n${salesCsvRows(some, kitchen.currency, withCustomers)}`
	);
	for (const list of ['batches', 'lots', 'weighings'] as const)
		for await (const { text, last } of tableCsv(db, kitchen.id, list)) write()(`csv/${list}.csv`, text, last);
}

async function putFormulas(db: Database, kitchen: Kitchen, write: () => Put, spared: Spared): Promise<void> {
	const taken = new Set<string>();
	for (const { id, name } of await listFormulas(db, kitchen.id)) {
		try {
			const recipe = await spared.of(`formula ${name}`, async () =>
				writeRecipe(await formulaRecipe(db, kitchen, id))
			);
			if (recipe === null) continue;
			const file = taken.has(fileName(name)) ? fileName(`${name} ${id}`) : fileName(name);
			taken.add(file);
			write()(`formulas/${file}`, recipe);
		} catch (error) {
			// A formula that was never kept has no file yet; its draft is among the tables.
			if (!(error instanceof Refused)) throw error;
		}
	}
}

/** Each batch that was recorded as it stands: of a closed one its newest closing says so. */
async function putBatches(db: Database, kitchen: Kitchen, write: () => Put, spared: Spared): Promise<void> {
	const AT_ONCE = 200;
	const batches = await db('batches')
		.where('kitchen_id', kitchen.id)
		.orderBy('id')
		.select('id', 'code', 'closed_at');
	for (let from = 0; from < batches.length; from += AT_ONCE) {
		const some = batches.slice(from, from + AT_ONCE);
		const ids = some.map((row) => row.id);
		const closings = await db('batch_closings')
			.where('kitchen_id', kitchen.id)
			.whereIn('batch_id', ids)
			.orderBy('number')
			.select('batch_id', 'recipe');
		const codes = new Map(some.map((row) => [row.id, row.code]));
		const recipes = new Map<string, Recipe>();
		// A correction comes after what it corrects, and takes its place.
		for (const { batch_id, recipe } of closings) {
			const read = await spared.of(`batch ${codes.get(batch_id)}`, () =>
				recipeOfDocument(JSON.parse(recipe) as FileDocument)
			);
			if (read) recipes.set(batch_id, read);
		}
		const open = some.flatMap((row) => (row.closed_at === null ? [row.id] : []));
		for (const batch of await readSpared(db, kitchen, open, (id) => `batch ${codes.get(id)}`, spared))
			if (batch.recorded) recipes.set(batch.id, batch.recipe);
		for (const { id, code } of some) {
			const recipe = recipes.get(id);
			const text = recipe && (await spared.of(`batch ${code}`, () => writeRecipe(recipe)));
			if (text) write()(`batches/${fileName(code)}`, text);
		}
	}
}

/** Batches read together; where one of them cannot be, each alone. */
async function readSpared(
	db: Database,
	kitchen: Kitchen,
	ids: readonly string[],
	called: (id: string) => string,
	spared: Spared
): Promise<Batch[]> {
	const together = await new Spared().of('', () => readBatches(db, kitchen, [...ids]));
	if (together) return together;
	const read: Batch[] = [];
	for (const id of ids)
		read.push(...((await spared.of(called(id), () => readBatches(db, kitchen, [id]))) ?? []));
	return read;
}

/** Each revision as it was approved, without the code and date of a batch. */
async function putLabels(db: Database, kitchen: Kitchen, write: () => Put, spared: Spared): Promise<void> {
	const rows = await db('label_revisions as r')
		.join('labels as l', 'l.id', 'r.label_id')
		.where('r.kitchen_id', kitchen.id)
		.orderBy(['l.product_id', 'l.rules', 'r.number'])
		.select<{ product_id: string; rules: RulesName; number: number }[]>(
			'l.product_id',
			'l.rules',
			'r.number'
		);
	for (const row of rows) {
		const { rules, number } = row;
		const label = await spared.of(
			`label revision ${number}, ${rules}, of product ${row.product_id}`,
			async () => {
				const revision = await getRevision(db, { ...kitchen, rules }, row.product_id, number);
				const { drawing } = layoutLabel(revision.content, revision.declared_g, { code: '', bestBefore: '' });
				const name = `${revision.content.name} ${rules} revision ${number}`.replace(/[^\w -]+/g, '');
				return {
					name: `${name} ${row.product_id.slice(-6)}`,
					pdf: await labelsPdf(name, drawing, 1, 'roll')
				};
			}
		);
		if (label) write()(`labels/${label.name}.pdf`, label.pdf);
	}
}
