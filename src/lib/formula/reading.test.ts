import { describe, expect, it } from 'vitest';
import { flour, water } from '$core/testing/recipe.ts';
import { emptyLine, type FormulaDraft, type LineDraft } from './draft.ts';
import { readFormulaDraft } from './reading.ts';

const line = (ingredient: string, grams: string, more: Partial<LineDraft> = {}): LineDraft => ({
	...emptyLine('Dough'),
	ingredient,
	grams,
	...more
});
const draft = (lines: LineDraft[], product: Partial<FormulaDraft['product']> = {}): FormulaDraft => ({
	id: 'F',
	version: 1,
	name: 'Roti',
	mixGap: 'residue',
	family: '',
	choices: {},
	lines,
	steps: [],
	productId: null,
	product: {
		pieceOne: '',
		pieceMany: '',
		category: 'flatbread',
		ballWeight: '50',
		packPieces: '6',
		servingPieces: '',
		price: '',
		materials: [],
		diameter: '',
		thickness: '',
		discs: [],
		...product
	}
});
const read = (...given: Parameters<typeof draft>) => readFormulaDraft(draft(...given), [flour, water]);
const whole = [line('flour', '1 kg'), line('water', '600')];

describe('a formula as it is typed', () => {
	it('is what its lines say, in grams', () => {
		const { parts, errors } = read([
			...whole,
			line('flour', '40', { use: 'dusting', stage: 'On the board', uptake: '18' })
		]);
		expect(errors).toEqual({});
		expect(parts?.lines).toEqual([
			{ ingredient: 'flour', use: 'dough', stage: 'Dough', used_g: 1000, uptake_g: null },
			{ ingredient: 'water', use: 'dough', stage: 'Dough', used_g: 600, uptake_g: null },
			{ ingredient: 'flour', use: 'dusting', stage: 'On the board', used_g: 40, uptake_g: 18 }
		]);
		expect(parts?.product).toMatchObject({ one: 'piece', many: 'pieces', ballWeight_g: 50 });
		expect(parts?.product).toMatchObject({ packPieces: 6, materials: [] });
	});

	it.each([
		['no ball weight yet', whole, { ballWeight: '' }],
		['no pack yet', whole, { packPieces: '' }],
		['no grams yet', [...whole, line('flour', '')], {}],
		['an ingredient nobody chose yet', [...whole, line('', '12')], {}],
		['nothing in the dough', [line('flour', '40', { use: 'dusting' })], {}]
	])('waits without a word for %s', (_, lines, product) => {
		const { parts, errors } = read(lines, product);
		expect(parts).toBeNull();
		expect(errors).toEqual({});
	});

	it('leaves blank lines out', () => {
		expect(read([...whole, emptyLine('Dough')]).parts?.lines).toHaveLength(2);
	});

	it.each([
		['lines[2].grams', [...whole, line('flour', 'some')], {}, 'not a weight'],
		[
			'lines[2].uptake',
			[...whole, line('flour', '40', { use: 'dusting', uptake: '41' })],
			{},
			'more than the 40'
		],
		['lines[2].most', [...whole, line('water', '40', { most: '39' })], {}, 'less than the 40 planned'],
		['product.ballWeight', whole, { ballWeight: '0' }, 'more than 0 g'],
		['product.packPieces', whole, { packPieces: '0' }, 'at least 1'],
		['product.packPieces', whole, { packPieces: '6.5' }, 'whole number'],
		[
			'product.materials[0].cost',
			whole,
			{ materials: [{ name: 'bag', cost: 'dear' }] },
			'not an amount of money'
		]
	])('says at %s what cannot be', (at, lines, product, says) => {
		const { parts, errors } = read(lines, product);
		expect(parts).toBeNull();
		expect(Object.keys(errors)).toEqual([at]);
		expect(errors[at]).toContain(says);
	});

	it('counts a line that the batch weighs as none yet', () => {
		expect(read([...whole, line('water', '', { toWeigh: true })]).parts?.lines[2]).toMatchObject({
			used_g: 0
		});
	});
});
