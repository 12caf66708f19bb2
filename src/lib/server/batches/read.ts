import { openState } from '$core/bench/state.ts';
import { benchOf, type Bench } from '$core/bench/bench.ts';
import type { Entry } from '$core/bench/entries.ts';
import { outcomesOf } from '$core/bench/standing.ts';
import { NOT_MEASURED, type Ingredient, type Material, type Recipe } from '$core/formula/types.ts';
import { sumOf } from '$core/measure/round.ts';
import { stockUses } from '$core/stock/use.ts';
import type { Batch, BatchClosing, BatchLine } from '../../batch/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { BatchStock } from '../../shelf/lots.ts';
import { sourcesOf } from '../../shelf/sources.ts';
import { entriesOfBatches } from '../bench/rows.ts';
import { compositionsById } from '../compositions.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { NotFound } from '../errors.ts';
import { drawsOf, lotKey, lotsKeptSince, type BatchDraws } from '../lots/draw.ts';
import { groupBy, type Row } from '../rows.ts';
import { shelfReader } from '../shelf.ts';
import { closingsOf, standingAt } from './closed.ts';
import { equipmentOf } from './equipment.ts';
import { batchFromRow, batchRows, lineFromRow, type BatchRow, type LineRow } from './rows.ts';

/** A batch with its entries, as the fold takes them. */
export interface ReadBatch {
	batch: Batch;
	entries: Entry[];
	bench: Bench;
}

/** The newest batches of the kitchen, or of one formula of it, newest first, each read whole. */
export async function listBatches(
	db: Database,
	kitchen: Kitchen,
	{ formulaId, newest, offset = 0 }: { formulaId?: string; newest: number; offset?: number }
): Promise<Batch[]> {
	const rows = batchRows(db, kitchen.id).limit(newest).offset(offset);
	if (formulaId) rows.where('p.formula_id', formulaId);
	return readRows(db, kitchen, await rows);
}

/** Batches that are planned or on the bench, newest first. */
export async function batchesOnBench(db: Database, kitchen: Kitchen): Promise<Batch[]> {
	const rows = batchRows(db, kitchen.id).where('b.packs_made', 0).whereNull('b.closed_at');
	return readRows(db, kitchen, await rows);
}

/** One batch. Throws `NotFound`. */
export async function getBatch(db: Database, kitchen: Kitchen, id: string): Promise<Batch> {
	return (await readBatch(db, kitchen, id)).batch;
}

/** One batch with its entries. Throws `NotFound`. */
export async function readBatch(db: Database, kitchen: Kitchen, id: string): Promise<ReadBatch> {
	const [read] = await readWithEntries(db, kitchen, [id], 'all');
	if (!read) throw new NotFound('this batch is not here');
	return read;
}

/** Batches by their rows, in the order of these. */
async function readRows(db: Database, kitchen: Kitchen, rows: readonly Row[]): Promise<Batch[]> {
	const ids = rows.map((row) => row.id);
	const contexts = await batchContexts(db, kitchen, ids, 'open', rows);
	return contexts.map(({ context, entries }) => assemble(context, entries).batch);
}

/** Batches by id, newest first. */
export async function readBatches(db: Database, kitchen: Kitchen, ids: readonly string[]): Promise<Batch[]> {
	return (await readWithEntries(db, kitchen, ids, 'open')).map(({ batch }) => batch);
}

/** Everything beside its entries that a batch is put together from. */
export interface BatchContext {
	kitchen: Kitchen;
	row: BatchRow;
	planned: readonly LineRow[];
	/** As it was on the batch's day. */
	shelf: ReadonlyMap<string, Ingredient>;
	compositions: Awaited<ReturnType<typeof compositionsById>>;
	equipment: string[];
	closed: BatchClosing[];
	draws: BatchDraws | undefined;
	/** The day the first lot of each thing was received. */
	since: ReadonlyMap<string, string>;
}

/**
 * What batches are put together from, newest first, with their entries. What a closed one was weighed is in its
 * closing: its entries are read only where they are `asked` for.
 */
export async function batchContexts(
	db: Database,
	kitchen: Kitchen,
	ids: readonly string[],
	asked: 'open' | 'all',
	/** Their rows, where they were read. */
	read: readonly Row[] | null = null
): Promise<{ context: BatchContext; entries: Entry[] }[]> {
	if (ids.length === 0) return [];
	const [rows, lineRows, entries, shelfOn, equipment, closedBy, draws, since] = await Promise.all([
		read ?? batchRows(db, kitchen.id).whereIn('b.id', [...ids]),
		known(db, kitchen.id, `lines ${ids.join()}`, () =>
			db('batch_lines')
				.where('kitchen_id', kitchen.id)
				.whereIn('batch_id', [...ids])
				.orderBy(['batch_id', 'position'])
		),
		entriesOfBatches(db, kitchen.id, ids, asked),
		shelfReader(db, kitchen),
		equipmentOf(db, kitchen.id, ids),
		closingsOf(db, kitchen.id, ids),
		drawsOf(db, kitchen.id, ids),
		lotsKeptSince(db, kitchen.id)
	]);
	const linesBy = groupBy(lineRows.map(lineFromRow), (line) => line.batchId);
	const compositions = await compositionsById(db, kitchen.id, [
		...new Set(lineRows.map((row) => row.composition_id))
	]);
	return rows.map(batchFromRow).map((row) => ({
		entries: entries.get(row.id) ?? [],
		context: {
			kitchen,
			row,
			planned: linesBy.get(row.id) ?? [],
			shelf: shelfOn(row.madeOn),
			compositions,
			equipment: equipment.get(row.id) ?? [],
			closed: closedBy.get(row.id) ?? [],
			draws: draws.get(row.id),
			since
		}
	}));
}

/** A batch put together by the fold over its entries; a closed one stands at its newest closing. */
export function assemble(context: BatchContext, entries: Entry[]): ReadBatch {
	const { kitchen, row, planned, shelf, compositions, equipment, closed, draws, since } = context;
	const bench = benchOf(entries);
	const standing = closed.at(-1);
	const open = openState(
		planned.map(({ batchId: _, compositionId: __, ...line }) => ({
			...line,
			name: shelf.get(line.ingredient)?.name ?? ''
		})),
		{
			rules: kitchen.rules,
			currency: kitchen.currency,
			ingredients: [],
			formula: { name: row.name, lines: [], mixGap: row.mixGap },
			product: row.product,
			measured: NOT_MEASURED
		},
		bench
	);
	const { lines } = open;
	const stock = stockOf(lines, row.product.materials, since, row.madeOn, draws?.stock ?? []);
	// What a closed batch was made of, and at which prices, is in its closing.
	const ingredients = standing ? [] : ingredientsOf(planned, lines, shelf, compositions, draws);
	const state = {
		...open,
		recipe: { ...open.recipe, ingredients },
		recorded: open.recorded || row.closedAt !== null
	};
	const packs = standing ? row.packsMade : open.packsMade;
	return {
		entries,
		bench,
		batch: {
			...named(row),
			...state,
			...(standing
				? standingAt(standing, lines)
				: outcomesOf({ ...state, stock: stockUses(stock, lines, packs) }, kitchen.scaleDivision_g)),
			packsMade: packs,
			packsLeft: packs - row.packsSold - row.packsGiven,
			closed,
			stock,
			equipment,
			sources: sourcesOf(planned.flatMap((line) => compositions.get(line.compositionId) ?? []))
		}
	};
}

async function readWithEntries(
	db: Database,
	kitchen: Kitchen,
	ids: readonly string[],
	asked: 'open' | 'all'
): Promise<ReadBatch[]> {
	return (await batchContexts(db, kitchen, ids, asked)).map(({ context, entries }) =>
		assemble(context, entries)
	);
}

/** What of its row a batch carries as it is. */
function named({
	product: _product,
	productPrice: _price,
	closedAt: _closed,
	labelRevisionId: _label,
	steps: _steps,
	...row
}: BatchRow) {
	return row;
}

/** The ingredients of a batch as they were when it was planned, at what they cost it. */
function ingredientsOf(
	planned: readonly LineRow[],
	lines: readonly BatchLine[],
	shelf: ReadonlyMap<string, Ingredient>,
	compositions: Awaited<ReturnType<typeof compositionsById>>,
	drawn: BatchDraws | undefined
): Recipe['ingredients'] {
	const used = new Map<string, Ingredient>();
	for (const { ingredient: id, compositionId } of planned) {
		const ingredient = shelf.get(id);
		const composition = compositions.get(compositionId);
		if (!ingredient || !composition) continue;
		const price = drawn ? drawn.priceOf(id, consumedOf(lines, id), ingredient.price) : ingredient.price;
		used.set(id, { ...ingredient, price, per100g: composition.per100g });
	}
	return [...used.values()];
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
	const once = new Map(uses.map((use) => [lotKey(use.ingredientId, use.name), use]));
	return [...once].flatMap(([key, use]) => {
		const from = drawn.find(
			(each) =>
				each.ingredientId === use.ingredientId && (use.ingredientId !== null || each.name === use.name)
		)?.from;
		const kept = since.get(key);
		return from || (kept !== undefined && kept <= madeOn) ? [{ ...use, from: from ?? [] }] : [];
	});
}
