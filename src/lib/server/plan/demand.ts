import { parseDate } from '@internationalized/date';
import { howMany, type HowMany } from '$core/selling/how-many.ts';
import { comingDays, WEEKS_BACK, type ComingDay, type Sold, type Wanted } from '$core/selling/rhythm.ts';
import { whatToMake, type Supply } from '$core/selling/to-make.ts';
import { leftoverWorth, oneMoreOrFewer } from '$core/selling/worth.ts';
import type { BatchLeft } from '../../batch/left.ts';
import type { Batch } from '../../batch/types.ts';
import type { Product } from '../../formula/product.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Demand, DemandDay } from '../../plan/types.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { today } from '../kitchens.ts';
import { orderedPacks, type OrderedPacks } from '../orders/read.ts';
import { listProducts } from '../products.ts';
import { toMoney } from '../rows.ts';
import { soldOutSince } from './sold-out.ts';

/** What is known of what one pack brings and costs. */
interface Worth {
	price: string;
	cost: string | null;
	keepDays: number | null;
}

/** What the coming selling days of a kitchen want: who walks up by chance, what is ordered for certain. */
export async function comingDemand(
	db: Database,
	kitchen: Kitchen,
	left: readonly BatchLeft[],
	onBench: readonly Batch[]
): Promise<DemandDay[]> {
	const day = today(kitchen);
	const { days, products, worths, ordered } = await known(db, kitchen.id, `demand ${day}`, () =>
		readDemand(db, kitchen, day)
	);
	const named = new Map(products.map((product) => [product.id, product]));
	const ahead = aheadOf(withOrders(days, ordered), worths, ordered);
	const made = whatToMake(
		ahead.map(({ day: of, place, products: some }) => ({
			day: of,
			place,
			wanted: some.map(({ wanted, ahead: many }) => ({
				...wanted,
				packs: Math.max(0, many.make - wanted.soldToday)
			}))
		})),
		supplyOf(left, onBench)
	);
	return made.map((of, nth) => {
		const found = of.products.flatMap((product, at): Demand[] => {
			const known = named.get(product.productId);
			const here = ahead[nth]?.products[at];
			if (!known || !here) return [];
			return [demandOf(known, here, product)];
		});
		return { day: of.day, place: of.place, products: found, toMake: of.toMake };
	});
}

interface Ahead {
	wanted: Wanted;
	ahead: HowMany;
	worth: Worth;
	leftover: string;
}

function demandOf(
	product: Product,
	{ wanted, ahead, worth, leftover }: Ahead,
	{ there, planned, toMake }: { there: number; planned: number; toMake: number }
): Demand {
	const { price, cost } = worth;
	return {
		productId: product.id,
		name: product.name,
		packPieces: product.packPieces,
		days: wanted.days,
		ahead,
		money: { price, cost, leftover, one: oneMoreOrFewer({ price, cost: cost ?? '0', leftover }, ahead) },
		soldToday: wanted.soldToday,
		there,
		planned,
		toMake
	};
}

async function readDemand(db: Database, kitchen: Kitchen, day: string) {
	const from = parseDate(day).subtract({ weeks: WEEKS_BACK }).toString();
	const [sold, soldOut, products, worths, ordered] = await Promise.all([
		soldSince(db, kitchen.id, from),
		soldOutSince(db, kitchen, from),
		listProducts(db, kitchen.id),
		worthOfPacks(db, kitchen.id),
		orderedPacks(db, kitchen.id, day)
	]);
	return { days: comingDays(sold, day, soldOut), products, worths, ordered };
}

/** Days on which something is fetched that was ordered are selling days too, and so are products nobody else wants then. */
function withOrders(days: readonly ComingDay[], ordered: readonly OrderedPacks[]): ComingDay[] {
	const all = days.map((each) => ({ ...each, wanted: [...each.wanted] }));
	for (const { day, place, productId } of ordered) {
		let of = all.find((each) => each.day === day && each.place === place);
		if (!of) all.push((of = { day, place, wanted: [] }));
		if (!of.wanted.some((each) => each.productId === productId))
			of.wanted.push({ productId, packs: 0, sold: [], days: [], soldToday: 0 });
	}
	return all.sort((a, b) => a.day.localeCompare(b.day) || a.place.localeCompare(b.place));
}

const UNPRICED: Worth = { price: '0', cost: null, keepDays: null };

/** How many to make of each for each day; what a leftover is worth goes by the next day it keeps for. */
function aheadOf(
	days: readonly ComingDay[],
	worths: ReadonlyMap<string, Worth>,
	ordered: readonly OrderedPacks[]
): { day: string; place: string; products: Ahead[] }[] {
	const one = (wanted: Wanted, of: Pick<ComingDay, 'day' | 'place'>, leftover: string): Ahead => {
		const worth = worths.get(wanted.productId) ?? UNPRICED;
		const packs = ordered
			.filter((each) => each.day === of.day && each.place === of.place && each.productId === wanted.productId)
			.reduce((sum, each) => sum + each.packs, 0);
		// Without a price nothing says what one more is worth: it is made as if it cost nothing.
		const price = worth.price === '0' ? '1' : worth.price;
		const ahead = howMany({ days: wanted.days, price, cost: worth.cost ?? '0', leftover, ordered: packs });
		return { wanted, ahead, worth, leftover };
	};
	return days.map(({ day, place, wanted }, at) => ({
		day,
		place,
		products: wanted.map((each) => {
			const worth = worths.get(each.productId) ?? UNPRICED;
			const next = days
				.slice(at + 1)
				.find(
					(later) => later.day > day && later.wanted.some(({ productId }) => productId === each.productId)
				);
			const keeps =
				next !== undefined &&
				worth.keepDays !== null &&
				parseDate(day).add({ days: worth.keepDays }).toString() >= next.day;
			const wantedNext = next?.wanted.find(({ productId }) => productId === each.productId);
			const chance = keeps && wantedNext ? one(wantedNext, next, '0').ahead.chanceOfSellingOut : null;
			return one(each, { day, place }, leftoverWorth(worth.price, chance));
		})
	}));
}

/** Packs walk-up customers bought of each product by day and place: gifts, what is written off and orders are no part of it. */
async function soldSince(db: Database, kitchenId: string, from: string): Promise<Sold[]> {
	const rows = await db('sales')
		.where({ kitchen_id: kitchenId, is_given: 0 })
		.where('sold_on', '>=', from)
		.whereNotNull('product_id')
		.whereNull('order_id')
		.groupBy('sold_on', 'channel', 'product_id')
		.select<{ sold_on: string; channel: string; product_id: string; packs: string }[]>(
			'sold_on',
			'channel',
			'product_id',
			db.raw('SUM(packs) AS packs')
		);
	return rows.map((row) => ({
		day: row.sold_on,
		place: row.channel,
		productId: row.product_id,
		packs: Number(row.packs)
	}));
}

/** What a pack of each product brings, what the newest closed batch says it cost, and how long its label says it keeps. */
async function worthOfPacks(db: Database, kitchenId: string): Promise<Map<string, Worth>> {
	const [products, closings, labels] = await Promise.all([
		listProducts(db, kitchenId),
		db('batch_closings as c')
			.join('batches as b', 'b.id', 'c.batch_id')
			.where('c.kitchen_id', kitchenId)
			.whereNotNull('c.cost_pack')
			.orderBy(['b.made_on', 'c.number'])
			.select<{ product_id: string; cost_pack: string }[]>('b.product_id', 'c.cost_pack'),
		db('labels')
			.where('kitchen_id', kitchenId)
			.select<{ product_id: string; days: string | null }[]>(
				'product_id',
				db.raw("JSON_VALUE(design, '$.bestBeforeDays') AS days")
			)
	]);
	const costs = new Map(closings.map(({ product_id, cost_pack }) => [product_id, toMoney(cost_pack)]));
	const keeps = new Map(
		labels.map(({ product_id, days }) => [product_id, days === null ? null : Number(days)])
	);
	return new Map(
		products.map(({ id, price }) => [
			id,
			{ price: price ?? '0', cost: costs.get(id) ?? null, keepDays: keeps.get(id) ?? null }
		])
	);
}

/** Packs that are left, and those the batches on the bench are to give. */
function supplyOf(left: readonly BatchLeft[], onBench: readonly Batch[]): Supply[] {
	return [
		...left.map(({ productId, packsLeft, madeOn, bestBefore }) => ({
			productId,
			packs: packsLeft,
			from: madeOn,
			bestBefore,
			planned: false
		})),
		...onBench.map(({ productId, facts, madeOn }) => ({
			productId,
			packs: facts?.yield.packs ?? 0,
			from: madeOn,
			bestBefore: null,
			planned: true
		}))
	];
}
