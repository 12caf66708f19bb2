import type { NamedDay } from '../../kitchen/today.ts';
import { comingDays, WEEKS_BACK, type Sold } from '$core/selling/rhythm.ts';
import { whatToMake, type Supply } from '$core/selling/to-make.ts';
import { parseDate } from '@internationalized/date';
import type { BatchLeft } from '../../batch/left.ts';
import type { Batch } from '../../batch/types.ts';
import type { Database } from '../db/connection.ts';
import { today } from '../kitchens.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { listProducts } from '../products.ts';

/** What the coming selling days of the kitchen want, and what of it is still to be made. */
export async function daysToMake(
	db: Database,
	kitchen: Kitchen,
	left: readonly BatchLeft[],
	onBench: readonly Batch[]
): Promise<NamedDay[]> {
	const day = today(kitchen);
	const [sold, products] = await Promise.all([
		soldSince(db, kitchen.id, parseDate(day).subtract({ weeks: WEEKS_BACK }).toString()),
		listProducts(db, kitchen.id)
	]);
	const known = new Map(products.map((product) => [product.id, product]));
	const days = whatToMake(comingDays(sold, day), supplyOf(left, onBench));
	return days.map(({ products: of, ...rest }) => ({
		...rest,
		products: of.flatMap((each) => {
			const product = known.get(each.productId);
			return product ? [{ ...each, name: product.name, packPieces: product.packPieces }] : [];
		})
	}));
}

/** Packs sold of each product by day and place; gifts and what is written off nobody wanted to buy. */
async function soldSince(db: Database, kitchenId: string, from: string): Promise<Sold[]> {
	const rows = await db('sales')
		.where({ kitchen_id: kitchenId, is_given: 0 })
		.where('sold_on', '>=', from)
		.whereNotNull('product_id')
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
