import { describe, expect, it } from 'vitest';
import { X_HEIGHT } from '../drawing/arimo.ts';
import { PT_PER_MM } from '../drawing/shapes.ts';
import { emphasisRuns } from '../drawing/emphasis.ts';
import { textWidth_pt } from '../drawing/text.ts';
import type { Ingredient } from '../formula/types.ts';
import { blocksOf, butter, contentOf, given, textsOf } from '../testing/label.ts';
import { dough, factsOf, flour, ingredient, water } from '../testing/recipe.ts';
import type { Block } from './blocks.ts';
import { compareLabels } from './compare.ts';
import { rulesOf } from '../rules/index.ts';
import { layoutLabel } from './layout.ts';
import { missingByPart } from './parts.ts';
import { lostAllergenWords, worded } from './wording.ts';

describe('rewording an ingredient', () => {
	it('changes its label name and leaves every line in', () => {
		const of = worded(given(), { name: ' ', wording: { flour: 'unbleached wheat flour', butter: ' ' } });
		const facts = factsOf(of);
		expect(facts.statement).toBe('Unbleached wheat flour, water, butter (milk, salt).');
		expect(facts.allergens.contains).toEqual(factsOf(given()).allergens.contains);
	});

	it('the name on the label says of what a share is given, not the formula’s', () => {
		const eu = given({ rules: 'eu' });
		expect(factsOf(worded(eu, { name: 'Breakfast roti', wording: {} })).statement).not.toContain('%');
		expect(factsOf(worded(eu, { name: 'Butter roti', wording: {} })).statement).toContain(
			'butter (**milk**) (4%)'
		);
		expect(factsOf(worded(eu, { name: ' ', wording: {} })).statement).toBe(factsOf(eu).statement);
	});

	it.each([
		['sweet butter (milk)', []],
		['sweet butter', ['milk']],
		['buttermilkish', ['milk']] // part of a word is not the word
	])('“%s” loses %j', (wording, lost) => {
		expect(lostAllergenWords(butter, 'us', wording)).toEqual(lost);
	});

	it('takes another word for the same allergen, and the species of a nut', () => {
		const durum: Ingredient = { ...flour, label: { us: 'wheat flour', eu: null } };
		expect(lostAllergenWords(durum, 'us', 'durum flour')).toEqual([]);
		const almond = ingredient('a', { label: { us: 'ground almonds' }, allergens: ['treenut:almond'] });
		expect(lostAllergenWords(almond, 'us', 'almond meal')).toEqual([]);
		expect(lostAllergenWords(almond, 'us', 'nut meal')).toEqual(['almond']);
	});

	it('loses nothing that the shelf did not say, or that the parts still say', () => {
		expect(lostAllergenWords({ ...butter, label: { us: 'ghee', eu: null } }, 'us', 'clarified fat')).toEqual(
			[]
		);
		expect(
			lostAllergenWords({ ...butter, parts: [{ name: 'milk fat', parts: [] }] }, 'us', 'clarified fat')
		).toEqual([]);
	});
});

describe('what keeps a label from being approved', () => {
	it('is nothing when all is known and said', () => {
		expect(blocksOf(given())).toEqual([]);
		expect(blocksOf(given({ rules: 'eu' }))).toEqual([]);
	});

	it('names each unconfirmed ingredient and each unknown value that prints, with where to mend it', () => {
		const bran = ingredient('bran', {
			name: 'Bran',
			per100g: { ...flour.per100g, iron_mg: null, water_g: null },
			allergens: null
		});
		const of = given({
			ingredients: [flour, water, bran],
			formula: { name: 'x', lines: [dough('flour', 1000), dough('water', 550), dough('bran', 50)] }
		});
		expect(blocksOf(of)).toEqual([
			{ message: 'nobody has confirmed the allergens of Bran', ingredient: 'bran', field: null },
			{ message: 'iron of Bran is unknown', ingredient: 'bran', field: null }
		]);
		// iron is not on an EU table, and water prints nowhere
		expect(blocksOf({ ...of, rules: 'eu' })).toHaveLength(1);
	});

	it('is a weight nobody measured, and each thing the maker has to say', () => {
		expect(blocksOf(given({ batch: {} }))[0]?.message).toMatch(/a cook loss is never guessed/);
		const fields = blocksOf(given(), {
			name: ' ',
			declared_g: null,
			maker: '',
			address: '',
			shelfLifeTest: ''
		});
		expect(fields.map((each) => each.field)).toEqual([
			'name',
			'declared_g',
			'maker',
			'address',
			'shelfLifeTest'
		]);
	});

	it('a best-before is asked for in the EU only', () => {
		const none = { bestBeforeDays: null, shelfLifeTest: '' };
		expect(blocksOf(given(), none)).toEqual([]);
		expect(blocksOf(given({ rules: 'eu' }), none).map((each) => each.field)).toEqual(['bestBeforeDays']);
	});

	it('is a wording that loses an allergen, and what the typeface cannot print', () => {
		expect(blocksOf(given(), { wording: { butter: 'cultured butter' } })).toEqual([
			{
				message: '“cultured butter” loses the word milk, an allergen of Butter',
				ingredient: null,
				field: 'wording.butter'
			}
		]);
		expect(blocksOf(given(), { name: 'Roti ☃' })[0]).toMatchObject({ field: 'name' });
	});
});

describe('least sizes', () => {
	it('US: a small o of 1/16 inch; EU: 1.2 mm, 0.9 mm under 80 cm²', () => {
		const xHeight_mm = (size_pt: number) => (size_pt * X_HEIGHT) / PT_PER_MM;
		expect(xHeight_mm(rulesOf('us').leastTextSize_pt(129))).toBeCloseTo(1.5875, 10);
		expect(xHeight_mm(rulesOf('eu').leastTextSize_pt(80))).toBeCloseTo(1.2, 10);
		expect(xHeight_mm(rulesOf('eu').leastTextSize_pt(79.9))).toBeCloseTo(0.9, 10);
	});

	it.each([
		['us', 5 * 6.4516, 330, 25.4 / 16],
		['us', 5 * 6.4516 + 0.1, 330, 25.4 / 8],
		['us', 25 * 6.4516, 330, 25.4 / 8],
		['us', 25 * 6.4516 + 0.1, 330, (3 * 25.4) / 16],
		['us', 401 * 6.4516, 330, 25.4 / 2],
		['eu', 100, 50, 2],
		['eu', 100, 51, 3],
		['eu', 100, 200, 3],
		['eu', 100, 330, 4],
		['eu', 100, 1001, 6]
	] as const)('net quantity, %s, %d cm², %d g: figures %d mm high', (rules, area, grams, height_mm) => {
		const cap_mm = (rulesOf(rules).leastNetSize_pt(area, grams) * (1409 / 2048)) / PT_PER_MM;
		expect(cap_mm).toBeCloseTo(height_mm, 10);
	});
});

describe('the label laid out', () => {
	const marks = { code: '261124-1', bestBefore: 'Best before 29 Nov 2026' };

	it('has the words beside the panel where there is room, within its edges', () => {
		const { drawing, problems } = layoutLabel(contentOf(given()), 330, marks);
		expect(problems).toEqual([]);
		expect(drawing.width_pt).toBeCloseTo(127 * PT_PER_MM, 10);
		const title = textsOf(drawing.shapes).find((text) => text.text === 'Nutrition Facts');
		expect(title?.x_pt).toBeGreaterThan(drawing.width_pt / 3);
		for (const text of textsOf(drawing.shapes)) {
			const end_pt = text.x_pt + textWidth_pt(text.text, text.size_pt, text.weight);
			expect(end_pt, text.text).toBeLessThanOrEqual(drawing.width_pt - 3 * PT_PER_MM + 0.01);
			expect(text.baseline_pt).toBeLessThan(drawing.height_pt);
		}
	});

	it('says everything, the net quantity at the foot in the size asked for', () => {
		const { drawing } = layoutLabel(
			contentOf(given(), { price: '$6.50', localSentence: 'Made at home.' }),
			330,
			marks
		);
		const all = textsOf(drawing.shapes)
			.map((text) => text.text)
			.join(' ')
			.replaceAll('\u00a0', ' ');
		for (const words of [
			'Plain butter roti',
			'Contains:',
			'Keep cool',
			'Tansy Row',
			'261124-1',
			'29 Nov',
			'$6.50',
			'Made at'
		])
			expect(all).toContain(words);
		const net = textsOf(drawing.shapes).find((text) => text.text.startsWith('NET WT'));
		// The front, 16 × 18 cm = 288 cm² = 44.6 in²: 3/16 inch
		expect(((net?.size_pt ?? 0) * 1409) / 2048 / PT_PER_MM).toBeGreaterThanOrEqual((3 * 25.4) / 16);
		expect(net?.baseline_pt).toBeGreaterThan(0.7 * drawing.height_pt);
	});

	it('goes by the front of the pack: a label approved before it was asked for by its own size', () => {
		const net_pt = (face_mm: { width_mm: number; height_mm: number } | null) => {
			const { drawing } = layoutLabel(contentOf(given(), { face_mm }), 330, marks);
			return textsOf(drawing.shapes).find((text) => text.text.startsWith('NET WT'))?.size_pt;
		};
		// 12.7 × 12.5 cm = 24.6 in² and 16.1 × 10 cm = 24.96 in²: 1/8 inch; 16.2 × 10 cm = 25.1 in²: 3/16
		expect(net_pt(null)).toBe(net_pt({ width_mm: 161, height_mm: 100 }));
		expect(net_pt({ width_mm: 162, height_mm: 100 })).toBeGreaterThan(1.4 * (net_pt(null) ?? 0));
	});

	it('keeps the net quantity clear by its own height above', () => {
		const least = (size: number) => ({ width_mm: 80, height_mm: size });
		const high = (height_mm: number) =>
			layoutLabel(contentOf(given(), { size: least(height_mm) }), 330, marks);
		let height_mm = 120;
		while (high(height_mm).problems.length > 0 && height_mm < 300) height_mm++;
		const { drawing } = high(height_mm);
		const net = textsOf(drawing.shapes).find((text) => text.text.startsWith('NET WT'));
		const capitals_pt = ((net?.size_pt ?? 0) * 1409) / 2048;
		const top_pt = (net?.baseline_pt ?? 0) - capitals_pt;
		const above = drawing.shapes
			.map((shape) => (shape.kind === 'bar' ? shape.y_pt + shape.height_pt : shape.baseline_pt))
			.filter((y_pt) => y_pt < top_pt);
		expect(top_pt - Math.max(...above)).toBeGreaterThanOrEqual(capitals_pt);
	});

	it('says how many pieces the pack holds where the figures are of one', () => {
		expect(contentOf(given({ rules: 'eu' })).pieces).toBe('8 roti');
		expect(contentOf(given()).pieces).toBeNull();
		const { drawing } = layoutLabel(contentOf(given({ rules: 'eu' })), 330, marks);
		expect(textsOf(drawing.shapes).map((text) => text.text)).toContain('8 roti');
	});

	it('puts the panel below where there is no room beside it, and says what does not fit', () => {
		const narrow = layoutLabel(contentOf(given(), { size: { width_mm: 80, height_mm: 190 } }), 330, marks);
		expect(narrow.problems).toEqual([]);
		const short = layoutLabel(contentOf(given(), { size: { width_mm: 80, height_mm: 110 } }), 330, marks);
		expect(short.problems[0]).toMatch(/^what the label has to say is \d+ mm too high for it/);
		const thin = layoutLabel(contentOf(given(), { size: { width_mm: 50, height_mm: 300 } }), 330, marks);
		expect(thin.problems).toContain('the panel is 20 mm too wide for the label');
	});

	it('the linear panel takes the width there is', () => {
		const small = { size: { width_mm: 80, height_mm: 92 }, format: 'linear' as const };
		expect(layoutLabel(contentOf(given(), small), 330, marks).problems).toEqual([]);
	});

	it('says where each part stands, and that one waits where nothing is said of it', () => {
		const { parts, drawing } = layoutLabel(contentOf(given()), 330, marks);
		expect(parts.map(({ part }) => part)).toEqual([
			'name',
			'list',
			'contact',
			'keeping',
			'maker',
			'date',
			'quantity'
		]);
		for (const { x_pt, y_pt, width_pt, height_pt } of parts) {
			expect(x_pt + width_pt).toBeLessThanOrEqual(drawing.width_pt);
			expect(y_pt + height_pt).toBeLessThanOrEqual(drawing.height_pt);
		}
		const bare = layoutLabel(
			contentOf(given(), { name: '', maker: '', address: '', declared_g: null }),
			1,
			marks
		);
		const waiting = textsOf(bare.drawing.shapes).filter((text) => text.waits);
		expect(waiting.map((text) => text.text).join(' ')).toBe(
			'the name waits the maker and address wait net quantity waits'
		);
		expect(bare.parts.map(({ part }) => part)).toContain('maker');
	});

	it('leaves room for what is missing in the place of the part it is missing from', () => {
		const blocks: Pick<Block, 'field' | 'message'>[] = [
			{ message: 'nobody has confirmed the allergens of Butter', field: null },
			{ message: 'decide whether it may contain Sesame', field: 'contact' },
			{ message: 'say who makes it', field: 'maker' },
			{ message: 'give the maker’s address', field: 'address' },
			{ message: 'declare the net quantity', field: 'declared_g' },
			{ message: '“flour” loses the word wheat', field: 'wording.flour' }
		];
		const missing = missingByPart(blocks);
		expect(missing).toEqual({
			list: ['nobody has confirmed the allergens of Butter', '“flour” loses the word wheat'],
			contact: ['decide whether it may contain Sesame'],
			maker: ['say who makes it', 'give the maker’s address'],
			quantity: ['declare the net quantity']
		});
		const bare = contentOf(given(), { maker: '', address: '', declared_g: null });
		const { parts, drawing } = layoutLabel(bare, 1, marks, missing);
		expect(parts.map(({ part, missing: words }) => [part, words])).toEqual([
			['name', null],
			['list', null],
			['list', 'nobody has confirmed the allergens of Butter'],
			['list', '“flour” loses the word wheat'],
			['contact', null],
			['contact', 'decide whether it may contain Sesame'],
			['keeping', null],
			['maker', 'say who makes it'],
			['maker', 'give the maker’s address'],
			['date', null],
			['quantity', 'declare the net quantity']
		]);
		// Each under the one before it, none over another; the last ends at the margin of 3 mm.
		const ends = parts.map(({ y_pt, height_pt }) => y_pt + height_pt);
		parts.slice(1).forEach(({ y_pt }, index) => expect(y_pt).toBeGreaterThanOrEqual(ends[index] ?? 0));
		expect(ends.at(-1)).toBeCloseTo(drawing.height_pt - 3 * PT_PER_MM, 6);
		expect(textsOf(drawing.shapes).some((text) => text.text.includes('waits'))).toBe(false);
	});

	it('emphasises the allergens of an EU list', () => {
		expect(emphasisRuns('**Wheat** flour, salt.')).toEqual([
			{ text: 'Wheat', weight: 700 },
			{ text: ' flour, salt.', weight: 400 }
		]);
	});
});

describe('two labels side by side', () => {
	it('differ in what a bag would say, and not in price', () => {
		const saltier = given({
			formula: { name: 'x', lines: [dough('flour', 1000), dough('water', 550), dough('butter', 100)] }
		});
		const differences = compareLabels(
			contentOf(given(), { price: '$6' }),
			contentOf(saltier, { price: '$7' })
		);
		const what = differences.map((difference) => difference.what);
		expect(what).toContain('Saturated Fat');
		expect(what).not.toContain('ingredients');
		expect(what).not.toContain('price');
		const [fat] = differences.filter((difference) => difference.what === 'Total Fat');
		expect(fat?.before).not.toBe(fat?.after);
	});

	it('do not differ from themselves', () => {
		expect(compareLabels(contentOf(given()), contentOf(given()))).toEqual([]);
		expect(compareLabels(contentOf(given({ rules: 'eu' })), contentOf(given({ rules: 'eu' })))).toEqual([]);
	});
});
