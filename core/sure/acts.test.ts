import { describe, expect, it } from 'vitest';
import { dough, ingredient, per100g, recipe, surface } from '../testing/recipe.ts';
import { EXACT, sureFigure, sureFigures } from '../testing/unsure.ts';
import { actsFor, whatHelps } from './acts.ts';
import type { Assumptions } from './assumptions.ts';

const salt = ingredient('salt', { kind: 'salt', per100g: per100g({ sodium_mg: 38_758 }) });
const flour = ingredient('flour', {
	kind: 'flour',
	per100g: per100g({ water_g: 12, sodium_mg: 2, iron_mg: 4 })
});
const asked = recipe({
	ingredients: [salt, flour],
	formula: {
		name: 'Spooned',
		lines: [dough('flour', 1000), dough('salt', 9), surface('flour', 'dusting', 60)]
	},
	batch: { finishedWeights_g: [50] }
});
const given: Assumptions = {
	...EXACT,
	lines: new Map([[1, { kind: 'said', low_g: 5, high_g: 13, typical_g: null }]])
};
const figureOf = (key: string, of = given) => sureFigure(sureFigures(asked, of, 5000), key);
const helpsOf = (key: string, of = given) =>
	whatHelps({ recipe: asked, given: of }, figureOf(key, of), 5000, 1);

describe('what would make a figure surer', () => {
	it('sodium of a spoon of salt: weigh it, before anything else', () => {
		const { helps } = helpsOf('sodium');
		expect(helps[0]?.act).toEqual({ kind: 'weigh line', line: 1 });
		expect(helps[0]?.survives).toBeGreaterThan(0.99);
		expect(figureOf('sodium').survives).toBeLessThan(0.9);
	});

	it('never offers what changes nothing, and never more than five', () => {
		const { helps, atBest } = helpsOf('sodium');
		const { survives } = figureOf('sodium');
		for (const help of helps) expect(help.survives).toBeGreaterThanOrEqual(survives + 0.005);
		expect(helps.length).toBeLessThanOrEqual(5);
		expect(atBest).toBeGreaterThanOrEqual(Math.max(...helps.map((help) => help.survives)));
	});

	it('the values of one ingredient are one act: its pack’s figures', () => {
		const acts = actsFor(figureOf('calories'), given).map(({ act }) => act);
		expect(acts.filter((act) => act.kind === 'pack figures').length).toBeLessThanOrEqual(2);
		const iron = actsFor(figureOf('iron'), given).map(({ act }) => act);
		expect(iron).toContainEqual({ kind: 'pack figures', ingredient: 'flour' });
		expect(iron).toContainEqual({ kind: 'weigh uptake', line: 2 });
	});

	it('what a laboratory itself is unsure of is nobody’s act', () => {
		const of = { ...given, laboratory: true };
		const acts = actsFor(figureOf('sodium', of), of);
		expect(acts.every(({ act }) => act.kind !== 'analyse')).toBe(true);
		const total = acts.reduce((sum, { share }) => sum + share, 0);
		expect(total).toBeLessThan(1);
	});

	it('a line a batch left out is in the figures once it is weighed', () => {
		const without = { ...asked, formula: { ...asked.formula, lines: [...asked.formula.lines] } };
		without.formula.lines[1] = dough('salt', 0);
		const left: Assumptions = {
			...EXACT,
			lines: new Map([[1, { kind: 'said', low_g: 8.1, high_g: 9.9, typical_g: 9 }]])
		};
		const sodium = sureFigure(sureFigures(without, left, 2000), 'sodium');
		// Of flour alone it prints next to nothing, and what was surely put in is found.
		expect(sodium.survives).toBe(0);
		const { helps } = whatHelps({ recipe: without, given: left }, sodium, 2000, 1);
		expect(helps[0]?.act).toEqual({ kind: 'weigh line', line: 1 });
		expect(helps[0]?.survives).toBeGreaterThan(0.95);
	});
});
