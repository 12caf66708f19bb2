import { Decimal } from 'decimal.js';
import type { Kitchen } from '../../../kitchen/types.ts';
import { countLots } from '../../lots/count.ts';
import { lotsOnHand } from '../../lots/read.ts';
import { receiveLot } from '../../lots/receive.ts';
import { priceOn, pricePacks } from '../../prices.ts';
import { newId } from '../../rows.ts';
import type { Database } from '../connection.ts';
import { addDays } from './days.ts';
import { DEMO_PRODUCTS } from './products.ts';
import type { Chance } from './random.ts';

/** Lots are kept since this many weeks; what was baked before cannot be traced to them. */
export const LOTS_SINCE_WEEKS = 8;

const BAGS = 250;
/** Days from receiving to best before: what keeps, and what does not. */
const KEEPS_DAYS = 210;
const FRESH_DAYS = 12;

/** Grams of each ingredient a week of baking takes. */
function weekOfBaking(of: (key: string) => string): Map<string, number> {
	const need = new Map<string, number>();
	for (const demo of DEMO_PRODUCTS)
		for (const line of demo.lines(of)) {
			const makings = demo.madeMidweek ? 2 : 1;
			need.set(line.ingredient, (need.get(line.ingredient) ?? 0) + makings * line.used_g);
		}
	return need;
}

/** Buys what a week of baking needs and is not there, in whole packs, with the codes printed on them. */
export async function buyForWeek(
	db: Database,
	kitchen: Kitchen,
	day: string,
	of: (key: string) => string,
	random: Chance
): Promise<void> {
	const [lots, packs] = [await lotsOnHand(db, kitchen.id), await pricePacks(db, kitchen.id)];
	const water = of('water');
	const fresh = of('beet');
	const code = () => `${'ABCDEFGHKLMNPRST'[random.whole(0, 15)]}${random.whole(1000, 9999)}`;
	const common = { supplierCode: '', receivedOn: day, note: '' };
	for (const [ingredientId, need_g] of weekOfBaking(of)) {
		const price = priceOn(packs, ingredientId, day);
		if (ingredientId === water || !price) continue;
		const onHand_g = lots
			.filter((lot) => lot.ingredientId === ingredientId)
			.reduce((sum, lot) => sum + lot.onHand, 0);
		// Lots of several packs are prices too: the smallest is one pack.
		const pack_g = Math.min(
			...packs.flatMap((pack) => (pack.ingredientId === ingredientId ? pack.grams : []))
		);
		// A tenth over, for what the scale and the hand add.
		const received_g = pack_g * Math.ceil((1.1 * need_g - onHand_g) / pack_g);
		if (received_g <= 0) continue;
		await receiveLot(db, kitchen, newId(), {
			...common,
			ingredientId,
			material: '',
			supplier: packs.find((pack) => pack.ingredientId === ingredientId)?.supplier ?? '',
			supplierCode: code(),
			received: received_g,
			amount: new Decimal(price.amount).times(received_g).div(price.grams).toFixed(2),
			usable: price.usable,
			bestBefore: addDays(day, ingredientId === fresh ? FRESH_DAYS : KEEPS_DAYS)
		});
	}
	const materials = new Set(
		DEMO_PRODUCTS.flatMap((demo) => demo.product.materials.map((material) => material.name))
	);
	for (const material of materials) {
		const left = lots.filter((lot) => lot.name === material).reduce((sum, lot) => sum + lot.onHand, 0);
		if (left >= BAGS / 4) continue;
		await receiveLot(db, kitchen, newId(), {
			...common,
			ingredientId: '',
			material,
			supplier: 'Packaging counter',
			received: BAGS,
			amount: null,
			usable: 1,
			bestBefore: null
		});
	}
}

/** A jar that tipped over, found when the stock was counted. */
export async function countDemoStock(db: Database, kitchen: Kitchen, sesame: string): Promise<void> {
	const lot = (await lotsOnHand(db, kitchen.id)).find(
		(each) => each.ingredientId === sesame && each.onHand > 100
	);
	if (!lot) return;
	const counted = Math.round(lot.onHand - 62);
	await countLots(db, kitchen.id, [
		{ lotId: lot.id, expected: lot.onHand, counted, reason: 'the jar tipped over' }
	]);
}
