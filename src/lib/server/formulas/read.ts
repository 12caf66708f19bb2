import type { Choices, Step } from '$core/formula/process.ts';
import type { MixGap } from '$core/formula/types.ts';
import type { FormulaDraft } from '../../formula/draft.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { NotFound } from '../errors.ts';
import { listProducts } from '../products.ts';
import type { RowOf } from '../db/tables.ts';
import { groupBy, toList } from '../rows.ts';
import { lineFromRow } from './lines.ts';
import type { Formula, FormulaVersion } from '../../formula/types.ts';

/** Every formula of the kitchen by name, those put away among them. */
export async function listFormulas(db: Database, kitchenId: string): Promise<Formula[]> {
	return known(db, kitchenId, 'formulas', () => readFormulas(db, kitchenId));
}

/** One formula. Throws `NotFound`. */
export async function getFormula(db: Database, kitchenId: string, id: string): Promise<Formula> {
	const [formula] = await known(db, kitchenId, `formula ${id}`, () => readFormulas(db, kitchenId, id));
	if (!formula) throw new NotFound('this formula is not here');
	return formula;
}

async function readFormulas(db: Database, kitchenId: string, id?: string): Promise<Formula[]> {
	const query = db('formulas').where('kitchen_id', kitchenId).orderBy('name');
	if (id) query.where('id', id);
	const [rows, versions, products] = await Promise.all([
		query,
		newestVersions(db, kitchenId, id),
		listProducts(db, kitchenId, id)
	]);
	return rows.map((row) => {
		const version = versions.get(row.id);
		return {
			id: row.id,
			name: row.name,
			version: row.version,
			versionId: version?.id ?? '',
			number: version?.number ?? 0,
			archived: row.archived_at !== null,
			draft: typeof row.draft === 'string' ? (JSON.parse(row.draft) as FormulaDraft) : null,
			mixGap: version?.mixGap ?? 'residue',
			family: version?.family ?? '',
			choices: version?.choices ?? {},
			steps: version?.steps ?? [],
			lines: version?.lines ?? [],
			products: products.filter((product) => product.formulaId === row.id)
		};
	});
}

async function newestVersions(
	db: Database,
	kitchenId: string,
	formulaId?: string
): Promise<Map<string, FormulaVersion>> {
	const newest = db('formula_versions').max('id').where('kitchen_id', kitchenId).groupBy('formula_id');
	if (formulaId) newest.where('formula_id', formulaId);
	const rows = await db('formula_versions').where('kitchen_id', kitchenId).whereIn('id', newest);
	const versions = await withLines(db, kitchenId, rows);
	return new Map(rows.map((row, index) => [row.formula_id, versions[index] as FormulaVersion]));
}

/** Every kept version of a formula, newest first. */
export const listVersions = (db: Database, kitchenId: string, formulaId: string): Promise<FormulaVersion[]> =>
	known(db, kitchenId, `versions of ${formulaId}`, () => readVersions(db, kitchenId, formulaId));

async function readVersions(db: Database, kitchenId: string, formulaId: string): Promise<FormulaVersion[]> {
	const rows = await db('formula_versions as v')
		.where({ 'v.kitchen_id': kitchenId, 'v.formula_id': formulaId })
		.orderBy('v.number', 'desc')
		.select<VersionRow[]>(
			'v.*',
			db.raw(
				'(SELECT COUNT(*) FROM batches b WHERE b.kitchen_id = v.kitchen_id AND b.formula_version_id = v.id) AS batches'
			)
		);
	return withLines(db, kitchenId, rows);
}

/** A version; how many batches were made by it where that was counted. */
type VersionRow = RowOf<'formula_versions'> & { batches?: number };

async function withLines(db: Database, kitchenId: string, rows: VersionRow[]): Promise<FormulaVersion[]> {
	const lineRows = await db('formula_lines')
		.where('kitchen_id', kitchenId)
		.whereIn(
			'version_id',
			rows.map((row) => row.id)
		)
		.orderBy(['version_id', 'position']);
	const lines = groupBy(lineRows, (row) => row.version_id);
	return rows.map((row) => ({
		id: row.id,
		number: row.number,
		keptAt: row.created_at,
		batches: row.batches ?? 0,
		reason: row.reason,
		mixGap: row.mix_gap as MixGap,
		family: row.family,
		choices: JSON.parse(row.choices) as Choices,
		steps: toList<Step>(row.steps),
		lines: (lines.get(row.id) ?? []).map(lineFromRow)
	}));
}
