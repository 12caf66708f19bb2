import { surfaceUse } from '$core/bench/bench.ts';
import { derive } from '$core/derive.ts';
import type { Ingredient, Line, Material, MixGap, Recipe, Use } from '$core/formula/types.ts';
import { settled, sumOf } from '$core/measure/round.ts';
import { closings } from '$core/squaring/closings.ts';
import { closingFigures, stockUses, unweighedLines } from '../../batch-closing.ts';
import { recipeOf } from '../../recipe.ts';
import { sourcesOf } from '../../sources.ts';
import { compositionsById } from '../compositions.ts';
import type { Weighed } from '$core/bench/entries.ts';
import type { Database } from '../db/connection.ts';
import { NotFound } from '../errors.ts';
import { coreLineFromRow } from '../formulas/lines.ts';
import { listIngredients } from '../ingredients.ts';
import type { Kitchen } from '../kitchens.ts';
import { pricePacks } from '../prices.ts';
import { coreShelf } from '../shelf.ts';
import { groupBy, toList, toMoney, toNumber, type Row } from '../rows.ts';
import { standingWeighings, type Weighing } from '../weighings.ts';
import { drawsOf, lotsKeptSince } from '../lots/draw.ts';
import type { BatchStock } from '../lots/types.ts';
import { closingsOf, standingAt } from './closed.ts';
import { equipmentOf } from './equipment.ts';
import type { Batch, BatchLine } from './types.ts';

/** So many of a formula's newest batches say how it goes: expected loss, yield, what is usual. */
export const RECENT_BATCHES = 24;
/** And so many of each where every formula is listed. */
const RECENT_OF_EACH = 12;

/** The newest batches of the kitchen, or of one formula of it, newest first. */
export async function listBatches(
	db: Database,
	kitchen: Kitchen,
	{ formulaId, newest, offset = 0 }: { formulaId?: string; newest: number; offset?: number }
): Promise<Batch[]> {
	const query = db('batches as b')
		.where('b.kitchen_id', kitchen.id)
		.orderBy(NEWEST_FIRST)
		.limit(newest)
		.offset(offset);
	if (formulaId)
		query.whereIn(
			'b.product_id',
			db('products').where({ kitchen_id: kitchen.id, formula_id: formulaId }).select('id')
		);
	return readBatches(db, kitchen, (await query.pluck('b.id')) as string[]);
}

/** The newest batches of every product of the kitchen, newest first. */
export async function recentBatches(db: Database, kitchen: Kitchen, each = RECENT_OF_EACH): Promise<Batch[]> {
	const products = (await db('products').where('kitchen_id', kitchen.id).pluck('id')) as string[];
	const ids = await Promise.all(
		products.map(
			(product) =>
				db('batches as b')
					.where({ 'b.kitchen_id': kitchen.id, 'b.product_id': product })
					.orderBy(NEWEST_FIRST)
					.limit(each)
					.pluck('b.id') as Promise<string[]>
		)
	);
	return readBatches(db, kitchen, ids.flat());
}

/** Batches that are planned or on the bench, newest first. */
export async function batchesOnBench(db: Database, kitchen: Kitchen): Promise<Batch[]> {
	const ids = (await db('batches as b')
		.where({ 'b.kitchen_id': kitchen.id, 'b.packs_made': 0 })
		.whereNull('b.closed_at')
		.orderBy(NEWEST_FIRST)
		.pluck('b.id')) as string[];
	return readBatches(db, kitchen, ids);
}

/** How many batches the kitchen has made: with packs, or closed without any. */
export async function countMade(db: Database, kitchenId: string): Promise<number> {
	const all = (await db('batches').where('kitchen_id', kitchenId).count('id as count').first()) as Row;
	const onBench = (await db('batches')
		.where({ kitchen_id: kitchenId, packs_made: 0 })
		.whereNull('closed_at')
		.count('id as count')
		.first()) as Row;
	return Number(all.count) - Number(onBench.count);
}

const NEWEST_FIRST = [
	{ column: 'b.made_on', order: 'desc' as const },
	{ column: 'b.id', order: 'desc' as const }
];

/** One batch. Throws `NotFound`. */
export async function getBatch(db: Database, kitchen: Kitchen, id: string): Promise<Batch> {
	const [batch] = await readBatches(db, kitchen, [id]);
	if (!batch) throw new NotFound('this batch is not here');
	return batch;
}

/** The rows of the kitchen's batches with what names them, newest first. */
export function batchRows(db: Database, kitchenId: string) {
	return db('batches as b')
		.join('products as p', 'p.id', 'b.product_id')
		.join('formulas as f', 'f.id', 'p.formula_id')
		.join('formula_versions as v', 'v.id', 'b.formula_version_id')
		.leftJoin('label_revisions as r', 'r.id', 'b.label_revision_id')
		.leftJoin('formula_versions as rv', 'rv.id', 'r.formula_version_id')
		.where('b.kitchen_id', kitchenId)
		.orderBy(NEWEST_FIRST)
		.select(
			'b.*',
			'p.piece_one',
			'p.piece_many',
			'p.category',
			'p.price as product_price',
			'f.id as formula_id',
			'f.name as name',
			'v.number as formula_number',
			'r.number as label_number',
			'rv.number as label_formula_number'
		);
}

/** Batches by id, newest first. */
export async function readBatches(db: Database, kitchen: Kitchen, ids: readonly string[]): Promise<Batch[]> {
	if (ids.length === 0) return [];
	const rows = (await batchRows(db, kitchen.id).whereIn('b.id', [...ids])) as Row[];
	const [lineRows, weighings, ingredients, packs, equipment, closedBy, draws, since] = await Promise.all([
		db('batch_lines')
			.where('kitchen_id', kitchen.id)
			.whereIn('batch_id', [...ids])
			.orderBy(['batch_id', 'position']) as Promise<Row[]>,
		// What a closed batch was weighed is in its closing.
		standingWeighings(
			db,
			kitchen.id,
			rows.flatMap((row) => (row.closed_at === null ? String(row.id) : []))
		),
		listIngredients(db, kitchen.id),
		pricePacks(db, kitchen.id),
		equipmentOf(db, kitchen.id, [...ids]),
		closingsOf(db, kitchen.id, ids),
		drawsOf(db, kitchen.id, ids),
		lotsKeptSince(db, kitchen.id)
	]);
	const compositions = await compositionsById(db, kitchen.id, [
		...new Set(lineRows.map((row) => String(row.composition_id)))
	]);
	const shelf = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient]));
	const shelves = new Map<string, Map<string, Ingredient>>();
	/** The shelf with the prices of a day, worked out once a day. */
	const shelfOn = (day: string) => {
		const known = shelves.get(day) ?? coreShelf(ingredients, packs, day, kitchen.rules);
		shelves.set(day, known);
		return known;
	};
	const linesBy = groupBy(lineRows, (row) => String(row.batch_id));
	const weighingsBy = groupBy(weighings, (weighing) => weighing.batchId);

	return rows.map((row) => {
		const batchId = String(row.id);
		const readings = weighingsBy.get(batchId) ?? [];
		const rowsOfLines = linesBy.get(batchId) ?? [];
		const lines = rowsOfLines.map((line) =>
			batchLine(line, readings, (ingredient) => shelf.get(ingredient)?.name ?? '')
		);
		const madeOn = String(row.made_on);
		const drawn = draws.get(batchId);
		const used = () =>
			rowsOfLines.flatMap((line): [string, Ingredient][] => {
				const ingredient = shelfOn(madeOn).get(String(line.ingredient_id));
				const composition = compositions.get(String(line.composition_id));
				if (!ingredient || !composition) return [];
				const { price: inForce, ...rest } = ingredient;
				const price = drawn
					? drawn.priceOf(ingredient.id, consumedOf(lines, ingredient.id), inForce)
					: inForce;
				return [[ingredient.id, { ...rest, ...(price ? { price } : {}), per100g: composition.per100g }]];
			});
		const stock = stockOf(lines, toList<Material>(row.materials), since, madeOn, drawn?.stock ?? []);
		const closed = closedBy.get(batchId) ?? [];
		const standing = closed.at(-1);
		// What a closed batch was made of, and at which prices, is in its closing.
		const usedHere = standing ? [] : [...new Map(used()).values()];
		const assembled = assemble(kitchen, row, lines, readings, usedHere);
		return {
			...(standing ? { ...assembled, ...standingAt(standing, lines) } : derived(kitchen, assembled, stock)),
			closed,
			stock,
			equipment: equipment.get(batchId) ?? [],
			sources: sourcesOf(rowsOfLines.flatMap((line) => compositions.get(String(line.composition_id)) ?? []))
		};
	});
}

const consumedOf = (lines: readonly BatchLine[], ingredientId: string) =>
	sumOf(
		lines.filter((line) => line.ingredient === ingredientId),
		(line) => line.weighed_g ?? line.planned_g
	);

/** What a batch uses of which lots were kept by its day, each once, with the lots it drew from. */
function stockOf(
	lines: readonly BatchLine[],
	materials: readonly Material[],
	since: ReadonlyMap<string, string>,
	madeOn: string,
	drawn: readonly Omit<BatchStock, 'perPack'>[]
): BatchStock[] {
	const uses: Omit<BatchStock, 'from'>[] = [
		...lines.map(({ ingredient, name }) => ({
			ingredientId: ingredient,
			name,
			unit: 'g' as const,
			perPack: 0
		})),
		...[...groupBy(materials, (material) => material.name)].map(([name, of]) => ({
			ingredientId: null,
			name,
			unit: 'pieces' as const,
			perPack: of.length
		}))
	];
	const once = new Map(uses.map((use) => [use.ingredientId ?? use.name, use]));
	return [...once].flatMap(([key, use]) => {
		const from = drawn.find((each) => each.ingredientId === use.ingredientId && each.name === use.name)?.from;
		const kept = since.get(key);
		return from || (kept !== undefined && kept <= madeOn) ? [{ ...use, from: from ?? [] }] : [];
	});
}

function readingsOf(readings: readonly Weighing[], what: Weighed, lineId: string | null = null): number[] {
	return readings.filter((each) => each.what === what && each.lineId === lineId).map((each) => each.grams);
}

function batchLine(row: Row, readings: readonly Weighing[], nameOf: (id: string) => string): BatchLine {
	const id = String(row.id);
	const use = row.use_as as Use;
	const weighed = readingsOf(readings, 'line', id);
	const surface = surfaceUse(
		{ readings: (what) => readings.filter((each) => each.what === what && each.lineId === id) },
		id
	);
	return {
		id,
		ingredient: String(row.ingredient_id),
		name: nameOf(String(row.ingredient_id)),
		use,
		stage: String(row.stage),
		planned_g: Number(row.planned_g),
		most_g: toNumber(row.most_g),
		toWeigh: Number(row.to_weigh) === 1,
		plannedUptake_g: toNumber(row.planned_uptake_g),
		weighed_g:
			use !== 'dough'
				? surface.consumed_g
				: weighed.length > 0
					? settled(sumOf(weighed, (grams) => grams))
					: null,
		weighedUptake_g: use === 'dough' ? null : surface.uptake_g
	};
}

/** The line as the core takes it: weighed where it was, planned where not yet. */
function coreLine(line: BatchLine): Line {
	const grams = line.weighed_g ?? line.planned_g;
	const uptake_g = line.weighed_g === null ? line.plannedUptake_g : line.weighedUptake_g;
	return coreLineFromRow({
		ingredient_id: line.ingredient,
		use_as: line.use,
		stage: line.stage,
		grams,
		consumed_g: grams,
		uptake_g
	});
}

/** A batch before anything is derived of it. */
type Assembled = Omit<
	Batch,
	'sources' | 'stock' | 'equipment' | 'closed' | 'facts' | 'problems' | 'closings'
>;

function assemble(
	kitchen: Kitchen,
	row: Row,
	lines: BatchLine[],
	readings: readonly Weighing[],
	ingredients: Recipe['ingredients']
): Assembled {
	const recorded = readings.length > 0 || row.closed_at !== null;
	const doughWeight_g = readingsOf(readings, 'dough').at(-1) ?? null;
	const counted = {
		leftover_g: readingsOf(readings, 'leftover').at(-1) ?? null,
		sellable: toNumber(row.sellable_counted),
		packs: toNumber(row.packs_counted),
		loose: toNumber(row.loose_counted)
	};
	const ballWeights_g = readingsOf(readings, 'ball');
	const finishedWeights_g = readingsOf(readings, 'finished');
	const ballCount = toNumber(row.ball_count);
	const servingPieces = toNumber(row.serving_pieces);
	const mixGap = row.mix_gap as MixGap;
	const recipe = recipeOf({
		rules: kitchen.rules,
		currency: kitchen.currency,
		name: String(row.name),
		lines: lines.map(coreLine),
		ingredients,
		piece: {
			one: String(row.piece_one),
			many: String(row.piece_many),
			category: row.category as Recipe['piece']['category'],
			ballWeight_g: Number(row.ball_weight_g),
			...(ballCount === null ? {} : { count: ballCount })
		},
		batch: {
			mixGap,
			...(doughWeight_g === null ? {} : { doughWeight_g }),
			...(ballWeights_g.length > 0 ? { ballWeights_g } : {}),
			...(finishedWeights_g.length > 0 ? { finishedWeights_g } : {}),
			rejects: Number(row.rejects),
			...(servingPieces === null ? {} : { servingPieces })
		},
		pack: { pieces: Number(row.pack_pieces), materials: toList<Material>(row.materials) }
	});
	return {
		id: String(row.id),
		code: String(row.code),
		productId: String(row.product_id),
		formulaId: String(row.formula_id),
		name: String(row.name),
		formulaNumber: Number(row.formula_number),
		labelNumber: toNumber(row.label_number),
		labelFormulaNumber: toNumber(row.label_formula_number),
		madeOn: String(row.made_on),
		beganAt: row.began_at === null ? null : String(row.began_at).slice(0, 5),
		recorded,
		version: Number(row.version),
		mixGap,
		ballWeight_g: Number(row.ball_weight_g),
		packPieces: Number(row.pack_pieces),
		servingPieces,
		price: row.price === null ? null : toMoney(row.price),
		ballCount,
		rejects: Number(row.rejects),
		...counted,
		note: String(row.note),
		doughWeight_g,
		ballWeights_g,
		finishedWeights_g,
		lines,
		packsMade: Number(row.packs_made),
		packsSold: Number(row.packs_sold),
		packsGiven: Number(row.packs_given),
		packsLeft: Number(row.packs_left),
		recipe
	};
}

/** An open batch with what follows from its measurements; a closed one keeps what was fixed. */
function derived(
	kitchen: Kitchen,
	batch: Assembled,
	stock: readonly BatchStock[]
): Assembled & Pick<Batch, 'facts' | 'problems' | 'closings'> {
	const outcome = derive(batch.recipe);
	const facts = outcome.ok ? outcome.value : null;
	return {
		...batch,
		facts,
		problems: outcome.ok ? [] : outcome.problems,
		closings: closings(
			closingFigures(
				batch.recipe,
				facts,
				{
					...batch,
					unweighedLines: unweighedLines(batch),
					stock: stockUses(stock, batch.lines, batch.packsMade)
				},
				kitchen.scaleDivision_g
			)
		)
	};
}
