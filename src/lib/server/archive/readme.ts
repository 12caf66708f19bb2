import type { Kitchen } from '../../kitchen/types.ts';
import type { Manifest } from './format.ts';

/** The README of an archive: what is in it, how to read it, how to restore it. */
export function readmeOf(
	kitchen: Pick<Kitchen, 'name' | 'town' | 'timeZone' | 'currency'>,
	manifest: Manifest
): string {
	const filled = manifest.tables.filter((table) => table.rows > 0);
	return `# ${kitchen.name}${kitchen.town ? `, ${kitchen.town}` : ''}

Everything of this kitchen as Square Batch held it on ${manifest.writtenAt.slice(0, 16).replace('T', ' at ')} UTC.
Days are those of the kitchen (${kitchen.timeZone}), times are UTC, money is in ${kitchen.currency}, weights are in grams.

## What is in it

- \`tables/\`: every row of every table as JSON, a row on each line. Nothing is left out: weighings, what
  happened at the bench, closings, label revisions, lots, sales and the corrections of each. A row names
  others by their ids. Decimal numbers are text, so that none is rounded; columns that hold JSON hold it as
  text.
- \`kitchen.json\`: how many rows each table has and the SHA-256 of its file.
- \`csv/\`: ingredients, batches, weighings, lots and the ledger of sales, to be opened in a spreadsheet.
- \`formulas/\` and \`batches/\`: each formula and each recorded batch as a Square Batch file, which holds its
  lines, what was measured and the ingredients as they were then.
- \`labels/\`: each label revision as it was approved, as PDF. The code and the day of a batch are blank.

Every file but the PDFs is plain text in UTF-8.

## Restoring it

Start Square Batch where this kitchen is not, open Kitchen, then Data in and out, and choose this archive.
The kitchen comes back as it was, with every id and time, beside whatever is there. An archive in which
something was changed or is missing is refused.

## Rows

${filled.map((table) => `- ${table.name}: ${table.rows}`).join('\n')}
`;
}
