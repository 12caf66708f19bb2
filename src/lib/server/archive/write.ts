import { Zip, ZipDeflate } from 'fflate';
import { writeRecipe } from '$core/file/write.ts';
import { recipeOfDocument, type FileDocument } from '$core/file/document.ts';
import type { RulesName } from '$core/formula/types.ts';
import { layoutLabel } from '$core/label/layout.ts';
import { readBatches } from '../batches/read.ts';
import type { Database } from '../db/connection.ts';
import { Refused } from '../errors.ts';
import { fileName, formulaRecipe } from '../files.ts';
import { listFormulas } from '../formulas/read.ts';
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
export function writeArchive(database: Database, kitchen: Kitchen, now: Date): ReadableStream<Bytes> {
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
				.transaction((db) => fill(db, kitchen, now, write), {
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

async function fill(db: Database, kitchen: Kitchen, now: Date, write: () => Put): Promise<void> {
	const tables = dumpKitchen(db, kitchen, now.toISOString());
	let next = await tables.next();
	for (; !next.done; next = await tables.next()) write()(next.value.file, next.value.text, next.value.last);
	const manifest = next.value;
	write()(MANIFEST, `${JSON.stringify(manifest, null, '\t')}\n`);
	write()('README.md', readmeOf(kitchen, manifest));
	await putLists(db, kitchen, write);
	await putFormulas(db, kitchen, write);
	await putBatches(db, kitchen, write);
	await putLabels(db, kitchen, write);
}

async function putLists(db: Database, kitchen: Kitchen, write: () => Put): Promise<void> {
	write()('csv/ingredients.csv', await shelfCsv(db, kitchen));
	write()('csv/sales.csv', salesCsvHead(), false);
	const AT_ONCE = 1000;
	let some = [];
	for await (const sale of everySale(db, kitchen.id, ALL)) {
		some.push(sale);
		if (some.length < AT_ONCE) continue;
		write()('csv/sales.csv', `\r\n${salesCsvRows(some, kitchen.currency)}`, false);
		some = [];
	}
	write()('csv/sales.csv', some.length === 0 ? '' : `\r\n${salesCsvRows(some, kitchen.currency)}`);
	for (const list of ['batches', 'lots', 'weighings'] as const)
		for await (const { text, last } of tableCsv(db, kitchen.id, list)) write()(`csv/${list}.csv`, text, last);
}

async function putFormulas(db: Database, kitchen: Kitchen, write: () => Put): Promise<void> {
	const taken = new Set<string>();
	for (const { id, name } of await listFormulas(db, kitchen.id)) {
		try {
			const recipe = writeRecipe(await formulaRecipe(db, kitchen, id));
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
async function putBatches(db: Database, kitchen: Kitchen, write: () => Put): Promise<void> {
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
		// A correction comes after what it corrects, and takes its place.
		const recipes = new Map(
			closings.map((row) => [row.batch_id, recipeOfDocument(JSON.parse(row.recipe) as FileDocument)])
		);
		const open = some.flatMap((row) => (row.closed_at === null ? [row.id] : []));
		for (const batch of await readBatches(db, kitchen, open))
			if (batch.recorded) recipes.set(batch.id, batch.recipe);
		for (const row of some) {
			const recipe = recipes.get(row.id);
			if (recipe) write()(`batches/${fileName(row.code)}`, writeRecipe(recipe));
		}
	}
}

/** Each revision as it was approved, without the code and date of a batch. */
async function putLabels(db: Database, kitchen: Kitchen, write: () => Put): Promise<void> {
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
		const { rules } = row;
		const revision = await getRevision(db, { ...kitchen, rules }, row.product_id, row.number);
		const { drawing } = layoutLabel(revision.content, revision.declared_g, { code: '', bestBefore: '' });
		const name = `${revision.content.name} ${rules} revision ${revision.number}`.replace(/[^\w -]+/g, '');
		const unique = `${name} ${row.product_id.slice(-6)}`;
		write()(`labels/${unique}.pdf`, await labelsPdf(name, drawing, 1, 'roll'));
	}
}
