import { describe, expect, it } from 'vitest';
import { dough, factsOf, flour, problemsOf, recipe, surface, water } from '../testing/recipe.ts';
import { yieldsOf } from './yields.ts';

const codes = (given: Parameters<typeof factsOf>[0]) => factsOf(given).notices.map((notice) => notice.code);

describe('number and weight of balls', () => {
	it('a ball weight alone gives as many whole balls as the dough holds', () => {
		// 1600 g / 60 g = 26.67 → 26, and 1600 − 26·60 = 40 g are left
		const y = factsOf(
			recipe({ piece: { one: 'roti', many: 'roti', category: 'flatbread', ballWeight_g: 60 } })
		).yield;
		expect(y).toMatchObject({ pieces: 26, ballWeight_g: 60, leftoverDough_g: 40 });
	});

	it('an exact division is not lost to binary noise', () => {
		// 1600 / 3.2 is 500 and not 499
		expect(
			factsOf(recipe({ piece: { one: 'x', many: 'x', category: 'flatbread', ballWeight_g: 3.2 }, batch: {} }))
				.yield.pieces
		).toBe(500);
	});

	it('a count alone divides the dough evenly', () => {
		const y = factsOf(
			recipe({ piece: { one: 'roti', many: 'roti', category: 'flatbread', count: 30 } })
		).yield;
		expect(y.ballWeight_g).toBeCloseTo(1600 / 30, 12);
		expect(y.leftoverDough_g).toBe(0);
	});

	it('sampled balls take the place of the planned one, beside a count', () => {
		const y = factsOf(
			recipe({
				piece: { one: 'roti', many: 'roti', category: 'flatbread', ballWeight_g: 60, count: 26 },
				batch: { ballWeights_g: [59.5, 61.5], finishedWeights_g: [52] }
			})
		).yield;
		expect(y).toMatchObject({ ballWeight_g: 60.5, pieces: 26 });
	});

	it('the dough weight counts, not what went in', () => {
		const y = factsOf(recipe({ batch: { doughWeight_g: 1580, finishedWeights_g: [42] } })).yield;
		expect(y).toMatchObject({ doughMass_g: 1600, doughWeight_g: 1580, pieces: 31 }); // 1580 / 50
	});

	it('balls may outweigh the dough by exactly 1 %, said in a notice', () => {
		// 1600 · 1.01 = 1616 = 32 · 50.5
		const piece = { one: 'x', many: 'x', category: 'flatbread' as const, count: 32 };
		const at = recipe({ piece: { ...piece, ballWeight_g: 50.5 } });
		expect(factsOf(at).yield.leftoverDough_g).toBe(-16);
		expect(codes(at)).toContain('dough-overdrawn');
		expect(problemsOf(recipe({ piece: { ...piece, ballWeight_g: 50.51 } }))).toEqual(['piece.count']);
	});

	it('a ball heavier than the dough is a problem', () => {
		expect(
			problemsOf(
				recipe({ piece: { one: 'x', many: 'x', category: 'flatbread', ballWeight_g: 1601 }, batch: {} })
			)
		).toEqual(['piece.ballWeight_g']);
	});

	it('names both figures when the balls outweigh the dough', () => {
		const outcome = recipe({
			piece: { one: 'x', many: 'x', category: 'flatbread', ballWeight_g: 60, count: 40 }
		});
		expect(problemsOf(outcome)).toEqual(['piece.count']);
	});
});

describe('pieces and packs', () => {
	const packed = (rejects: number) =>
		factsOf(recipe({ batch: { rejects, finishedWeights_g: [42] }, pack: { pieces: 6 } })).yield;
	it('32 pieces less 2 rejects are 30: five packs of six and none loose', () => {
		expect(packed(2)).toMatchObject({ pieces: 32, sellable: 30, packs: 5, loose: 0 });
	});
	it('one more reject breaks a pack', () => {
		expect(packed(3)).toMatchObject({ sellable: 29, packs: 4, loose: 5 });
	});
	it('every piece may be a reject, one more may not', () => {
		expect(packed(32)).toMatchObject({ sellable: 0, packs: 0, loose: 0 });
		expect(problemsOf(recipe({ batch: { rejects: 33 } }))).toEqual(['batch.rejects']);
	});
	it('without a pack nothing is packed', () => {
		expect(factsOf(recipe()).yield).toMatchObject({ packs: null, loose: null });
	});
});

describe('cook loss and water', () => {
	it('what a piece loses is water', () => {
		// ball 50 + uptake 32/32 = 51 g → 42 g: loss 9/51; raw water 50·(1000·0.12+600)/1600 = 22.5, plus 1·0.12
		const y = factsOf(
			recipe({
				formula: {
					name: 'x',
					lines: [dough('flour', 1000), dough('water', 600), surface('flour', 'dusting', 60, 32)]
				}
			})
		).yield;
		expect(y.cookLoss).toBeCloseTo(9 / 51, 12);
		expect(y.finishedMoisture).toBeCloseTo((22.5 + 0.12 - 9) / 42, 12);
	});

	it('a piece may dry out entirely, but no further', () => {
		// raw water is 22.5 g of the 50 g ball
		expect(factsOf(recipe({ batch: { finishedWeights_g: [27.5] } })).yield.finishedMoisture).toBe(0);
		expect(problemsOf(recipe({ batch: { finishedWeights_g: [27.4] } }))).toEqual(['batch.finishedWeights_g']);
	});

	it('an unknown water content leaves the moisture unknown and the loss known', () => {
		const unknown = { ...flour, per100g: { ...flour.per100g, water_g: null } };
		const y = factsOf(recipe({ ingredients: [unknown, water], batch: { finishedWeights_g: [20] } })).yield;
		expect(y).toMatchObject({ finishedMoisture: null, cookLoss: 0.6 });
	});

	it.each([
		// raw 22.5 water in 50 g; at finished weight c the water left is c − 27.5
		[34.375, false], // 6.875 / 34.375 = 20 %
		[34.3, true],
		[50, false] // 22.5 / 50 = 45 %
	])('finished weight %d: moisture notice %s', (finished, said) => {
		expect(codes(recipe({ batch: { finishedWeights_g: [finished] } })).includes('moisture-window')).toBe(
			said
		);
	});

	it.each([
		[48.5, false], // 1.5 / 50 = 3 %
		[48.6, true],
		[35, false], // 30 %
		[34.9, true]
	])('finished weight %d: loss notice %s', (finished, said) => {
		expect(codes(recipe({ batch: { finishedWeights_g: [finished] } })).includes('cook-loss-window')).toBe(
			said
		);
	});

	it('without a finished weight the loss is not guessed', () => {
		const facts = factsOf(recipe({ batch: {} }));
		expect(facts.yield).toMatchObject({
			finishedWeight_g: null,
			cookLoss: null,
			finishedMoisture: null,
			overallYield: null
		});
		expect(facts).toMatchObject({ per100g: null, serving: null, panel: null });
		expect(facts.perPiece.water_g).toBe(22.5);
		expect(facts.notices.map((notice) => notice.code)).toEqual(['no-finished-weight']);
	});
});

describe('hot-water dough', () => {
	// 1600 g weighed in, 1500 g of dough: 100 g of steam
	const hot = (doughWeight_g: number) =>
		recipe({ batch: { doughWeight_g, mixGap: 'evaporation', finishedWeights_g: [42] } });

	it('concentrates everything but the water', () => {
		const facts = factsOf(hot(1500));
		// protein 1000 g · 12 % = 120 g in 1500 g; a ball of 50 g holds 4 g
		expect(facts.perPiece.protein_g).toBeCloseTo(4, 12);
		// water 720 − 100 = 620 g in 1500 g; a ball holds 20.6667 g and loses 8 in cooking
		expect(facts.perPiece.water_g).toBeCloseTo((620 * 50) / 1500 - 8, 10);
	});

	it('as residue the same gap changes nothing in a piece', () => {
		const facts = factsOf(
			recipe({ batch: { doughWeight_g: 1500, mixGap: 'residue', finishedWeights_g: [42] } })
		);
		expect(facts.perPiece.protein_g).toBeCloseTo((120 * 50) / 1600, 12);
	});

	it('cannot steam off more water than there was', () => {
		expect(problemsOf(recipe({ batch: { doughWeight_g: 880, mixGap: 'evaporation' } }))).toEqual([]); // exactly the 720 g
		expect(problemsOf(recipe({ batch: { doughWeight_g: 879, mixGap: 'evaporation' } }))).toEqual([
			'batch.doughWeight_g'
		]);
	});
});

describe('mix gap', () => {
	it.each([
		[1568, false], // 32 g is 2 % of 1600
		[1567.9, true],
		[1600, false],
		[1600.1, true]
	])('dough of %d g: notice %s', (doughWeight_g, said) => {
		expect(codes(recipe({ batch: { doughWeight_g, finishedWeights_g: [42] } })).includes('mix-gap')).toBe(
			said
		);
	});

	it('15 g may stay in a small bowl', () => {
		const small = (doughWeight_g: number) =>
			recipe({
				formula: { name: 'x', lines: [dough('flour', 200), dough('water', 120)] },
				batch: { doughWeight_g }
			});
		expect(codes(small(305))).not.toContain('mix-gap');
		expect(codes(small(304.9))).toContain('mix-gap');
	});
});

it('yields', () => {
	// 1600 in, 1580 dough, 31 balls of 50 = 1550, loss 8/50, 1 reject; 30·42 / 1600
	const y = factsOf(recipe({ batch: { doughWeight_g: 1580, rejects: 1, finishedWeights_g: [42] } })).yield;
	expect(yieldsOf(y)).toEqual({
		dough: 0.9875,
		dividing: expect.closeTo(1550 / 1580, 12),
		cook: expect.closeTo(0.84, 12),
		piece: expect.closeTo(30 / 31, 12),
		overall: expect.closeTo(1260 / 1600, 12)
	});
});
