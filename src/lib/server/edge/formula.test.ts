import { describe, expect, it } from 'vitest';
import { formulaForm, formulaInput, type FormulaForm } from './formula.ts';

const ID = '01J0000000000000000000ABCD';
const LINE = {
	key: 'a',
	said: '',
	note: '',
	ingredient: ID,
	use: 'dough',
	stage: 'Dry',
	grams: '1 kg',
	uptake: '',
	most: '',
	low_g: null,
	high_g: null,
	toWeigh: false
};
const STEP = { key: 's', kind: 'rest', text: 'Cover', low: '20', high: '30', temperature: '', cue: '' };
const FORM = {
	id: ID,
	version: 1,
	name: 'Roti',
	mixGap: 'residue',
	family: '',
	choices: {},
	lines: [LINE],
	steps: [STEP],
	productId: null,
	product: {
		pieceOne: 'roti',
		pieceMany: 'roti',
		category: 'flatbread',
		ballWeight: '60',
		packPieces: '6',
		servingPieces: '',
		price: '6,50',
		materials: [{ name: 'bag', cost: '0.11' }],
		diameter: '',
		thickness: '',
		discs: []
	}
};
const read = (more: object = {}) => formulaForm.validate({ ...FORM, ...more }, { abortEarly: false });
const problems = (more: object) =>
	read(more).error?.details.map((each) => [each.path.join('.'), each.message]);
const product = (more: object) => ({ product: { ...FORM.product, ...more } });

describe('a formula form', () => {
	it('is what is stored of it', () => {
		expect(formulaInput(read().value as FormulaForm)).toMatchObject({
			name: 'Roti',
			lines: [{ ingredient: ID, use: 'dough', stage: 'Dry', used_g: 1000, most_g: null, toWeigh: false }],
			steps: [{ kind: 'rest', text: 'Cover', minutesLow: 20, minutesHigh: 30, temperature_c: null }],
			product: { ballWeight_g: 60, packPieces: 6, price: '6.50', materials: [{ name: 'bag', cost: '0.11' }] }
		});
	});

	it.each([
		['name', { name: ' ' }, 'give the formula a name'],
		['lines', { lines: [] }, 'add at least one line'],
		['lines.0.grams', { lines: [{ ...LINE, grams: '' }] }, 'empty'],
		['lines.0.ingredient', { lines: [{ ...LINE, ingredient: '' }] }, 'choose an ingredient'],
		['lines.0.use', { lines: [{ ...LINE, use: 'frying' }] }, 'choose a use'],
		[
			'lines.0',
			{ lines: [{ ...LINE, use: 'dusting', grams: '40', uptake: '40.1' }] },
			'more than what is used up'
		],
		['lines.0', { lines: [{ ...LINE, grams: '40', most: '39.9' }] }, 'less than what is planned'],
		['steps.0', { steps: [{ ...STEP, low: '30', high: '29' }] }, 'longest time is shorter'],
		['steps.0.temperature', { steps: [{ ...STEP, temperature: '401' }] }, 'from -40 to 400'],
		['product.ballWeight', product({ ballWeight: '0' }), 'more than 0 g'],
		['product.packPieces', product({ packPieces: '1001' }), 'from 1 to 1000'],
		['product.servingPieces', product({ servingPieces: '3' }), 'from 1 to 2'],
		['product.price', product({ price: 'dear' }), 'not an amount of money'],
		['product.materials.0.cost', product({ materials: [{ name: 'bag', cost: '' }] }), 'empty'],
		['product.diameter', product({ diameter: '0.5' }), 'from 1 to 200']
	])('says what is wrong at %s', (path, more, says) => {
		const found = problems(more);
		expect(found?.map(([at]) => at)).toEqual([path]);
		expect(found?.[0]?.[1]).toContain(says);
	});

	it.each([
		['all of what is used up stays on', { lines: [{ ...LINE, use: 'dusting', grams: '40', uptake: '40' }] }],
		['nothing is kept back', { lines: [{ ...LINE, grams: '40', most: '40' }] }],
		['a step takes one time', { steps: [{ ...STEP, low: '30', high: '30' }] }],
		['the freezer', { steps: [{ ...STEP, temperature: '−18' }] }]
	])('is sound where %s', (_, more) => {
		expect(problems(more)).toBeUndefined();
	});

	it('lets the batch weigh a line that names no amount', () => {
		const lines = [LINE, { ...LINE, toWeigh: true, grams: '' }];
		expect(formulaInput(read({ lines }).value as FormulaForm).lines[1]).toMatchObject({
			used_g: 0,
			toWeigh: true
		});
	});

	it.each([
		['nothing but flour for the board', [{ ...LINE, use: 'dusting', grams: '40' }]],
		['dough of no grams', [{ ...LINE, grams: '0' }]]
	])('is refused with %s', (_, lines) => {
		expect(() => formulaInput(read({ lines }).value as FormulaForm)).toThrow(
			'at least one line in the dough'
		);
	});
});
