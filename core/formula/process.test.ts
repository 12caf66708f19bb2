import { describe, expect, it } from 'vitest';
import { FAMILIES, type Family } from './families.ts';
import { choicesOf, COOKINGS, processOf, stepsCooked, UNCOOKED } from './process.ts';

describe('choices', () => {
	const tortilla = FAMILIES[0] as Family;
	it('stand at the first option until made', () => {
		expect(choicesOf({}).water).toBe('warm');
		expect(choicesOf({ water: 'cold' }).water).toBe('cold');
	});
	it('boiling water: more hydration, a step that burns, a caution, and steam', () => {
		const process = processOf(tortilla, { water: 'boiling' });
		expect(process.windows.hydration).toMatchObject({ low: 50, high: 65 });
		expect(process.mixGap).toBe('evaporation');
		expect(process.steps.find((step) => step.kind === 'mix')?.temperature_c).toBe(100);
		expect(process.cautions.some((caution) => caution.includes('Boiling water'))).toBe(true);
	});
	it('a sponge adds its step and its window', () => {
		expect(processOf(tortilla, {}).steps[0]?.kind).toBe('mix');
		const process = processOf(tortilla, { ferment: 'sponge first' });
		expect(process.steps[0]?.kind).toBe('sponge');
		expect(process.windows.prefermented).toMatchObject({ low: 15, high: 50 });
	});
	it('no fat and no leavening close their windows', () => {
		const { windows } = processOf(tortilla, { fat: 'none', leavening: 'neither' });
		expect([windows.fat?.high, windows.leavening?.high]).toEqual([0, 0]);
		expect(processOf(tortilla, { fat: 'lard', leavening: 'baking powder' }).windows.fat).toMatchObject({
			low: 6,
			high: 20
		});
	});
	it('cooking and storing change steps and cautions', () => {
		const flame = processOf(null, { cooking: 'griddle, finished on a flame', griddle: 'oiled' });
		expect(flame.steps.some((step) => step.kind === 'finish')).toBe(true);
		expect(flame.cautions.join(' ')).toMatch(/Open flame.*/);
		expect(flame.cautions.join(' ')).toMatch(/oil spatters/);
		const part = processOf(null, {
			sold: 'part-cooked, the customer finishes',
			storage: 'frozen',
			cooking: 'oven'
		});
		expect(part.cautions.join(' ')).toMatch(/Part-cooked bread is not ready to eat/);
		expect(part.steps.at(-1)).toMatchObject({ kind: 'store', temperature_c: -18 });
		expect(part.steps.some((step) => step.kind === 'cook second side')).toBe(false);
	});
	it('every process cools before packing and says raw dough is not eaten', () => {
		for (const family of [null, ...FAMILIES]) {
			const { steps, cautions } = processOf(family, {});
			const kinds = steps.map((step) => step.kind);
			expect(kinds.indexOf('cool')).toBeLessThan(kinds.indexOf('pack'));
			expect(cautions[0]).toMatch(/Raw flour/);
		}
	});
	it('sheets rolled in a stack are stacked, rolled as one, and peeled apart hot', () => {
		const { steps, cautions } = processOf(null, { opening: 'rolled in a stack, peeled apart' });
		const words = steps.map((step) => step.text);
		const at = (text: RegExp) => words.findIndex((each) => text.test(each));
		expect(at(/stack them/)).toBeGreaterThan(-1);
		expect(at(/stack them/)).toBeLessThan(at(/Roll the stack/));
		expect(at(/Roll the stack/)).toBeLessThan(at(/First side/));
		expect(at(/Second|second side/)).toBeLessThan(at(/Peel the sheets/));
		expect(cautions.join(' ')).toMatch(/holds steam/);
	});
	it('balls lie in oil for an hour at least, and the oil is weighed', () => {
		const { steps, cautions } = processOf(null, { balls: 'soaked in oil' });
		expect(steps.find((step) => step.kind === 'rest balls')).toMatchObject({ minutesLow: 60 });
		expect(cautions.join(' ')).toMatch(/what goes back/);
	});
	it('dough held for days stays cold before it is divided, and says who is asked', () => {
		const { steps, cautions } = processOf(null, { held: 'for days in the cold' });
		const held = steps.findIndex((step) => /Hold it covered and dated/.test(step.text));
		expect(steps[held]).toMatchObject({ minutesLow: 1440, minutesHigh: 4320, temperature_c: 4 });
		expect(held).toBeLessThan(steps.findIndex((step) => step.kind === 'divide'));
		expect(cautions.join(' ')).toMatch(/4 °C or colder/);
		expect(processOf(null, {}).steps.some((step) => /Hold it/.test(step.text))).toBe(false);
	});
	it('a dry mix has no dough and no heat, no windows, and says that it holds raw flour', () => {
		const { steps, windows, cautions } = processOf(tortilla, { cooking: UNCOOKED });
		expect(steps.map((step) => step.kind)).toEqual(['mix', 'pack', 'store']);
		expect(windows).toEqual({});
		expect(cautions.join(' ')).toMatch(/holds raw flour/);
		expect(COOKINGS).not.toContain(UNCOOKED);
	});
});

describe('a batch cooked otherwise than its formula', () => {
	const formula = processOf(null, { griddle: 'oiled' }).steps;
	const kinds = (steps: readonly { kind: string }[]) => steps.map((step) => step.kind);
	it('takes the steps at the heat of its own way, and keeps all others', () => {
		const baked = stepsCooked(formula, null, { griddle: 'oiled' }, 'oven');
		expect(kinds(baked)).toEqual(kinds(formula).filter((kind) => kind !== 'cook second side'));
		expect(baked.find((step) => step.kind === 'cook first side')?.temperature_c).toBe(250);
		const flamed = stepsCooked(formula, null, {}, 'griddle, finished on a flame');
		expect(kinds(flamed).slice(-5)).toEqual(['cook second side', 'finish', 'hold', 'cool', 'pack']);
	});
	it('and its own again where it is as the formula, or nothing was said', () => {
		expect(stepsCooked(formula, null, { griddle: 'oiled' }, null)).toEqual(formula);
		expect(stepsCooked(formula, null, { griddle: 'oiled' }, 'griddle')).toEqual(formula);
	});
	it('a flame is left out where the batch is baked in the oven', () => {
		const flamed = processOf(null, { cooking: 'griddle, finished on a flame' }).steps;
		const baked = stepsCooked(flamed, null, { cooking: 'griddle, finished on a flame' }, 'oven');
		expect(baked.some((step) => /flame/.test(step.text))).toBe(false);
	});
	it('what was changed by hand elsewhere stays', () => {
		const own = formula.map((step) => (step.kind === 'knead' ? { ...step, text: 'Our way' } : step));
		expect(stepsCooked(own, null, {}, 'oven').some((step) => step.text === 'Our way')).toBe(true);
	});
});
