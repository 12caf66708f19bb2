import Papa from 'papaparse';

/** What a spreadsheet would take for a formula and run; a negative number is none, as long as nothing comes after it. */
const RUNS = /^(?:[=+@\t\r\n|%]|-(?!\d+(?:\.\d+)?$))/;

/** Rows as CSV, as every file of ours writes them: text that a spreadsheet would run is defused. */
export function csvText(
	rows: Parameters<typeof Papa.unparse>[0],
	{ header = true }: { header?: boolean } = {}
): string {
	return Papa.unparse(rows, { escapeFormulae: RUNS, newline: '\r\n', header });
}
