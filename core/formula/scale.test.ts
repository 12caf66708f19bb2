import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dough, flour, ingredient, surface, water } from '../testing/recipe.ts';
import {
	calibratedDensity,
	discDiameter_cm,
	discThickness_mm,
	discVolume_ml,
	discWeight_g
} from './piece.ts';
import { flourShares } from './shares.ts';
import { scaleFactor, scaleLines, shownOnScale, type ScaleTarget, onScale_g, packsFactor } from './scale.ts';
import type { Line } from './types.ts';

const shelf = [flour, water, ingredient('salt', { kind: 'salt' }), ingredient('ghee', { kind: 'fat' })];
const ingredientOf = (id: string) => shelf.find((each) => each.id === id) ?? flour;
const lines: Line[] = [
	dough('flour', 1000),
	dough('water', 580),
	dough('salt', 20),
	surface('flour', 'dusting', 50, 20),
	surface('ghee', 'brushing', 40)
];

describe('scaling by any quantity', () => {
	it.each<[ScaleTarget, number]>([
		[{ by: 'factor', factor: 1.5 }, 1.5],
		[{ by: 'flour', grams: 2000 }, 2], // 2000 / 1000
		[{ by: 'dough', grams: 400 }, 0.25], // 400 / 1600
		[{ by: 'pieces', pieces: 40, ballWeight_g: 60 }, 1.5], // 2400 / 1600
		[{ by: 'packs', packs: 5, packPieces: 8, ballWeight_g: 60 }, 1.5],
		[{ by: 'ingredient', ingredient: 'ghee', grams: 100 }, 2.5], // 100 / 40
		[{ by: 'ingredient', ingredient: 'flour', grams: 2100 }, 2] // 2100 / (1000 + 50)
	])('%o is × %d', (target, factor) => {
		expect(scaleFactor(lines, ingredientOf, target)).toBeCloseTo(factor, 12);
	});
	it('is refused where there is nothing of it', () => {
		expect(
			scaleFactor(lines, ingredientOf, { by: 'ingredient', ingredient: 'masa', grams: 2000 })
		).toBeNull();
		expect(scaleFactor(lines, ingredientOf, { by: 'factor', factor: 0 })).toBeNull();
		expect(scaleFactor([dough('water', 1)], ingredientOf, { by: 'flour', grams: 1 })).toBeNull();
	});

	it('by k scales every mass by k and changes no percentage', () => {
		const grams = fc.double({ min: 0.1, max: 20000, noNaN: true });
		fc.assert(
			fc.property(
				fc.array(
					fc.record({ id: fc.constantFrom('flour', 'water', 'salt', 'ghee'), grams, surface: fc.boolean() }),
					{
						minLength: 1,
						maxLength: 12
					}
				),
				fc.double({ min: 0.01, max: 50, noNaN: true }),
				(random, k) => {
					const some: Line[] = random.map(({ id, grams, surface }) =>
						surface
							? { ingredient: id, use: 'layering', stage: null, used_g: grams, uptake_g: grams / 2 }
							: dough(id, grams)
					);
					const scaled = scaleLines(some, k);
					some.forEach((line, index) => {
						const other = scaled[index];
						expect(other).toEqual({
							...line,
							used_g: line.used_g * k,
							uptake_g: line.uptake_g === null ? null : line.uptake_g * k
						});
					});
					const [before, after] = [flourShares(some, ingredientOf), flourShares(scaled, ingredientOf)];
					for (const [key, percent] of Object.entries(before))
						if (percent === null) expect(after[key as keyof typeof after]).toBeNull();
						else expect(after[key as keyof typeof after]).toBeCloseTo(percent, 6);
				}
			)
		);
	});
});

describe('what the scale shows', () => {
	it('rounds each line to its division and says the error', () => {
		const [a, b, c] = shownOnScale([dough('flour', 333.4), dough('salt', 6.5), dough('yeast', 0.2)], 1);
		expect(a).toMatchObject({ shown_g: 333, error_g: -0.4 });
		expect(b).toMatchObject({ shown_g: 7, error_g: 0.5 }); // half away from zero
		expect(b?.errorShare).toBeCloseTo(0.5 / 6.5, 12);
		// There is some of it, so the scale is not told none.
		expect(c).toMatchObject({ shown_g: 1, error_g: 0.8 });
	});
	it('follows divisions of 0.1 and 5', () => {
		expect(shownOnScale([dough('salt', 6.54)], 0.1)[0]?.shown_g).toBe(6.5);
		expect(shownOnScale([dough('salt', 12.5)], 5)[0]?.shown_g).toBe(15);
		expect(shownOnScale([dough('salt', 0)], 5)[0]).toMatchObject({ shown_g: 0, errorShare: 0 });
	});
});

describe('a disc and its ball', () => {
	it('20 cm across and 2 mm thick holds 62.83 mL, 70.4 g at 1.12 g/mL', () => {
		// π · 20² / 4 · 2 / 10 = 62.8319; · 1.12 = 70.3717
		expect(discVolume_ml({ diameter_cm: 20, thickness_mm: 2 })).toBeCloseTo(62.8319, 4);
		expect(discWeight_g({ diameter_cm: 20, thickness_mm: 2 }, 1.12)).toBeCloseTo(70.3717, 4);
	});
	it('any side is solved for', () => {
		expect(discDiameter_cm(70.3717, 2, 1.12)).toBeCloseTo(20, 4);
		expect(discThickness_mm(70.3717, 20, 1.12)).toBeCloseTo(2, 4);
	});
	it('the maker’s discs tell the density', () => {
		expect(calibratedDensity([])).toBe(1.12);
		const disc = { diameter_cm: 20, thickness_mm: 2 };
		// 66 / 62.8319 = 1.0504 and 70 / 62.8319 = 1.1141: mean 1.0823
		expect(
			calibratedDensity([
				{ ...disc, weight_g: 66 },
				{ ...disc, weight_g: 70 }
			])
		).toBeCloseTo(1.0823, 4);
	});
});

describe('so many packs', () => {
	const wanted = { packs: 12, packPieces: 8, ballWeight_g: 60 };
	it('are 12 · 8 · 60 = 5760 g of 3600: 1.6 times, and 2 times where four fifths reach the packs', () => {
		expect(packsFactor(3600, wanted)).toBeCloseTo(1.6, 12);
		expect(packsFactor(3600, { ...wanted, share: 0.8 })).toBeCloseTo(2, 12);
	});
	it('are none without dough', () => expect(packsFactor(0, wanted)).toBeNull());
});

describe('grams on the scale', () => {
	it.each([
		[12.34, 0.1, 12.3],
		[12.35, 0.1, 12.4],
		[12.5, 1, 13],
		[0.04, 0.1, 0.1],
		[0, 1, 0],
		[997, 5, 995]
	])('%d g in steps of %d g is %d g', (exact, division, shown) =>
		expect(onScale_g(exact, division)).toBeCloseTo(shown, 9)
	);
});
