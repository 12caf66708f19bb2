import { COMPOSITION_KEYS } from '$core/composition/nutrients.ts';
import { pathText } from '$core/file/messages.ts';
import { readMeasures, type Measures } from '$core/measure/convert.ts';
import type { ShelfRow } from '../shelf/file-row.ts';
import type { IngredientInput } from '../shelf/ingredient.ts';
import { readCsv } from './csv-rows.ts';
import { ingredientForm, ingredientInput, priceRow, type PriceRow } from './edge/ingredient.ts';
import { Refused, refuse } from './errors.ts';
import { newId } from './rows.ts';

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
export type Column = (typeof SHELF_COLUMNS)[number];
export type TextRow = Partial<Record<Column, string>>;

/** A row of a file before it is read; `problem` says why its cells cannot be told apart. */
interface FileRow {
	line: number;
	row: TextRow;
	problem: string;
}

/** A row that can be kept. */
export interface SoundRow {
	input: IngredientInput;
	measures: Measures;
	price: PriceRow | null;
}

/** A row of a file as it was read. */
export interface ReadShelfRow {
	line: number;
	row: TextRow;
	sound: SoundRow | null;
	problems: ShelfRow['problems'];
}

/** More are in no kitchen: a file that has them is put together by mistake. */
const MOST_ROWS = 2000;
/** The longest cell a shelf has: a compound's parts. */
const MOST_CELL = 8000;

/** The rows of a shelf's file, by the rules of the form. Refuses a file that is no shelf. */
export function readShelf(text: string, today: string): ReadShelfRow[] {
	return rowsOf(text).map(({ line, row, problem }) => {
		const long = Object.entries(row).find(([, cell]) => cell.length > MOST_CELL)?.[0];
		const unread =
			problem !== ''
				? { column: '', message: problem }
				: long === undefined
					? null
					: { column: long, message: `is longer than ${MOST_CELL} characters` };
		if (unread)
			return { line, row: { name: (row.name ?? '').slice(0, 160) }, sound: null, problems: [unread] };
		return { line, row, ...readRow(row, today) };
	});
}

/** Refuses more rows than a shelf has. */
function refuseMany(rows: number): void {
	if (rows > MOST_ROWS)
		refuse('', `the file has ${rows} rows, a shelf ${MOST_ROWS} at most: bring it in in parts`);
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
	refuseMany(rows.length);
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
	refuseMany(list.length);
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
function readRow(row: TextRow, today: string): { sound: SoundRow | null; problems: ShelfRow['problems'] } {
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
	const price = readPrice(cell, today, problems);
	const measures = readMeasures(cell('measures'));
	if (Object.values(measures).some(({ grams, low, high }) => !(low > 0 && low <= grams && grams <= high)))
		problems.push({ column: 'measures', message: 'write each as cup:125:118-145, with semicolons between' });
	if (problems.length > 0 || form.error) return { sound: null, problems };
	return {
		problems,
		sound: { input: ingredientInput(form.value, confirmedOn || null, today), measures, price }
	};
}

function readPrice(
	cell: (column: Column) => string,
	today: string,
	problems: ShelfRow['problems']
): PriceRow | null {
	if (cell('price_amount') === '' && cell('price_grams') === '') return null;
	const form = priceRow.validate(
		{
			id: newId(),
			amount: cell('price_amount'),
			grams: cell('price_grams'),
			usable: cell('price_usable_percent') || '100',
			boughtOn: cell('price_on') || today,
			supplier: cell('price_where')
		},
		{ abortEarly: false, convert: true }
	);
	for (const item of form.error?.details ?? [])
		problems.push({ column: COLUMN_OF[String(item.path[0])] ?? 'price_amount', message: item.message });
	return form.error ? null : form.value;
}
