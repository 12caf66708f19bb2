import type { PlannedLine } from '$core/bench/batch.ts';
import type { Cooking, Step } from '$core/formula/process.ts';
import type { Facts } from '$core/facts.ts';
import type { Category, Material, MixGap, Product, Use } from '$core/formula/types.ts';
import { recipeOfDocument, type FileDocument } from '$core/file/document.ts';
import type { Closing } from '$core/squaring/closings.ts';
import type { BatchClosing, BatchInput, BatchRecord, NamedBatch } from '../../batch/types.ts';
import type { Trial } from '../../batch/trial.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { textOrNull, toList, toMoney, toNumber, type Row } from '../rows.ts';

const NEWEST_FIRST = [
	{ column: 'b.made_on', order: 'desc' as const },
	{ column: 'b.id', order: 'desc' as const }
];

/** What the row of a batch says, with what names it. */
export interface BatchRow extends BatchRecord {
	/** The label revision it was packed under; null where none was approved then. */
	labelRevisionId: string | null;
	closedAt: string | null;
	/** Of the formula version it is made by. */
	steps: Step[];
	/** What the product asks of a pack now. */
	productPrice: string | null;
	/** As it was planned, nothing measured. */
	product: Product;
}

const moneyOrNull = (value: unknown) => (value === null ? null : toMoney(value));

/** The kitchen's batches beside what names them, newest first. */
export const namedBatches = (db: Database, kitchenId: string) =>
	db('batches as b')
		.join('products as p', 'p.id', 'b.product_id')
		.join('formulas as f', 'f.id', 'p.formula_id')
		.join('formula_versions as v', 'v.id', 'b.formula_version_id')
		.where('b.kitchen_id', kitchenId)
		.orderBy(NEWEST_FIRST)
		.select('f.id as formula_id', 'f.name as name', 'v.number as formula_number');

/** What names a batch, of a row of `namedBatches` that has the batch's columns. */
export function namedFromRow(row: Row): NamedBatch {
	return {
		id: row.id,
		code: row.code,
		productId: String(row.product_id),
		formulaId: row.formula_id,
		name: row.name,
		formulaNumber: Number(row.formula_number),
		madeOn: row.made_on,
		ballWeight_g: Number(row.ball_weight_g),
		packPieces: row.pack_pieces,
		packsMade: row.packs_made,
		packsLeft: Number(row.packs_left),
		cooking: (row.cooking || null) as Cooking | null,
		isTrial: textOrNull(row.trial) !== null
	};
}

/** The rows of the kitchen's batches with what names them, newest first. */
export function batchRows(db: Database, kitchenId: string) {
	return namedBatches(db, kitchenId)
		.leftJoin('label_revisions as r', 'r.id', 'b.label_revision_id')
		.leftJoin('formula_versions as rv', 'rv.id', 'r.formula_version_id')
		.select(
			'b.*',
			'p.piece_one',
			'p.piece_many',
			'p.category',
			'p.price as product_price',
			'v.steps',
			'r.number as label_number',
			'rv.number as label_formula_number'
		);
}

export function batchFromRow(row: Row): BatchRow {
	const named = namedFromRow(row);
	const { ballWeight_g, packPieces } = named;
	const servingPieces = toNumber(row.serving_pieces);
	return {
		...named,
		labelRevisionId: textOrNull(row.label_revision_id),
		labelNumber: toNumber(row.label_number),
		labelFormulaNumber: toNumber(row.label_formula_number),
		beganAt: textOrNull(row.began_at)?.slice(0, 5) ?? null,
		usedUntil: textOrNull(row.used_until)?.slice(0, 5) ?? null,
		version: row.version,
		mixGap: row.mix_gap as MixGap,
		servingPieces,
		price: moneyOrNull(row.price),
		note: row.note,
		trial: row.trial === null ? null : (JSON.parse(row.trial) as Trial),
		packsSold: row.packs_sold,
		packsGiven: row.packs_given,
		closedAt: textOrNull(row.closed_at),
		steps: toList<Step>(row.steps),
		productPrice: moneyOrNull(row.product_price),
		product: {
			one: row.piece_one,
			many: row.piece_many,
			category: row.category as Category,
			ballWeight_g,
			balls: null,
			packPieces,
			materials: toList<Material>(row.materials),
			servingPieces
		}
	};
}

/** A planned line and the composition it was planned with. */
export interface LineRow extends PlannedLine {
	batchId: string;
	compositionId: string;
}

export function lineFromRow(row: RowOf<'batch_lines'>): LineRow {
	return {
		id: row.id,
		batchId: row.batch_id,
		compositionId: row.composition_id,
		ingredient: row.ingredient_id,
		use: row.use_as as Use,
		stage: row.stage || null,
		planned_g: Number(row.planned_g),
		most_g: toNumber(row.most_g),
		toWeigh: row.to_weigh === 1,
		plannedUptake_g: toNumber(row.planned_uptake_g)
	};
}

/** A closing; its recipe is kept as a Square Batch file has it. */
export function closingFromRow(row: RowOf<'batch_closings'>): BatchClosing {
	return {
		number: row.number,
		reason: row.reason,
		closedAt: row.closed_at,
		input: { ...COUNTED_LATER, ...(JSON.parse(row.input) as BatchInput) },
		recipe: recipeOfDocument(JSON.parse(row.recipe) as FileDocument),
		facts: JSON.parse(row.facts) as Facts,
		stages: JSON.parse(row.stages) as Closing[]
	};
}

/** What the first closings had not counted. */
const COUNTED_LATER = { sellable: null, packs: null, loose: null };
