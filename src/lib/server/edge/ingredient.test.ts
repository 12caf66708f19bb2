import { describe, expect, it } from 'vitest';
import { COMPOSITION_KEYS } from '$core/composition/nutrients.ts';
import {
	ingredientForm,
	ingredientInput,
	measureForm,
	priceForm,
	type IngredientForm
} from './ingredient.ts';

const ID = '01J0000000000000000000ABCD';
const BLANK = Object.fromEntries(COMPOSITION_KEYS.map((key) => [key, '']));
const FORM = {
	id: ID,
	version: 1,
	name: 'Oats',
	kind: 'flour',
	labelUs: 'oats',
	labelEu: '',
	parts: '',
	allergens: ['oats'],
	mayContain: ['wheat'],
	confirmed: true,
	evidence: 'the pack',
	per100g: { ...BLANK, energy_kcal: '379', protein_g: '13,2' },
	source: 'pack',
	sourceNote: '',
	sourceOn: '',
	label: { kind: '', serving: '', printed: {} },
	mix: null,
	portion: ''
};
const read = (more: object = {}) => ingredientForm.validate({ ...FORM, ...more }, { abortEarly: false });
const problems = (more: object) =>
	read(more).error?.details.map((each) => [each.path.join('.'), each.message]);
const stored = (more: object = {}, confirmedBefore: string | null = null) =>
	ingredientInput(read(more).value as IngredientForm, confirmedBefore, '2026-03-14');

describe('an ingredient form', () => {
	it('is what is stored of it; what is not typed is unknown, and not nothing', () => {
		const { per100g, allergens, confirmedOn } = stored();
		expect(per100g.protein_g).toBe(13.2);
		expect(per100g.fat_g).toBeNull();
		expect(allergens).toEqual(['oats']);
		expect(confirmedOn).toBe('2026-03-14');
	});

	it('keeps the day its allergens were confirmed, and has none where they are not', () => {
		expect(stored({}, '2026-01-02').confirmedOn).toBe('2026-01-02');
		expect(stored({ confirmed: false }, '2026-01-02').confirmedOn).toBeNull();
	});

	it.each([
		['name', { name: '' }, 'empty'],
		['kind', { kind: 'plastic' }, 'choose a kind'],
		['evidence', { evidence: ' ' }, 'say what confirmed them'],
		['allergens.0', { allergens: ['treenut'] }, 'needs the name of the kind'],
		['mayContain.1', { mayContain: ['wheat', 'wheat'] }, 'duplicate'],
		// 100 g hold no more than 100 g of it.
		['per100g.protein_g', { per100g: { ...BLANK, protein_g: '100.1' } }, 'from 0 to 100'],
		['per100g.sodium_mg', { per100g: { ...BLANK, sodium_mg: 'salty' } }, 'not a number'],
		['source', { source: 'hearsay' }, 'choose where the values come from'],
		['mix', { mix: [] }, 'at least one line'],
		['mix.0.grams', { mix: [{ key: 'a', ingredient: ID, grams: '0' }] }, 'more than 0 g'],
		['portion', { portion: '0' }, 'more than 0 g']
	])('says what is wrong at %s', (path, more, says) => {
		const found = problems(more);
		expect(found?.map(([at]) => at)).toEqual([path]);
		expect(found?.[0]?.[1]).toContain(says);
	});

	it('that is not confirmed needs no evidence', () => {
		expect(problems({ confirmed: false, evidence: '' })).toBeUndefined();
	});

	it('with a label typed as printed takes its values from there, water as typed', () => {
		const input = stored({
			per100g: { ...BLANK, protein_g: '99', water_g: '10' },
			label: { kind: 'us', serving: '40', printed: { protein_g: '5' } }
		});
		// 5 · 100 / 40
		expect(input.per100g.protein_g).toBe(12.5);
		expect(input.per100g.water_g).toBe(10);
		expect(input.serving_g).toBe(40);
		expect(input.printed).toEqual({ protein_g: '5' });
		expect(input.intervals?.protein_g).toBeDefined();
	});

	it('with a label that cannot be read is refused at its field', () => {
		const label = { kind: 'us', serving: '', printed: { protein_g: '5' } };
		expect(() => stored({ label })).toThrow(
			expect.objectContaining({ problems: [expect.objectContaining({ path: 'label.serving' })] }) as Error
		);
	});

	it('made of others is a mix, and one that is no more is an estimate', () => {
		expect(stored({ mix: [{ key: 'a', ingredient: ID, grams: '5' }] }).source).toBe('mix');
		expect(stored({ source: 'mix' }).source).toBe('estimate');
	});

	it('keeps what a laboratory states of its values, and of no other source', () => {
		expect(stored({ source: 'laboratory', uncertainty: '8' }).uncertainty_percent).toBe(8);
		expect(stored({ source: 'laboratory', uncertainty: '' }).uncertainty_percent).toBeNull();
		expect(stored({ source: 'reference', uncertainty: '8' }).uncertainty_percent).toBeNull();
	});
});

describe('a price', () => {
	const PRICE = { id: ID, amount: '24', grams: '24 kg', usable: '95', boughtOn: '2026-03-14', supplier: '' };
	it('is read exactly', () => {
		expect(priceForm.validate(PRICE).value).toMatchObject({ amount: '24', grams: '24 kg', usable: 95 });
	});
	it.each([{ amount: '' }, { grams: ' ' }, { usable: '0' }, { usable: '101' }, { boughtOn: 'today' }])(
		'with %j is refused',
		(more) => {
			expect(priceForm.validate({ ...PRICE, ...more }).error).toBeDefined();
		}
	);
});

describe('a measure', () => {
	const MEASURE = { measure: 'cup', grams: '', low: '', high: '', readings: ['118', '125', ''] };
	it('may be weighed a few times', () => {
		expect(measureForm.validate(MEASURE).value?.readings).toEqual([118, 125, null]);
	});
	it.each([{ measure: 'barrel' }, { grams: '0' }, { readings: Array(11).fill('120') }])(
		'with %j is refused',
		(more) => {
			expect(measureForm.validate({ ...MEASURE, ...more }).error).toBeDefined();
		}
	);
});
