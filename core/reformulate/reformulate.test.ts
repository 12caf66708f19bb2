import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { FAMILIES } from '../formula/families.ts';
import type { Recipe } from '../formula/types.ts';
import { dough, flour, ingredient, per100g, recipe, surface, water } from '../testing/recipe.ts';
import { solverBy, type Solver } from './program.ts';
import { reformulate, type Granted, type Impossible } from './reformulate.ts';
import type { Target, Wish } from './wish.ts';

const salt = ingredient('salt', {
	kind: 'salt',
	per100g: per100g({ sodium_mg: 38758 }),
	price: { amount: '1.00', grams: 1000 }
});
const oil = ingredient('oil', {
	kind: 'fat',
	per100g: per100g({ fat_g: 100 }),
	price: { amount: '8.00', grams: 1000 }
});
const priced = { ...water, price: { amount: '0.00', grams: 1000, usable: 1 } };

/** 1000 g flour, 600 g water, 20 g salt, 80 g oil: 1700 g in balls of 50 g that finish at 42 g. */
const ROTI: Recipe = recipe({
	ingredients: [flour, priced, salt, oil],
	formula: {
		name: 'Roti',
		lines: [dough('flour', 1000), dough('water', 600), dough('salt', 20), dough('oil', 80)]
	},
	pack: { pieces: 6 }
});
const [FLOUR, WATER, SALT, OIL] = [0, 1, 2, 3];

const target = (figure: Target['figure'], more: Partial<Target>): Target => ({
	figure,
	per: 'piece',
	atMost: null,
	atLeast: null,
	as: 'exact',
	...more
});
const wish = (more: Partial<Wish>): Wish => ({
	free: [{ line: SALT, low_g: 0, high_g: null }],
	together: [],
	targets: [],
	ballWeight_g: null,
	step_g: 0.1,
	windows: null,
	...more
});

let solve: Solver;
beforeAll(async () => {
	const highs = await loadHighs();
	solve = solverBy((text, options) => highs.solve(text, options));
});
function met(asked: Partial<Wish>, of = ROTI): Granted {
	const outcome = reformulate(of, wish(asked), solve);
	if (!outcome.ok || outcome.value.status !== 'met') throw new Error(JSON.stringify(outcome));
	return outcome.value;
}
function impossible(asked: Partial<Wish>, of = ROTI, mayGive = false): Impossible {
	const outcome = reformulate(of, wish(asked), solve, { mayGive });
	if (!outcome.ok || outcome.value.status !== 'impossible') throw new Error(JSON.stringify(outcome));
	return outcome.value;
}

describe('less sodium, worked out by hand', () => {
	// A piece holds 50 ÷ 1700 of each line: 20 × 50 ÷ 1700 = 0.588 g salt, × 387.58 = 228 mg.
	// 140 mg are 140 ÷ 387.58 = 0.36122 g salt a piece, × 1700 ÷ 50 = 12.2814 g: (20 − 12.2814) ÷ 20 = 0.38593.
	it('exactly, before rounding and on a scale of 0.1 g', () => {
		const { grams, change, optimum, facts } = met({ targets: [target('sodium_mg', { atMost: 140 })] });
		expect(optimum).toBeCloseTo(0.38593, 5);
		expect(grams[SALT]).toBe(12.2);
		expect(change).toBe(0.39);
		// What the salt leaves of 1700 g: 1687.8 ÷ 1680 of the rest, 602.8 and 80.4; the flour takes what is left over.
		expect(grams).toEqual([1004.6, 602.8, 12.2, 80.4]);
		expect(facts.perPiece.sodium_mg).toBeCloseTo(139.07, 2);
	});

	it('as it prints: a serving is one roti, and up to 144.9 mg print as 140', () => {
		// 145 mg are 12.7200 g of salt; 12.7 g hold 144.77 mg.
		const { grams, facts } = met({
			targets: [target('sodium_mg', { per: 'serving', atMost: 140, as: 'printed' })]
		});
		expect(grams[SALT]).toBe(12.7);
		expect(facts.panel?.sodium.amount).toBe('140mg');
	});

	it('in whole grams it is the next whole gram that holds', () => {
		expect(met({ step_g: 1, targets: [target('sodium_mg', { atMost: 140 })] }).grams[SALT]).toBe(12);
	});

	it('says what a milligram of it is worth: 1700 ÷ 50 ÷ 387.58 ÷ 20', () => {
		const { binding } = met({ targets: [target('sodium_mg', { atMost: 140 })] });
		expect(binding).toHaveLength(1);
		expect(binding[0]?.worth).toBeCloseTo(0.0043862, 6);
	});

	it('asks nothing of what it is already', () => {
		const { change, binding, grams } = met({ step_g: 1, targets: [target('sodium_mg', { atMost: 300 })] });
		expect([change, binding, grams[SALT]]).toEqual([0, [], 20]);
	});
});

describe('other figures', () => {
	it('hydration is a ratio of what may both change: 600 ÷ 1000 to 65', () => {
		// Water free: flour stays as a share of the rest. w = 0.65 f·1000, w + 1100 f = 1700: f = 1700 ÷ 1750.
		const { grams, facts } = met({
			free: [{ line: WATER, low_g: 0, high_g: null }],
			targets: [target('hydration', { atLeast: 65 })]
		});
		expect(grams[WATER]).toBeCloseTo((650 * 1700) / 1750, 0);
		expect(facts.formula.hydration).toBeGreaterThanOrEqual(65);
	});

	it('cost of a piece: 34 pieces share what was weighed in', () => {
		// flour 1000 g at 0.001, oil 80 g at 0.008, salt 20 g at 0.001: 1.00 + 0.64 + 0.02 = 1.66 ÷ 34 = 0.0488.
		const { facts } = met({
			free: [{ line: OIL, low_g: 0, high_g: null }],
			targets: [target('cost', { atMost: 0.045 })]
		});
		expect(Number(facts.cost.perPiece)).toBeLessThanOrEqual(0.045);
		expect(Number(facts.cost.perPiece)).toBeGreaterThan(0.0449);
	});

	it('per 100 g of the finished piece', () => {
		// 80 g of oil are 2.353 g a piece of 42 g, with 0.588 g of the flour’s: 7.00 g in 100 g.
		const { facts } = met({
			free: [{ line: OIL, low_g: 0, high_g: null }],
			targets: [target('fat_g', { per: '100g', atMost: 5 })]
		});
		expect(facts.per100g?.fat_g).toBeLessThanOrEqual(5);
		expect(facts.per100g?.fat_g).toBeGreaterThan(4.9);
	});

	it('a price or a value nobody knows cannot be asked about', () => {
		const unknown = { ...oil, name: 'Oil', price: null };
		const outcome = reformulate(
			{ ...ROTI, ingredients: [flour, priced, salt, unknown] },
			wish({ targets: [target('cost', { atMost: 1 })] }),
			solve
		);
		expect(outcome).toEqual({
			ok: false,
			problems: [{ path: 'targets[0]', message: 'the price of Oil is not known' }]
		});
	});
});

describe('lines', () => {
	it('that keep their ratio change together', () => {
		const { grams } = met({
			free: [SALT, OIL].map((line) => ({ line, low_g: 0, high_g: null })),
			together: [[SALT, OIL]],
			targets: [target('sodium_mg', { atMost: 140 })]
		});
		expect((grams[OIL] ?? 0) / (grams[SALT] ?? 1)).toBeCloseTo(4, 1);
	});

	it('that are not in it yet count by the flour', () => {
		const without = {
			...ROTI,
			formula: {
				...ROTI.formula,
				lines: ROTI.formula.lines.map((line, at) => (at === OIL ? dough('oil', 0) : line))
			}
		};
		// 3 g of fat a piece of 50 g out of 1620 g, 0.617 of them the flour’s, so x·50 ÷ 1620 + …
		const { grams, change } = met(
			{ free: [{ line: OIL, low_g: 0, high_g: null }], targets: [target('fat_g', { atLeast: 3 })] },
			without
		);
		expect(change).toBeCloseTo((grams[OIL] ?? 0) / 1000, 9);
	});

	it('of the surface stay, and change where they are freed', () => {
		const dusted = {
			...ROTI,
			formula: { ...ROTI.formula, lines: [...ROTI.formula.lines, surface('oil', 'brushing', 68, 68)] }
		};
		const free = [{ line: 4, low_g: 0, high_g: null }];
		const { grams, change, facts } = met({ free, targets: [target('fat_g', { atMost: 4 })] }, dusted);
		expect(grams[4]).toBeLessThan(68);
		expect(change).toBe(0);
		expect(facts.perPiece.fat_g).toBeLessThanOrEqual(4);
	});

	it('keep the dough’s mass where all are free', () => {
		const { grams } = met({
			free: [FLOUR, WATER, SALT, OIL].map((line) => ({ line, low_g: 0, high_g: null })),
			targets: [target('sodium_mg', { atMost: 140 })]
		});
		expect(grams.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1700, 9);
	});
});

describe('the ball', () => {
	it('is tried for each whole gram: a smaller piece holds less', () => {
		// At 48 g the salt may stay higher than at 50 g: each gram less is nearer.
		const { ballWeight_g, optimum } = met({
			ballWeight_g: { low: 46.2, high: 50 },
			targets: [target('sodium_mg', { atMost: 140 })]
		});
		expect(ballWeight_g).toBe(47);
		expect(optimum).toBeCloseTo(1 - (140 / 387.58 / 47) * 85, 4);
	});
});

describe('windows of the family', () => {
	const roti = FAMILIES.find(({ id }) => id === 'roti')?.windows ?? null;
	const more = {
		free: [{ line: WATER, low_g: 0, high_g: null }],
		targets: [target('hydration', { atLeast: 80 })]
	};
	it('bound it, and it is said that they are in the way', () => {
		expect(met(more).facts.formula.hydration).toBeGreaterThanOrEqual(80);
		expect(impossible({ ...more, windows: roti }).conflict).toEqual([{ kind: 'target', target: 0 }]);
		expect(impossible({ ...more, windows: roti }, ROTI, true).conflict).toEqual([
			{ kind: 'target', target: 0 },
			{ kind: 'window', key: 'hydration' }
		]);
	});
	it('the target would have to give up to the window’s end', () => {
		expect(impossible({ ...more, windows: roti }).giving[0]?.would).toBeCloseTo(75, 6);
	});
});

describe('what cannot be', () => {
	it('is the smallest set, and each would have to give so much', () => {
		// No more than 140 mg sodium and no less than 1 % salt of the flour: 1 % is 10 g at the least, which would do;
		// 1.5 % is not.
		const { conflict, giving, isTooCoarse } = impossible({
			targets: [
				target('energy_kcal', { atMost: 1000 }),
				target('sodium_mg', { atMost: 140 }),
				target('salt', { atLeast: 1.5 })
			]
		});
		expect(isTooCoarse).toBe(false);
		expect(conflict).toEqual([
			{ kind: 'target', target: 1 },
			{ kind: 'target', target: 2 }
		]);
		// s = 15 f and s + 1680 f = 1700: s = 15.0442 g, 171.50 mg. At 12.2814 g f = 1.00459: 1.22252 %.
		expect(giving[0]?.would).toBeCloseTo((((15 * 1700) / 1695) * 50 * 387.58) / 1700, 6);
		expect(giving[1]?.would).toBeCloseTo(1.22252, 4);
	});

	it('is said of the scale where only its step is in the way', () => {
		const { isTooCoarse } = impossible({
			step_g: 50,
			targets: [target('sodium_mg', { atMost: 160, atLeast: 150 })]
		});
		expect(isTooCoarse).toBe(true);
	});
});
