import type Joi from 'joi';
import { pathText } from '$core/file/messages.ts';
import type { Cell, Cells } from '../../rows.ts';
import * as batch from './batch.ts';
import * as facts from './facts.ts';
import * as formula from './formula.ts';
import * as label from './label.ts';
import * as plan from './plan.ts';
import * as shelf from './shelf.ts';

/** What each column that holds a document may hold; of what happens at the bench another column says what it is. */
const DOCUMENTS: Record<string, Record<string, Joi.Schema | ((row: Cells) => Joi.Schema)>> = {
	batches: { materials: formula.materials },
	batch_closings: { input: batch.input, recipe: batch.recipe, facts: facts.facts, stages: facts.stages },
	batch_events: { data: (row) => batch.happening(String(row.name)) },
	families: { windows: formula.windows },
	formulas: { draft: formula.draft },
	formula_versions: { choices: formula.choices, steps: formula.steps },
	ingredients: {
		parts: shelf.parts,
		allergens: shelf.tags,
		may_contain: shelf.tags,
		refined: shelf.tags
	},
	ingredient_compositions: { printed: shelf.printed, intervals: shelf.intervals },
	ingredient_measures: { readings: shelf.readings },
	labels: { design: label.design },
	label_revisions: { content: facts.content, facts: facts.frozen },
	laboratory_reports: { found: shelf.found },
	local_profiles: { profile: label.profile },
	pack_checks: { packs_g: batch.packs },
	plans: { wish: plan.wish, taken: plan.taken },
	products: { materials: formula.materials, discs: formula.discs }
};

/** Columns of a table that hold documents. */
export const documentColumns = (table: string): string[] => Object.keys(DOCUMENTS[table] ?? {});

/** What is wrong with the document of a row's column, in words; null where nothing is, or there is none. */
export function documentProblem(table: string, column: string, row: Cells): string | null {
	const text: Cell | undefined = row[column];
	if (text === null || text === undefined) return null;
	const schema = DOCUMENTS[table]?.[column];
	if (!schema) return null;
	let document: unknown;
	try {
		document = JSON.parse(String(text));
	} catch {
		return 'is no JSON';
	}
	const { error } = (typeof schema === 'function' ? schema(row) : schema).validate(document, {
		convert: false,
		abortEarly: true
	});
	if (!error) return null;
	const path = pathText(error.details[0]?.path ?? []);
	return path === '' ? error.message : `${path} is not as it must be: ${error.message}`;
}
