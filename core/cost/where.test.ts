import { describe, expect, it } from 'vitest';
import type { Line } from '../formula/types.ts';
import { dough, factsOf, flour, ingredient, recipe, surface } from '../testing/recipe.ts';
import { sumMoney } from './money.ts';
import { whereItGoes } from './where.ts';
import { wholeCost } from './whole.ts';

const lines: Line[] = [dough('flour', 1000), dough('oil', 100), surface('flour', 'dusting', 50, 20)];
const made = recipe({
	ingredients: [flour, ingredient('oil', { kind: 'fat', price: { amount: '8.00', grams: 1000 } })],
	formula: { name: 'x', lines },
	batch: {},
	pack: { pieces: 6, materials: [{ name: 'bag', cost: '0.10' }] }
});
const facts = factsOf(made);
const whole = wholeCost(
	{ cost: facts.cost, sellable: facts.yield.sellable, packs: facts.yield.packs ?? 0, product: made.product },
	{ heat_min: null, hands_min: 60, power_kw: null },
	{ tariff_perKwh: '0.17', labour_perHour: '11.00' }
);
if (!whole) throw new Error('it has a price');
const go = (price: string | null, share = 0) =>
	whereItGoes(made, whole, price, share)?.map(({ key, payee, amount }) => [key, payee, amount]);

describe('where the money of a pack goes', () => {
	it('is cut into what each pays for, and adds up to the price', () => {
		// 22 pieces; flour 1.05, oil 0.80: 1.85 / 22 × 6 = 0.5045 + 0.10 → 0.60, ingredients 0.50
		// flour 0.50 × 1.05 / 1.85 = 0.2838, oil 0.2162; labour 11.00 / 22 × 6 = 3.00; 5.00 − 3.60 = 1.40
		expect(go('5.00')).toEqual([
			['flour', 'flour', '0.28'],
			['oil', 'fat', '0.22'],
			['materials', 'materials', '0.10'],
			['labour', 'labour', '3.00'],
			['left', 'left', '1.40']
		]);
	});

	it('pays the place its share of the price', () => {
		// 20 % of 5.00; 5.00 − 3.60 − 1.00
		expect(go('5.00', 0.2)?.slice(-2)).toEqual([
			['fee', 'fee', '1.00'],
			['left', 'left', '0.40']
		]);
	});

	it('says what a pack loses, and leaves the rest of it as it is without a price', () => {
		expect(go('3.00')?.at(-1)).toEqual(['left', 'left', '-0.60']);
		expect(sumMoney((go(null) ?? []).map(([, , amount]) => amount ?? '')).toFixed(2)).toBe(whole.perPack);
	});
});
