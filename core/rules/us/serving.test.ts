import { describe, expect, it } from 'vitest';
import { containerText, servingGrams, servingReason, usServing as serve } from './serving.ts';

const flat = { one: 'naan', many: 'naan', category: 'flatbread' as const }; // 50 g
const tortilla = { one: 'tortilla', many: 'tortillas', category: 'tortilla' as const }; // 55 g
const shell = { one: 'shell', many: 'shells', category: 'taco-shell' as const }; // 30 g
/** The serving of a piece of so many grams; pieces to a pack and the maker's choice where they are given. */
const usServing = (
	piece: typeof flat | typeof tortilla | typeof shell,
	weight_g: number,
	pack?: { pieces: number },
	choice?: number
) => serve({ ...piece, packPieces: pack?.pieces ?? null, servingPieces: choice ?? null }, weight_g);
const text = (...args: Parameters<typeof usServing>) => usServing(...args).serving.text;

describe('small pieces, up to half the reference amount', () => {
	it.each([
		[10, '5 naan (50g)'],
		[20, '3 naan (60g)'], // 40 and 60 are equally near 50: the larger
		[22, '2 naan (44g)'], // 44 is 6 away, 66 is 16
		[25, '2 naan (50g)'] // exactly 50 %
	])('%d g flatbreads: %s', (weight, expected) =>
		expect(text(flat, weight, undefined, undefined)).toBe(expected)
	);

	it('a shell of 11 g is served by threes: 33 is nearer 30 than 22', () => {
		expect(text(shell, 11, undefined, undefined)).toBe('3 shells (33g)');
	});
});

describe('between half and two thirds: the maker’s choice', () => {
	it.each([
		[25.1, undefined, '2 naan (50g)'],
		[28.6, 1, '1 naan (29g)'],
		[28.6, 2, '2 naan (57g)'],
		[33.4, undefined, '2 naan (67g)'], // 66.8 %
		[33.5, undefined, '1 naan (34g)'] // 67 %
	])('%d g, choice %s: %s', (weight, choice, expected) =>
		expect(text(flat, weight, undefined, choice)).toBe(expected)
	);

	it('a choice that is neither one nor two is a problem', () => {
		expect(usServing(flat, 30, undefined, 3).problems.map((problem) => problem.path)).toEqual([
			'batch.servingPieces'
		]);
	});

	it('a choice where there is none is not used, and it is said', () => {
		const result = usServing(flat, 40, undefined, 2);
		expect(result.serving.text).toBe('1 naan (40g)');
		expect(result.notices.map((notice) => notice.code)).toEqual(['serving-choice-unused']);
	});
});

describe('large pieces', () => {
	it.each([
		[99.9, '1 naan (100g)', ['serving']], // below 200 %
		[100, '1/2 naan (50g)', ['serving', 'piece']], // 200 %
		[118, '1/2 naan (59g)', ['serving', 'piece']], // 59 is 9 away, a third, 39.3, is 10.7
		[120, '1/2 naan (60g)', ['serving', 'piece']], // 60 and 40 are equally near: the larger
		[121, '1/3 naan (40g)', ['serving', 'piece']],
		[150, '1/3 naan (50g)', ['serving', 'piece']], // 300 %
		[150.5, '1/3 naan (50g)', ['serving']], // above 300 %
		[260, '1/5 naan (52g)', ['serving']],
		[300, '1/6 naan (50g)', ['serving']],
		[350, '1/8 naan (44g)', ['serving']], // 1/6, 58.3, is 8.3 away; 1/8, 43.75, is 6.25 away
		[342.8, '1/6 naan (57g)', ['serving']], // 57.13 is 7.13 away; 42.85 is 7.15 away
		[343, '1/8 naan (43g)', ['serving']], // 57.17 is 7.17 away; 42.875 is 7.125 away
		[500, '1/10 naan (50g)', ['serving']], // 1/5 divided by 2
		[800, '1/16 naan (50g)', ['serving']], // 1/4 divided by 2 twice
		[700, '1/15 naan (47g)', ['serving']], // 1/5 divided by 3: 46.7 is 3.3 away; 1/12, 58.3, is 8.3
		[900, '1/18 naan (50g)', ['serving']]
	])('%d g: %s, columns %j', (weight, expected, columns) => {
		const { serving } = usServing(flat, weight, undefined, undefined);
		expect(serving.text).toBe(expected);
		expect(serving.columns).toEqual(columns);
	});

	it.each([
		[5, 5],
		[4.99, 5], // by halves: 4.99 → 5
		[4.7, 4.5],
		[4.75, 5],
		[2, 2],
		[1.99, 2], // by tenths
		[1.94, 1.9],
		[51.5, 52]
	])('%d g print as %d', (grams, printed) => {
		expect(servingGrams(grams)).toBe(printed);
	});

	it('a fraction stands beside no whole pieces', () => {
		expect(usServing(flat, 150, undefined, undefined).serving).toMatchObject({
			pieces: null,
			fraction: '1/3',
			grams: 50
		});
	});
});

describe('packs', () => {
	it('under 200 % of the reference amount a pack is one serving', () => {
		// 2 · 48 = 96 g of 100
		const { serving } = usServing(flat, 48, { pieces: 2 }, undefined);
		expect(serving).toMatchObject({
			text: '1 package (96g)',
			pieces: 2,
			perContainer: '1',
			columns: ['serving']
		});
	});

	it('a pack of one small piece is that piece', () => {
		expect(text(flat, 52, { pieces: 1 }, undefined)).toBe('1 naan (52g)');
	});

	it('at exactly 200 % it is not one serving, and gets a column per package', () => {
		const { serving } = usServing(flat, 50, { pieces: 2 }, undefined);
		expect(serving).toMatchObject({
			text: '1 naan (50g)',
			perContainer: '2',
			columns: ['serving', 'package']
		});
	});

	it.each([
		[50, 3, ['serving', 'package']], // 300 %
		[50.1, 3, ['serving']],
		[24, 5, ['serving', 'package']] // 120 g, by twos
	])('%d g by %d: columns %j', (weight, pieces, columns) => {
		expect(usServing(flat, weight, { pieces }, undefined).serving.columns).toEqual(columns);
	});

	it('a pack of one large piece needs only the column per piece', () => {
		expect(usServing(flat, 120, { pieces: 1 }, undefined).serving).toMatchObject({
			perContainer: '2',
			columns: ['serving', 'piece']
		});
	});

	it('tortillas by twos, twelve in a pack, are six servings', () => {
		expect(usServing(tortilla, 28.6, { pieces: 12 }, 2).serving).toMatchObject({
			text: '2 tortillas (57g)',
			perContainer: '6'
		});
	});
});

describe('servings per container', () => {
	it.each([
		[6, '6'],
		[1, '1'],
		[3.5, 'about 3.5'],
		[2.5, 'about 2.5'],
		[10 / 3, 'about 3.5'],
		[4.2, 'about 4'],
		[4.8, 'about 5'],
		[5.5, 'about 6'],
		[1.5, 'about 2'],
		[6.4, 'about 6'],
		[2.9999999999999996, '3']
	])('%d prints %s', (servings, expected) => expect(containerText(servings)).toBe(expected));
});

describe('why the serving is what it is, in words', () => {
	const roti = { one: 'roti', many: 'rotis', category: 'flatbread' as const };
	const reason = (weight: number, pack?: number, choice?: number) =>
		servingReason(
			{ ...roti, packPieces: pack ?? null, servingPieces: choice ?? null },
			weight,
			usServing(roti, weight, pack === undefined ? undefined : { pieces: pack }, choice).serving
		);

	it.each([
		[20, 10, /^One roti weighs 20 g, 40 % of the 50 g reference amount: .* a serving, 3 rotis\.$/],
		[30, 10, /60 % of the 50 g reference amount: one or two may be declared; two are\.$/],
		[33.4, 10, /66\.8 % .*: one or two may be declared/],
		[33.5, 10, /67 % .*: one is a serving\.$/],
		[52, 6, /104 % .*: one is a serving\.$/],
		[99.9, 6, /199\.8 % .*: one is a serving\.$/],
		[100, 6, /200 % .*, 1\/2, and a second column states the whole roti\.$/],
		[150, 6, /300 % .*, 1\/3, and a second column/],
		[151, 6, /302 % .*, 1\/3; above 300 % no second column is asked for\.$/]
	])('%d g in packs of %d', (weight, pack, expected) => {
		expect(reason(weight, pack)).toMatch(expected);
	});

	it('follows the maker’s choice', () => {
		expect(reason(30, 10, 1)).toMatch(/one or two may be declared; one is\.$/);
	});

	it('says when the whole pack is the serving, or has a column of its own', () => {
		expect(reason(48, 2)).toBe(
			'The pack holds 96 g, 192 % of the 50 g reference amount: a pack of less than twice that is one serving.'
		);
		expect(reason(52, 2)).toMatch(
			/one is a serving\. The pack holds 104 g, 208 % of the 50 g reference amount: from 200 to 300 %, a second column states the whole pack\.$/
		);
	});
});
