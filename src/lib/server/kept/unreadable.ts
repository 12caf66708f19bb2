import { BLANK_DESIGN } from '$core/label/content.ts';
import { usualWish } from '../../plan/day-wish.ts';
import { BLANK_PROFILE } from '$core/profile/profile.ts';
import type { Database } from '../db/connection.ts';
import type { Table } from '../db/tables.ts';
import { documentProblem } from '../edge/kept/documents.ts';
import { NotFound, refuse } from '../errors.ts';
import { paced } from '../pace.ts';
import { groupBy, type Cells } from '../rows.ts';
import { inTransaction } from '../db/transaction.ts';

/** A document that was kept and cannot be read. */
export interface Unreadable {
	/** Where it is: table, column and row. */
	table: string;
	column: string;
	id: string;
	/** What a person calls it. */
	what: string;
	why: string;
	/** What it holds, as it is. */
	text: string;
	/** What becomes of it when it is let go; null where it is evidence, of which nothing may be changed. */
	letGo: string | null;
}

/** How a kind of document is called, and what takes its place when it is let go. */
interface Kind {
	what: string;
	/** Null: it is evidence. */
	letGo: { words: string; set: Cells } | null;
}

const EVIDENCE = null;
const WITHOUT = (words: string, set: Cells) => ({ words, set });

/** Every column that holds a document. */
export const KINDS: Record<string, Kind> = {
	'formulas.draft': {
		what: 'what was typed last in the sheet of',
		letGo: WITHOUT('The sheet opens with the version that was kept last.', { draft: null })
	},
	'formula_versions.choices': {
		what: 'the choices of a version of',
		letGo: WITHOUT('Every choice is as usual again.', { choices: '{}' })
	},
	'formula_versions.steps': {
		what: 'the steps of a version of',
		letGo: WITHOUT('The version has no steps.', { steps: '[]' })
	},
	'families.windows': {
		what: 'the windows of family',
		letGo: WITHOUT('It has no windows.', { windows: '{}' })
	},
	'products.materials': {
		what: 'the packaging of a product of',
		letGo: WITHOUT('It has no packaging: its cost leaves it out.', { materials: '[]' })
	},
	'plans.wish': {
		what: 'what was said of a planned day',
		letGo: WITHOUT('The day is planned as usual.', {
			wish: JSON.stringify(usualWish({ hours: null, people: ['Somebody'] }))
		})
	},
	'plans.taken': {
		what: 'the plan that was taken of a day',
		letGo: WITHOUT('The day has no plan that was taken.', { taken: null, taken_at: null })
	},
	'products.discs': {
		what: 'the weighed discs of a product of',
		letGo: WITHOUT('It has none.', { discs: '[]' })
	},
	'ingredients.parts': {
		what: 'the parts of',
		letGo: WITHOUT('It has no parts, and its allergens are to be confirmed again.', {
			parts: null,
			allergens_confirmed_on: null
		})
	},
	'ingredients.allergens': {
		what: 'the allergens of',
		letGo: WITHOUT('None is said, and none is confirmed: no label goes out before they are.', {
			allergens: '[]',
			refined: '[]',
			allergens_confirmed_on: null
		})
	},
	'ingredients.may_contain': {
		what: 'what may have come along with',
		letGo: WITHOUT('Nothing is said of it, and its allergens are to be confirmed again.', {
			may_contain: null,
			allergens_confirmed_on: null
		})
	},
	'ingredients.refined': {
		what: 'the marks of refined oils of',
		letGo: WITHOUT('No allergen is taken for a refined oil’s.', { refined: '[]' })
	},
	'ingredient_compositions.printed': {
		what: 'the pack’s figures as printed of',
		letGo: WITHOUT('The values stay, without what was printed.', { printed: null })
	},
	'ingredient_compositions.intervals': {
		what: 'what the pack’s rounding leaves open of',
		letGo: WITHOUT('The values stay.', { intervals: null })
	},
	'ingredient_measures.readings': {
		what: 'the weighings of a measure of',
		letGo: WITHOUT('The measure stays.', { readings: null })
	},
	'local_profiles.profile': {
		what: 'the local profile',
		letGo: WITHOUT('The profile says nothing, and is to be noted again.', {
			profile: JSON.stringify(BLANK_PROFILE)
		})
	},
	'labels.design': {
		what: 'the design of a label of',
		letGo: WITHOUT(
			'The design begins anew: nothing is approved before it is filled in. What was approved stays.',
			{
				design: JSON.stringify(BLANK_DESIGN)
			}
		)
	},
	'label_revisions.content': { what: 'an approved label of', letGo: EVIDENCE },
	'label_revisions.facts': { what: 'the figures of an approved label of', letGo: EVIDENCE },
	'batches.materials': {
		what: 'the packaging of batch',
		letGo: WITHOUT('Its cost leaves the packaging out.', { materials: '[]' })
	},
	'batch_closings.input': { what: 'what a closing recorded of batch', letGo: EVIDENCE },
	'batch_closings.recipe': { what: 'the recipe of a closing of batch', letGo: EVIDENCE },
	'batch_closings.facts': { what: 'the figures of a closing of batch', letGo: EVIDENCE },
	'batch_closings.stages': { what: 'the stages of a closing of batch', letGo: EVIDENCE },
	'batch_events.data': { what: 'something that happened at the bench of batch', letGo: EVIDENCE },
	'pack_checks.packs_g': { what: 'the packs of a check of', letGo: EVIDENCE },
	'laboratory_reports.found': { what: 'what a laboratory found of', letGo: EVIDENCE }
};

/** The name of the row that a row belongs to, by its table. */
const OWNER: Record<string, (db: Database, row: Cells) => Promise<string>> = {
	formula_versions: (db, row) => nameOf(db, 'formulas', row.formula_id),
	products: (db, row) => nameOf(db, 'formulas', row.formula_id),
	ingredient_compositions: (db, row) => nameOf(db, 'ingredients', row.ingredient_id),
	ingredient_measures: (db, row) => nameOf(db, 'ingredients', row.ingredient_id),
	labels: (db, row) => productName(db, row.product_id),
	label_revisions: async (db, row) =>
		productName(db, (await db('labels').where('id', String(row.label_id)).first('product_id'))?.product_id),
	pack_checks: (db, row) => productName(db, row.product_id),
	laboratory_reports: (db, row) => productName(db, row.product_id),
	batch_closings: (db, row) => nameOf(db, 'batches', row.batch_id),
	batch_events: (db, row) => nameOf(db, 'batches', row.batch_id),
	local_profiles: () => Promise.resolve('')
};

async function nameOf(
	db: Database,
	table: 'formulas' | 'ingredients' | 'batches',
	id: unknown
): Promise<string> {
	if (table === 'batches') return (await db('batches').where('id', String(id)).first('code'))?.code ?? '';
	const row = await db(table as 'formulas')
		.where('id', String(id))
		.first('name');
	return row?.name ?? '';
}

async function productName(db: Database, id: unknown): Promise<string> {
	const product = await db('products').where('id', String(id)).first('formula_id');
	return nameOf(db, 'formulas', product?.formula_id);
}

const AT_ONCE = 500;
/** So many are named: whoever has more restores an archive. */
const MOST = 20;

/** Columns that hold documents, by their tables. */
const COLUMNS = groupBy(
	Object.keys(KINDS).map((place) => place.split('.') as [table: Table, column: string]),
	([table]) => table
);

/** What is being looked for, by kitchen: pages that fail together ask for one looking. */
const looking = new Map<string, Promise<Unreadable[]>>();

/**
 * Documents of a kitchen that cannot be read, as after something else wrote into the database: asked only where a page
 * failed, for it reads all of them.
 */
export function unreadable(db: Database, kitchenId: string): Promise<Unreadable[]> {
	const found = looking.get(kitchenId) ?? look(db, kitchenId).finally(() => looking.delete(kitchenId));
	looking.set(kitchenId, found);
	return found;
}

async function look(db: Database, kitchenId: string): Promise<Unreadable[]> {
	const found: Unreadable[] = [];
	const pace = paced();
	for (const [table, places] of COLUMNS)
		for await (const row of rowsById(db, kitchenId, table)) {
			await pace();
			for (const [, column] of places) {
				const why = documentProblem(table, column, row);
				if (why !== null) found.push(await described(db, table, column, row, why));
			}
			if (found.length >= MOST) return found;
		}
	return found;
}

/** Rows of a kitchen's table, some at a time. */
async function* rowsById(db: Database, kitchenId: string, table: Table): AsyncGenerator<Cells> {
	for (let after = ''; ;) {
		const rows = (await db(table)
			.where('kitchen_id', kitchenId)
			.where('id', '>', after)
			.orderBy('id')
			.limit(AT_ONCE)
			.select('*')) as Cells[];
		yield* rows;
		if (rows.length < AT_ONCE) return;
		after = String(rows.at(-1)?.id);
	}
}

async function described(
	db: Database,
	table: string,
	column: string,
	row: Cells,
	why: string
): Promise<Unreadable> {
	const kind = KINDS[`${table}.${column}`];
	const owner = OWNER[table];
	const name = owner ? await owner(db, row) : String(row.name ?? row.code ?? '');
	return {
		table,
		column,
		id: String(row.id),
		what: [kind?.what ?? table, name].filter(Boolean).join(' '),
		why,
		text: String(row[column]),
		letGo: kind?.letGo?.words ?? null
	};
}

/** Lets go of a document that cannot be read. Refuses what can be, and what is evidence. Throws `NotFound`. */
export async function letGo(
	db: Database,
	kitchenId: string,
	{ table, column, id }: Pick<Unreadable, 'table' | 'column' | 'id'>
): Promise<void> {
	const kind = KINDS[`${table}.${column}`];
	if (!kind) throw new NotFound('there is no such record');
	const row = (await db(table as Table)
		.where({ kitchen_id: kitchenId, id })
		.first()) as Cells | undefined;
	if (!row) throw new NotFound('this record is not here');
	if (documentProblem(table, column, row) === null) refuse('', 'this can be read again: open its page');
	if (!kind.letGo)
		return refuse('', 'this is evidence, and is never changed: restore an archive from before');
	const { set } = kind.letGo;
	await inTransaction(db, (transaction) =>
		transaction(table as Table)
			.where({ kitchen_id: kitchenId, id })
			.update(set)
	);
}
