import type { ShelfRow } from '../shelf/file-row.ts';
import { csvText } from './csv-text.ts';
import { readCsv } from './csv-rows.ts';
import { COMPOSITION_KEYS } from '$core/composition/nutrients.ts';
import { measuresText, readMeasures, type Measures } from '$core/measure/convert.ts';
import { pathText } from '$core/file/messages.ts';
import { partsText } from '$core/formula/parts.ts';
import type { Database } from './db/connection.ts';
import { ingredientForm, ingredientInput, priceForm, type PriceForm } from './edge/ingredient.ts';
import { Refused } from './errors.ts';
import { addIngredient, listIngredients, writeIngredient } from './ingredients.ts';
import type { IngredientInput, ShelfIngredient } from '../shelf/ingredient.ts';
import { today } from './kitchens.ts';
import type { Kitchen } from '../kitchen/types.ts';
import { setMeasures, toMeasures } from './measures.ts';
import { pricePacks, writePrice } from './prices.ts';
import type { PricePack } from '../shelf/price.ts';
import { newId } from './rows.ts';
import { changeShelf } from './shelf-keep.ts';

/** Columns of the shelf as CSV, in order; documented in docs/shelf-csv.md. */
export const SHELF_COLUMNS = [
	'name',
	'kind',
	'label_us',
	'label_eu',
	'parts',
	'allergens',
	'refined',
	'may_contain',
	'allergens_confirmed_on',
	'allergens_evidence',
	'source',
	'source_note',
	'source_on',
	...COMPOSITION_KEYS,
	'measures',
	'price_amount',
	'price_grams',
	'price_usable_percent',
	'price_on',
	'price_where'
] as const;
type Column = (typeof SHELF_COLUMNS)[number];
type TextRow = Partial<Record<Column, string>>;

/** A row of a file before it is read; `problem` says why its cells cannot be told apart. */
interface FileRow {
	line: number;
	row: TextRow;
	problem: string;
}

interface SoundRow {
	input: IngredientInput;
	measures: Measures;
	price: PriceForm | null;
}

function textRow(ingredient: ShelfIngredient, pack: PricePack | undefined): Record<Column, string> {
	const { composition } = ingredient;
	return {
		name: ingredient.name,
		kind: ingredient.kind,
		label_us: ingredient.labelUs,
		label_eu: ingredient.labelEu,
		parts: partsText(ingredient.parts),
		allergens: ingredient.allergens.join(';'),
		refined: ingredient.refined.join(';'),
		may_contain: ingredient.mayContain.join(';'),
		allergens_confirmed_on: ingredient.confirmedOn ?? '',
		allergens_evidence: ingredient.evidence,
		source: composition.source,
		source_note: composition.sourceNote,
		source_on: composition.sourceOn ?? '',
		...(Object.fromEntries(
			COMPOSITION_KEYS.map((key) => [
				key,
				composition.per100g[key] == null ? '' : String(composition.per100g[key])
			])
		) as Record<(typeof COMPOSITION_KEYS)[number], string>),
		measures: measuresText(toMeasures(ingredient.measures)),
		price_amount: pack?.amount ?? '',
		price_grams: pack ? String(pack.grams) : '',
		price_usable_percent: pack ? String(pack.usable * 100) : '',
		price_on: pack?.boughtOn ?? '',
		price_where: pack?.supplier ?? ''
	};
}

async function textRows(db: Database, kitchen: Kitchen): Promise<Record<Column, string>[]> {
	const [ingredients, packs] = await Promise.all([
		listIngredients(db, kitchen.id),
		pricePacks(db, kitchen.id)
	]);
	return ingredients
		.filter((ingredient) => ingredient.mix === null)
		.map((ingredient) =>
			textRow(
				ingredient,
				packs.find((pack) => pack.ingredientId === ingredient.id)
			)
		);
}

/** The shelf as CSV, one ingredient a row with its newest price; mixes, which follow from others, are left out. */
export async function shelfCsv(db: Database, kitchen: Kitchen): Promise<string> {
	return csvText({ fields: [...SHELF_COLUMNS], data: await textRows(db, kitchen) });
}

/** The shelf as JSON: the same rows as the CSV, by column. */
export async function shelfJson(db: Database, kitchen: Kitchen): Promise<string> {
	const ingredients = await textRows(db, kitchen);
	return `${JSON.stringify({ squareBatchShelf: 1, ingredients }, null, '\t')}\n`;
}

/** Rows of a file, CSV or the JSON of `shelfJson`. Refuses what is neither. */
function rowsOf(text: string): FileRow[] {
	const trimmed = text.replace(/^\uFEFF/, '');
	if (trimmed.trimStart().startsWith('{')) return jsonRows(trimmed);
	const { header, rows } = readCsv(trimmed);
	if (!header.includes('name'))
		throw new Refused([{ path: '', message: 'the first row has to name the columns, "name" among them' }]);
	const unknown = header.filter((column) => !(SHELF_COLUMNS as readonly string[]).includes(column));
	if (unknown.length > 0)
		throw new Refused([
			{ path: '', message: `no such column: ${unknown.join(', ')}; see the list of columns` }
		]);
	return rows.map(({ line, cells, problem }) => ({ line, row: cells, problem }));
}

/** A value of a JSON row as the same cell of a CSV: nothing is lost, what cannot be a cell is refused as one. */
function cellText(value: unknown): string {
	if (value === null || value === undefined) return '';
	if (Array.isArray(value)) return value.join();
	return typeof value === 'string' ? value : JSON.stringify(value);
}

function jsonRows(text: string): FileRow[] {
	const refuse = (message: string): never => {
		throw new Refused([{ path: '', message }]);
	};
	let document: unknown;
	try {
		document = JSON.parse(text);
	} catch (error) {
		return refuse(`the file is not JSON: ${error instanceof Error ? error.message : String(error)}`);
	}
	const list = (document as { squareBatchShelf?: unknown; ingredients?: unknown }).ingredients;
	if ((document as { squareBatchShelf?: unknown }).squareBatchShelf !== 1 || !Array.isArray(list))
		return refuse('this JSON is not a shelf: "squareBatchShelf": 1 and a list of "ingredients" are expected');
	return list.map((entry: unknown, index) => ({
		line: index + 1,
		problem: '',
		row: Object.fromEntries(
			Object.entries((entry ?? {}) as Record<string, unknown>).map(([key, value]) => [key, cellText(value)])
		)
	}));
}

const COLUMN_OF: Record<string, Column> = {
	name: 'name',
	kind: 'kind',
	labelUs: 'label_us',
	labelEu: 'label_eu',
	parts: 'parts',
	allergens: 'allergens',
	refined: 'refined',
	mayContain: 'may_contain',
	evidence: 'allergens_evidence',
	confirmed: 'allergens_confirmed_on',
	source: 'source',
	sourceNote: 'source_note',
	sourceOn: 'source_on',
	amount: 'price_amount',
	grams: 'price_grams',
	usable: 'price_usable_percent',
	boughtOn: 'price_on',
	supplier: 'price_where'
};

/** Tags of a cell, with semicolons or commas between. */
const tags = (text: string) =>
	text
		.split(/[;,]/)
		.map((tag) => tag.trim())
		.filter(Boolean);

/** Reads one row by the same rules as the form. */
function readRow(row: TextRow, kitchen: Kitchen): { sound: SoundRow | null; problems: ShelfRow['problems'] } {
	const problems: ShelfRow['problems'] = [];
	const cell = (column: Column) => (row[column] ?? '').trim();
	const confirmedOn = cell('allergens_confirmed_on');
	const form = ingredientForm.validate(
		{
			id: newId(),
			version: 1,
			name: cell('name'),
			kind: cell('kind'),
			labelUs: cell('label_us'),
			labelEu: cell('label_eu'),
			parts: cell('parts'),
			allergens: tags(cell('allergens')),
			refined: tags(cell('refined')),
			mayContain: tags(cell('may_contain')),
			confirmed: confirmedOn !== '',
			evidence: cell('allergens_evidence'),
			per100g: Object.fromEntries(COMPOSITION_KEYS.map((key) => [key, cell(key)])),
			source: cell('source') || 'estimate',
			sourceNote: cell('source_note'),
			sourceOn: cell('source_on'),
			label: { kind: '', serving: '', printed: {} },
			mix: null,
			portion: ''
		},
		{ abortEarly: false, convert: true }
	);
	for (const item of form.error?.details ?? []) {
		const path = pathText(item.path);
		const key = String(item.path.at(-1));
		problems.push({
			column: path.startsWith('per100g.')
				? key
				: path.startsWith('allergens')
					? 'allergens'
					: path.startsWith('mayContain')
						? 'may_contain'
						: path.startsWith('refined')
							? 'refined'
							: (COLUMN_OF[key] ?? path),
			message: item.message
		});
	}
	if (confirmedOn !== '' && !/^\d{4}-\d{2}-\d{2}$/.test(confirmedOn))
		problems.push({ column: 'allergens_confirmed_on', message: 'write the day as 2026-03-14' });
	const price = readPrice(cell, kitchen, problems);
	const measures = readMeasures(cell('measures'));
	if (Object.values(measures).some(({ grams, low, high }) => !(low > 0 && low <= grams && grams <= high)))
		problems.push({ column: 'measures', message: 'write each as cup:125:118-145, with semicolons between' });
	if (problems.length > 0 || form.error) return { sound: null, problems };
	return {
		problems,
		sound: { input: ingredientInput(form.value, confirmedOn || null, today(kitchen)), measures, price }
	};
}

function readPrice(
	cell: (column: Column) => string,
	kitchen: Kitchen,
	problems: ShelfRow['problems']
): PriceForm | null {
	if (cell('price_amount') === '' && cell('price_grams') === '') return null;
	const form = priceForm.validate(
		{
			id: newId(),
			amount: cell('price_amount'),
			grams: cell('price_grams'),
			usable: cell('price_usable_percent') || '100',
			boughtOn: cell('price_on') || today(kitchen),
			supplier: cell('price_where')
		},
		{ abortEarly: false, convert: true }
	);
	for (const item of form.error?.details ?? [])
		problems.push({ column: COLUMN_OF[String(item.path[0])] ?? 'price_amount', message: item.message });
	return form.error ? null : form.value;
}

interface ReadRow {
	shown: ShelfRow;
	sound: SoundRow | null;
	there: ShelfIngredient | undefined;
}

async function readAll(db: Database, kitchen: Kitchen, text: string): Promise<ReadRow[]> {
	const [shelf, packs] = await Promise.all([listIngredients(db, kitchen.id), pricePacks(db, kitchen.id)]);
	const byName = new Map(shelf.map((ingredient) => [ingredient.name.toLowerCase(), ingredient]));
	const seen = new Map<string, number>();
	return rowsOf(text).map(({ line, row, problem }) => {
		const { sound, problems } = problem
			? { sound: null, problems: [{ column: '', message: problem }] }
			: readRow(row, kitchen);
		const name = (row.name ?? '').trim();
		const key = name.toLowerCase();
		const before = seen.get(key);
		if (key && before !== undefined)
			problems.push({ column: 'name', message: `the same name stands on line ${before} already` });
		seen.set(key, line);
		const there = byName.get(key);
		if (there?.mix)
			problems.push({ column: 'name', message: 'this is a mix of your own: change its lines instead' });
		const changes = sound && there ? changesOf(there, packs, row) : [];
		const bad = problems.length > 0 || sound === null;
		const state = bad ? 'bad' : !there ? 'new' : changes.length > 0 ? 'changed' : 'same';
		return { shown: { line, name, state, problems, changes }, sound: bad ? null : sound, there };
	});
}

/** What a sound row says differently from the ingredient that is there, column by column. */
function changesOf(there: ShelfIngredient, packs: readonly PricePack[], row: TextRow): string[] {
	const now = textRow(
		there,
		packs.find((pack) => pack.ingredientId === there.id)
	);
	return SHELF_COLUMNS.filter((column) => {
		const [was, is] = [now[column], row[column]];
		if (is === undefined || column === 'name') return false;
		const same = was === is.trim() || (was !== '' && is.trim() !== '' && Number(was) === Number(is));
		return !same;
	}).map((column) => `${column}: ${now[column] || 'empty'} → ${row[column]?.trim() || 'empty'}`);
}

/** What a file would do, row by row; nothing is written. Refuses a file that is no shelf. */
export async function previewShelf(db: Database, kitchen: Kitchen, text: string): Promise<ShelfRow[]> {
	return (await readAll(db, kitchen, text)).map((row) => row.shown);
}

/** Writes the chosen sound rows, all or none; how many were added and changed. */
export async function importShelf(
	db: Database,
	kitchen: Kitchen,
	text: string,
	lines: ReadonlySet<number>
): Promise<{ added: number; changed: number }> {
	return changeShelf(db, kitchen.id, async (transaction, changed) => {
		const done = { added: 0, changed: 0 };
		for (const { shown, sound, there } of await readAll(transaction, kitchen, text)) {
			if (!sound || !lines.has(shown.line) || shown.state === 'same') continue;
			if (there) {
				await writeIngredient(transaction, kitchen.id, there.id, there.version, {
					...sound.input,
					mix: null,
					portion_g: there.portion_g
				});
				done.changed++;
			} else done.added++;
			const id = there?.id ?? (await addIngredient(transaction, kitchen.id, sound.input));
			changed(id);
			await setMeasures(transaction, kitchen.id, id, sound.measures, 'typed');
			const isNewPrice =
				sound.price && (!there || shown.changes.some((change) => change.startsWith('price_')));
			if (sound.price && isNewPrice) {
				const { id: key, ...price } = sound.price;
				await writePrice(transaction, kitchen.id, id, { ...price, usable: price.usable / 100 }, key);
			}
		}
		return done;
	});
}
