import { PAST_KINDS, type PastSale, type RowProblem } from '../../../sales/past.ts';
import { readCsv } from '../../csv-rows.ts';
import { Decimal } from 'decimal.js';
import { readCount, readMoney, type Read } from '$core/measure/reading.ts';
import { PAID_BY, type PaidBy } from '../../../sales/kinds.ts';
import { refuse } from '../../errors.ts';

/** How the days of a file are written. */
export const DAY_ORDERS = ['year-month-day', 'day/month/year', 'month/day/year'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

export interface ReadRow {
	/** Of the file; the first names the columns. */
	line: number;
	sale: PastSale | null;
	problems: RowProblem[];
	/** Its cells as they stand in the file. */
	raw: string;
	/** Why it is left out though nothing is wrong with it; empty where it is not. */
	leftOut: string;
}

/** Names a column goes by; the first is the one of our own export. */
const NAMES = {
	id: ['id'],
	date: ['date', 'day', 'sold on', 'sold'],
	kind: ['kind', 'type'],
	channel: ['channel', 'place', 'where', 'market'],
	product: ['product', 'bread', 'item', 'what'],
	batch: ['batch', 'batch code', 'lot'],
	packs: ['packs', 'quantity', 'qty', 'bags', 'number'],
	price: ['price', 'price each', 'each', 'unit price'],
	total: ['total', 'amount', 'money'],
	paid_by: ['paid_by', 'paid', 'paid by', 'payment'],
	customer: ['customer', 'who', 'buyer'],
	void: ['void'],
	reason: ['reason', 'note']
} as const;
type Column = keyof typeof NAMES;
type Cell = (column: Column) => string;

/** Columns that a file of past sales may have. */
export const PAST_COLUMNS = Object.keys(NAMES) as Column[];

const MOST_PACKS = 10_000;
/** More rows than that no page shows at once. */
const MOST_ROWS = 5000;
const LENGTHS = { channel: 60, product: 120, customer: 120, reason: 300 } as const;

/** The rows of a CSV of past sales. Refuses what is none. */
export function readPastSales(text: string, order: DayOrder, channel: string, today: string): ReadRow[] {
	const { header, rows } = readCsv(text, (name) => name.trim().toLowerCase());
	const found = new Map(PAST_COLUMNS.map((column) => [column, header.find((name) => isNamed(column, name))]));
	for (const [needed, why] of [
		['date', 'the day'],
		['packs', 'how many packs']
	] as const)
		if (!found.get(needed))
			refuse(
				'',
				`the first row has to name the columns: one of them ${why} ("${NAMES[needed].join('", "')}")`
			);
	if (!found.get('product') && !found.get('batch'))
		refuse('', 'the first row has to name the columns: "product" or "batch" among them');
	if (rows.length > MOST_ROWS)
		refuse('', `the file has ${rows.length} rows, and ${MOST_ROWS} are taken at once: bring it in in parts`);
	return rows.map(({ line, cells, raw, problem }): ReadRow => {
		if (problem) return { line, raw, sale: null, leftOut: '', problems: [{ column: '', message: problem }] };
		const cell: Cell = (column) => (cells[found.get(column) ?? '\u0000'] ?? '').trim();
		const read = readRow(cell, line, { order, channel, today });
		return {
			...read,
			raw,
			// A column is called as the file calls it.
			problems: read.problems.map((each) => ({
				...each,
				column: found.get(each.column as Column) ?? NAMES[each.column as Column][0]
			}))
		};
	});
}

const isNamed = (column: Column, name: string) => (NAMES[column] as readonly string[]).includes(name);

function readRow(
	cell: Cell,
	line: number,
	{ order, channel, today }: { order: DayOrder; channel: string; today: string }
): Omit<ReadRow, 'raw'> {
	const leftOut = leftOutFor(cell);
	if (leftOut) return { line, sale: null, problems: [], leftOut };
	const problems: RowProblem[] = [];
	function take<T>(column: Column, read: Read<T>): T | null {
		if (read.ok) return read.value;
		problems.push({ column, message: read.message });
		return null;
	}
	const soldOn = take('date', readDay(cell('date'), order, today));
	const packs = take('packs', readPacks(cell('packs')));
	const kind = take('kind', readKind(cell('kind')));
	const price = kind === 'sale' && packs !== null ? take('price', readPrice(cell, packs)) : '0';
	const paidBy = take('paid_by', readPaid(cell('paid_by')));
	const place = cell('channel') || channel;
	if (place === '') problems.push({ column: 'channel', message: 'says no place, and none is given for all' });
	if (cell('product') === '' && cell('batch') === '')
		problems.push({ column: 'product', message: 'says neither what was sold nor of which batch' });
	if (paidBy === 'owed' && cell('customer') === '')
		problems.push({ column: 'customer', message: 'is owed, and does not say by whom' });
	if (kind === 'written off' && cell('reason') === '')
		problems.push({ column: 'reason', message: 'does not say why it was written off' });
	for (const [column, most] of Object.entries(LENGTHS))
		if (cell(column as Column).length > most)
			problems.push({ column, message: `is longer than ${most} characters` });
	if (problems.length > 0 || soldOn === null || packs === null || kind === null || price === null)
		return { line, sale: null, problems, leftOut: '' };
	return {
		line,
		problems,
		leftOut: '',
		sale: {
			id: /^[0-9A-Z]{26}$/.test(cell('id')) ? cell('id') : null,
			soldOn,
			kind,
			channel: place,
			product: cell('product'),
			batch: cell('batch'),
			packs,
			price,
			paidBy: kind === 'sale' ? paidBy : null,
			customer: cell('customer'),
			reason: cell('reason')
		}
	};
}

function leftOutFor(cell: Cell): string {
	if (cell('void') !== '') return 'was voided: it and its void come to nothing';
	if (['void', 'return'].includes(cell('kind').toLowerCase()))
		return 'a return or a void: bring in what stands after it';
	return '';
}

function readPacks(text: string): Read<number> {
	const read = readCount(text);
	if (!read.ok) return read;
	return read.value >= 1 && read.value <= MOST_PACKS
		? read
		: { ok: false, message: `must be from 1 to ${MOST_PACKS}` };
}

function readKind(text: string): Read<PastSale['kind']> {
	const kind = PAST_KINDS.find((each) => each === (text.toLowerCase() || 'sale'));
	return kind
		? { ok: true, value: kind }
		: { ok: false, message: `"${text}" is not one of ${PAST_KINDS.join(', ')}` };
}

function readPaid(text: string): Read<PaidBy | null> {
	if (text === '') return { ok: true, value: null };
	const paid = PAID_BY.find((each) => each === text.toLowerCase());
	return paid
		? { ok: true, value: paid }
		: { ok: false, message: `"${text}" is not one of ${PAID_BY.join(', ')}` };
}

/** The price of a pack, or what the total makes of it. */
function readPrice(cell: Cell, packs: number): Read<string> {
	if (cell('price') !== '') return readMoney(cell('price'));
	if (cell('total') === '') return { ok: false, message: 'says neither a price nor a total' };
	const total = readMoney(cell('total'));
	if (!total.ok) return total;
	const price = new Decimal(total.value).div(packs);
	return price.decimalPlaces() <= 4
		? { ok: true, value: price.toFixed() }
		: { ok: false, message: `a total of ${total.value} does not divide into ${packs} packs: give the price` };
}

/** A day as the file writes its days; never one that is still to come. */
function readDay(text: string, order: DayOrder, today: string): Read<string> {
	const match = /^(\d{1,4})[-/. ](\d{1,2})[-/. ](\d{1,4})/.exec(text);
	if (!match) return { ok: false, message: text === '' ? 'says no day' : `"${text}" is not a day` };
	const parts = [match[1] ?? '', match[2] ?? '', match[3] ?? ''];
	// A year in front is never anything else.
	const places =
		parts[0]?.length === 4
			? [0, 1, 2]
			: order === 'month/day/year'
				? [2, 0, 1]
				: order === 'day/month/year'
					? [2, 1, 0]
					: null;
	if (!places)
		return { ok: false, message: `"${text}" does not begin with the year: say above how days are written` };
	const [year, month, day] = places.map((place) => parts[place] ?? '');
	const iso = `${year?.length === 2 ? `20${year}` : year}-${month?.padStart(2, '0')}-${day?.padStart(2, '0')}`;
	const time = new Date(`${iso}T00:00:00Z`);
	if (Number.isNaN(time.getTime()) || !time.toISOString().startsWith(iso))
		return { ok: false, message: `"${text}" is not a day as ${order}` };
	if (iso > today) return { ok: false, message: `${iso} is still to come` };
	return { ok: true, value: iso };
}
