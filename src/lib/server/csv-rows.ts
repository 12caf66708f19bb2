import { cut } from '$core/measure/text.ts';
import Papa from 'papaparse';
import { refuse } from './errors.ts';

/** A row of a CSV file by the names of its columns. */
export interface CsvRow {
	/** Where it begins in the file; the first line names the columns. */
	line: number;
	cells: Record<string, string>;
	/** Its cells as they stand in the file. */
	raw: string;
	/** Why it cannot be told which cell is which; empty where it can. */
	problem: string;
}

/** What a CSV file holds. */
export interface CsvFile {
	header: string[];
	rows: CsvRow[];
}

/** Longer is no row anybody wrote, and takes long to read. */
const MOST_LINE = 50_000;
/** So much of a row is shown of it. */
const MOST_RAW = 300;

const isBlank = (cells: readonly string[]) => cells.every((cell) => cell.trim() === '');
/** Lines a row takes: cells may hold line breaks. */
const linesOf = (cells: readonly string[]) =>
	cells.reduce((sum, cell) => sum + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 1);

/**
 * The rows of a CSV file whose first row names the columns; blank ones are left out. `nameOf` gives the name
 * of a column as it is looked up. Refuses a file that names a column twice.
 */
export function readCsv(text: string, nameOf = (header: string) => header): CsvFile {
	const long = text.split(/\r\n|\r|\n/).findIndex((line) => line.length > MOST_LINE);
	if (long >= 0) refuse('', `line ${long + 1} is longer than any row: ${MOST_LINE} characters at most`);
	const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''));
	const broken = new Map(errors.flatMap(({ row, message }) => (row === undefined ? [] : [[row, message]])));
	let header: string[] | null = null;
	const rows: CsvRow[] = [];
	let next = 1;
	for (const [index, cells] of data.entries()) {
		const line = next;
		next += linesOf(cells);
		if (isBlank(cells)) continue;
		if (!header) {
			header = columnsOf(cells, nameOf);
			continue;
		}
		rows.push({
			line,
			cells: Object.fromEntries(header.map((name, at) => [name, cells[at] ?? ''])),
			raw: cut(cells.join(', '), MOST_RAW),
			problem: broken.get(index) ?? problemOf(cells, header)
		});
	}
	return { header: header ?? [], rows };
}

/** Names of columns; those without one at the end of the row are none. */
function columnsOf(cells: readonly string[], nameOf: (header: string) => string): string[] {
	const names = withoutBlankEnd(cells).map((cell) => nameOf(cell));
	const twice = names.find((name, index) => name !== '' && names.indexOf(name) !== index);
	if (twice) refuse('', `the first row names "${twice}" twice: which of the two counts?`);
	return names;
}

function problemOf(cells: readonly string[], header: readonly string[]): string {
	const filled = withoutBlankEnd(cells).length;
	if (filled <= header.length && cells.length >= header.length) return '';
	return `has ${filled > header.length ? filled : cells.length} cells where the first row names ${header.length} columns: a comma in a cell needs quotes around it`;
}

function withoutBlankEnd(cells: readonly string[]): readonly string[] {
	const last = cells.findLastIndex((cell) => cell.trim() !== '');
	return cells.slice(0, last + 1);
}
