import { asTaken } from '$core/formula/by-feel.ts';
import type { Tool } from '$core/planning/making.ts';
import { pacesOf, type WorkedBatch } from '$core/planning/paces.ts';
import type { Step } from '$core/formula/process.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { DemandDay, PlanBasis, PlanProduct } from '../../plan/types.ts';
import { byFeelOf } from '../batches/history.ts';
import { batchesLeft } from '../batches/left.ts';
import { batchesOnBench } from '../batches/read.ts';
import { recentSummaries } from '../batches/standing.ts';
import { usualEquipment } from '../batches/equipment.ts';
import { entriesOfBatches } from '../bench/rows.ts';
import { handledBy, joined } from '../contact/handled.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { listEquipment } from '../equipment.ts';
import { listFormulas } from '../formulas/read.ts';
import { listIngredients } from '../ingredients.ts';
import { groupBy, toList, type Row } from '../rows.ts';
import { comingDemand } from './demand.ts';
import { placeHours } from './hours.ts';

/** The coming selling days, with what each wants. */
export async function demandDays(db: Database, kitchen: Kitchen): Promise<DemandDay[]> {
	const [left, onBench] = await Promise.all([batchesLeft(db, kitchen), batchesOnBench(db, kitchen)]);
	return comingDemand(db, kitchen, left, onBench);
}

/** Everything a day at a place is planned from. */
export async function planBasis(
	db: Database,
	kitchen: Kitchen,
	day: string,
	place: string,
	demand: readonly DemandDay[]
): Promise<PlanBasis> {
	const of = demand.find((each) => each.day === day && each.place === place);
	const [making, tools, hours, people] = await Promise.all([
		known(db, kitchen.id, 'making of products', () => makingOfProducts(db, kitchen)),
		planTools(db, kitchen.id),
		placeHours(db, kitchen.id),
		makers(db, kitchen.id)
	]);
	return {
		day,
		place,
		products: making.map((product): PlanProduct => {
			const wanted = of?.products.find(({ productId }) => productId === product.productId);
			return { ...NOT_WANTED, ...product, ...wanted };
		}),
		tools,
		people,
		hours: hours.get(place) ?? null
	};
}

/** A product nobody is known to want on the day: it can be made all the same. */
const NOT_WANTED = {
	days: [],
	ahead: {
		make: 0,
		walkUp: 0,
		ordered: 0,
		chanceOfSellingOut: 0,
		expectedLeft: 0,
		distribution: [],
		littleKnown: true
	},
	money: null,
	soldToday: 0,
	there: 0,
	planned: 0,
	toMake: 0
};

/** What a plan has to work with. */
export async function planTools(db: Database, kitchenId: string): Promise<Tool[]> {
	const all = await listEquipment(db, kitchenId);
	return all
		.filter(({ retired, kind }) => !retired && kind !== 'other')
		.map(({ id, name, kind, places, capacity_g }) => ({ id, name, kind, places, capacity_g }));
}

/** Who may make in the kitchen, by name. */
async function makers(db: Database, kitchenId: string): Promise<string[]> {
	const rows = await db('memberships')
		.where('kitchen_id', kitchenId)
		.whereNull('ended_at')
		.whereIn('role', ['owner', 'maker'])
		.orderBy('id')
		.select('name');
	return [...new Set(rows.map(({ name }) => name))];
}

type Made = Omit<PlanProduct, keyof typeof NOT_WANTED>;

/** How each product is made: its process, what batches taught of its pace, what it is made with and what it holds. */
async function makingOfProducts(db: Database, kitchen: Kitchen): Promise<Made[]> {
	const [formulas, ingredients, recent, equipment] = await Promise.all([
		listFormulas(db, kitchen.id),
		listIngredients(db, kitchen.id),
		recentSummaries(db, kitchen),
		listEquipment(db, kitchen.id)
	]);
	const handled = handledBy(ingredients);
	const ids = recent.map(({ id }) => id);
	const [entries, worked] = await Promise.all([
		entriesOfBatches(db, kitchen.id, ids, 'all'),
		workedRows(db, kitchen.id, ids)
	]);
	const byFormula = groupBy(recent, (batch) => batch.formulaId);
	const byProduct = groupBy(recent, (batch) => batch.productId);
	const kindOf = new Map(equipment.map(({ id, kind }) => [id, kind]));
	const made = formulas.filter(({ number, archived }) => number > 0 && !archived);
	return Promise.all(
		made.flatMap((formula) =>
			formula.products.map(async (product): Promise<Made> => {
				const of = byProduct.get(product.id) ?? [];
				const usual = await usualEquipment(db, kitchen.id, product.id);
				const kinds = new Set(
					usual.flatMap((id) => (isInterchangeable(kindOf.get(id)) ? (kindOf.get(id) ?? []) : []))
				);
				const lines = asTaken(formula.lines, byFeelOf(byFormula.get(formula.id) ?? [])).lines;
				const batches = of.flatMap(({ id, packsMade }): WorkedBatch[] => {
					const row = worked.get(id);
					return row ? [{ entries: entries.get(id) ?? [], steps: row.steps, packs: packsMade }] : [];
				});
				const counted = of.flatMap(({ id }) => worked.get(id) ?? []).filter(({ balls }) => balls > 0);
				const balls = counted.reduce((sum, each) => sum + each.balls, 0);
				return {
					productId: product.id,
					name: product.name,
					packPieces: product.packPieces,
					ballWeight_g: product.ballWeight_g,
					rejectRate: balls === 0 ? 0 : counted.reduce((sum, each) => sum + each.rejects, 0) / balls,
					steps: formula.steps,
					paces: pacesOf(batches),
					allergens: joined(
						[...new Set(lines.map(({ ingredient }) => ingredient))].flatMap((id) => handled.get(id) ?? [])
					).tags,
					// Any griddle will do where one was used; a board or a press is what it is.
					tools: equipment
						.filter(({ id, kind, retired }) => !retired && (usual.includes(id) || kinds.has(kind)))
						.map(({ id }) => id)
				};
			})
		)
	);
}

const isInterchangeable = (kind: string | undefined): boolean =>
	kind === 'bowl' || kind === 'griddle' || kind === 'oven' || kind === 'fridge';

async function workedRows(
	db: Database,
	kitchenId: string,
	ids: readonly string[]
): Promise<Map<string, { steps: Step[]; balls: number; rejects: number }>> {
	const rows = await db('batches as b')
		.join('formula_versions as v', 'v.id', 'b.formula_version_id')
		.where('b.kitchen_id', kitchenId)
		.whereIn('b.id', [...ids])
		.select<Row[]>('b.id', 'b.ball_count', 'b.rejects', 'v.steps');
	return new Map(
		rows.map((row) => [
			row.id,
			{ steps: toList<Step>(row.steps), balls: row.ball_count ?? 0, rejects: row.rejects }
		])
	);
}
