import { describe, expect, it } from 'vitest';
import { compositionProblems, compositionWarnings } from './checks.ts';
import type { Kind } from './kinds.ts';
import { compositionOf, type SomeValues } from './nutrients.ts';

const codes = (values: SomeValues, kind: Kind) =>
	compositionWarnings(compositionOf(values), kind).map((warning) => warning.code);

describe('compositionProblems', () => {
	it('refuses negatives, what 100 g cannot hold, and what is no number, each at its key', () => {
		const problems = compositionProblems(
			{ water_g: -1, fat_g: 100.1, sodium_mg: Number.NaN, protein_g: 12 },
			'per100g'
		);
		expect(problems.map((problem) => problem.path)).toEqual([
			'per100g.water_g',
			'per100g.fat_g',
			'per100g.sodium_mg'
		]);
	});

	it('takes 0, exactly 100, unknown and absent', () => {
		expect(compositionProblems({ fat_g: 100, water_g: 0, fibre_g: null })).toEqual([]);
	});

	it('takes the sodium of salt, 38758 mg', () => {
		expect(compositionProblems({ sodium_mg: 38758 })).toEqual([]);
	});
});

describe('compositionWarnings', () => {
	const parts = { protein_g: 10, fat_g: 10, ash_g: 1, carbohydrate_g: 67 };
	it.each([
		[10, []], // 88 + 10 = 98
		[9.9, ['composition-sum']],
		[14, []], // 102
		[14.1, ['composition-sum']]
	])('water %d with 88 g of the rest gives %j', (water_g, expected) => {
		expect(codes({ ...parts, water_g }, 'flour')).toEqual(expected);
	});

	it('leaves the sum alone while ash is unknown', () => {
		expect(codes({ ...parts, ash_g: null, water_g: 50 }, 'flour')).toEqual([]);
	});

	it('fibre and sugars fit in the carbohydrate, up to exactly', () => {
		expect(codes({ fibre_g: 0.1, sugars_g: 0.2, carbohydrate_g: 0.3 }, 'flour')).toEqual([]);
		expect(codes({ fibre_g: 0.1, sugars_g: 0.21, carbohydrate_g: 0.3 }, 'flour')).toEqual(['fibre-sugars']);
	});

	it('saturates and trans fit in the fat, up to exactly', () => {
		expect(codes({ saturates_g: 60, transFat_g: 40, fat_g: 100 }, 'fat')).toEqual([]);
		expect(codes({ saturates_g: 60, transFat_g: 40.1, fat_g: 100 }, 'fat')).toEqual(['saturates-trans']);
	});

	// 4·10 + 9·10 + 4·(60 − 10) + 2·10 = 350; 15 % of it is 52.5
	const energy = { protein_g: 10, fat_g: 10, carbohydrate_g: 60, fibre_g: 10 };
	it.each([
		[402.5, []],
		[402.6, ['energy-factors']],
		[297.5, []],
		[297.4, ['energy-factors']]
	])('energy %d against 350 gives %j', (energy_kcal, expected) => {
		expect(codes({ ...energy, energy_kcal }, 'flour')).toEqual(expected);
	});

	it.each(['spice', 'yeast', 'leavening'] as const)('%s is excepted from the energy check', (kind) => {
		expect(codes({ ...energy, energy_kcal: 100 }, kind)).toEqual([]);
	});
});
