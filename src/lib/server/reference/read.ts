import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import type { Kind } from '$core/composition/kinds.ts';
import { COMPOSITION_KEYS, compositionOf, type Composition } from '$core/composition/nutrients.ts';
import { readMeasures, type Measures } from '$core/measure/convert.ts';

/** A row of the shipped starting composition data: typical values with their source. */
export interface ReferenceRow {
	id: string;
	name: string;
	kind: Kind;
	per100g: Composition;
	allergens: string[];
	/** Which of these come from a highly refined oil. */
	refined: string[];
	/** Grams of household measures, in US cups and spoons. */
	measures: Measures;
	labelUs: string;
	labelEu: string;
	source: string;
}

let rows: Map<string, ReferenceRow> | undefined;

/**
 * The shipped rows by id. A build does not carry the file, so the start script says where it is; from
 * source it lies beside this module.
 */
export function referenceRows(): Map<string, ReferenceRow> {
	rows ??= readRows(
		readFileSync(process.env.REFERENCE_FILE ?? new URL('./ingredients.csv', import.meta.url), 'utf8')
	);
	return rows;
}

function readRows(text: string): Map<string, ReferenceRow> {
	const { data } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
	return new Map(
		data.map((row) => [
			row.id ?? '',
			{
				id: row.id ?? '',
				name: row.name ?? '',
				kind: row.kind as Kind,
				per100g: compositionOf(
					Object.fromEntries(COMPOSITION_KEYS.map((key) => [key, row[key] ? Number(row[key]) : null]))
				),
				measures: readMeasures(row.measures ?? ''),
				allergens: listed(row.allergens),
				refined: listed(row.refined),
				labelUs: row.label_us ?? '',
				labelEu: row.label_eu ?? '',
				source: row.source ?? ''
			}
		])
	);
}

const listed = (tags = ''): string[] => tags.split(';').filter((tag) => tag !== '');
