import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Line } from '../formula/types.ts';
import { dough, flour, ingredient, recipe, surface } from '../testing/recipe.ts';
import { Money, sumMoney } from './money.ts';
import { costMoved, type CostBasis, type Moved } from './moved.ts';

const priced = (id: string, perKg: string | null) =>
	ingredient(id, perKg === null ? {} : { price: { amount: perKg, grams: 1000 } });
const basis = (
	{
		flourPerKg = '1.00',
		flour_g = 1000,
		ghee_g = 0,
		gheePerKg = '10.00'
	}: Partial<{
		flourPerKg: string | null;
		flour_g: number;
		ghee_g: number;
		gheePerKg: string | null;
	}> = {},
	sellable = 20
): CostBasis => {
	const lines: Line[] = [dough('flour', flour_g)];
	if (ghee_g > 0) lines.push(surface('ghee', 'brushing', ghee_g, ghee_g));
	return {
		recipe: recipe({
			ingredients: [{ ...flour, ...priced('flour', flourPerKg) }, priced('ghee', gheePerKg)],
			formula: { name: 'x', lines }
		}),
		sellable
	};
};
const parts = (moved: Moved | null) => moved && [moved.change, moved.price, moved.yield, moved.uptake];

describe('why the cost of a piece moved', () => {
	it('a price alone is all price', () => {
		// 50 g a piece: 0.0500 → 0.0600
		const moved = costMoved(basis(), basis({ flourPerKg: '1.20' }));
		expect(moved).toMatchObject({ before: '0.0500', after: '0.0600' });
		expect(parts(moved)).toEqual(['0.0100', '0.0100', '0.0000', '0.0000']);
	});

	it('fewer pieces to sell from the same dough are all yield', () => {
		// 1000 g / 20 = 50 g, / 16 = 62.5 g
		expect(parts(costMoved(basis(), basis({}, 16)))).toEqual(['0.0125', '0.0000', '0.0125', '0.0000']);
	});

	it('more brushed on is all uptake', () => {
		// 20 g / 20 pieces × 0.01 = 0.0100; 30 g: 0.0150
		expect(parts(costMoved(basis({ ghee_g: 20 }), basis({ ghee_g: 30 })))).toEqual([
			'0.0050',
			'0.0000',
			'0.0000',
			'0.0050'
		]);
	});

	it('price and yield together share what they did together evenly', () => {
		// 50 g × 0.0010 → 62.5 g × 0.0012: 0.0500 → 0.0750
		// price 0.0002 × (50 + 62.5) / 2 = 0.01125; yield 12.5 × (0.0010 + 0.0012) / 2 = 0.01375:
		// both end on a half, and 0.0250 has room for one of them to be rounded up
		const moved = costMoved(basis(), basis({ flourPerKg: '1.20' }, 16));
		expect(parts(moved)).toEqual(['0.0250', '0.0112', '0.0138', '0.0000']);
		expect(moved?.byIngredient).toHaveLength(1);
	});

	it('names what each ingredient did, the most first', () => {
		const moved = costMoved(basis({ ghee_g: 20 }), basis({ ghee_g: 40, flourPerKg: '1.10' }));
		// flour 50 g × 0.0001 = 0.0050; ghee 1 g more a piece × 0.01 = 0.0100
		expect(moved?.byIngredient.map(({ ingredient, change }) => [ingredient, change])).toEqual([
			['ghee', '0.0100'],
			['flour', '0.0050']
		]);
	});

	it('leaves out what never had a price, and cannot say where only one of both had', () => {
		const [none, some] = [basis({ ghee_g: 20, gheePerKg: null }), basis({ ghee_g: 20 })];
		expect(costMoved(none, basis({ ghee_g: 40, gheePerKg: null }))?.change).toBe('0.0000');
		expect(costMoved(none, some)).toBeNull();
		expect(costMoved(some, none)).toBeNull();
		// Without any of it before, there is nothing whose price was not known.
		expect(costMoved(basis(), some)?.uptake).toBe('0.0100');
		expect(costMoved(basis(), basis({}, 0))).toBeNull();
	});

	it('always adds up, and going back turns the sign', () => {
		const grams = fc.integer({ min: 1, max: 5000 });
		const price = fc.integer({ min: 1, max: 99_999 }).map((cents) => new Money(cents).div(100).toFixed(2));
		const any = fc
			.record({
				flour_g: grams,
				ghee_g: grams,
				flourPerKg: price,
				gheePerKg: price,
				pieces: fc.integer({ min: 1, max: 90 })
			})
			.map(({ pieces, ...of }) => basis(of, pieces));
		fc.assert(
			fc.property(any, any, (before, after) => {
				const there = costMoved(before, after);
				const back = costMoved(after, before);
				if (!there || !back) throw new Error('everything has a price');
				expect(sumMoney([there.price, there.yield, there.uptake]).toFixed(4)).toBe(there.change);
				expect(new Money(there.after).minus(there.before).toFixed(4)).toBe(there.change);
				expect(new Money(back.change).plus(there.change).isZero()).toBe(true);
				for (const part of ['price', 'yield', 'uptake'] as const)
					expect(new Money(back[part]).plus(there[part]).abs().toNumber()).toBeLessThanOrEqual(0.0001);
			})
		);
	});
});
