import { describe, expect, it } from 'vitest';
import { BLANK_PROFILE, type LocalProfile } from '../profile/profile.ts';
import type { Choices } from '../formula/process.ts';
import { blocksOf, butter, contentOf, given, textsOf } from '../testing/label.ts';

import { dough, flour, surface, water } from '../testing/recipe.ts';
import { declarationBlocks } from './blocks.ts';
import type { LabelDesign } from './content.ts';
import { layoutLabel } from './layout.ts';

const MARKS = { code: '261124-1', bestBefore: '' };

describe('what the kitchen’s own authority asks', () => {
	const profile: LocalProfile = {
		...BLANK_PROFILE,
		name: 'made up',
		sentence: 'Made at home.',
		sentenceLeast_pt: 10,
		permitAsked: true,
		permit: '77',
		foods: ['flatbread'],
		panelExempt: true
	};
	const messages = (more: Partial<LabelDesign>, of: LocalProfile) =>
		blocksOf(given(), more, of).map(({ field, message }) => [field, message]);

	it('keeps a label back without the permit’s number or the food it is', () => {
		expect(messages({ food: 'flatbread' }, profile)).toEqual([]);
		expect(messages({ food: 'flatbread' }, { ...profile, permit: ' ' })).toEqual([
			['profile', 'your local profile asks for a permit number and has none']
		]);
		expect(messages({}, profile)).toEqual([
			['food', 'say which of the foods your local profile allows it is']
		]);
		expect(messages({ food: 'pizza' }, profile)[0]?.[1]).toContain('not among the foods');
		expect(messages({}, { ...profile, foods: [] })).toEqual([]);
	});

	it('lets the panel be left out only where it says so; unknown values then wait for nothing', () => {
		const food = 'flatbread';
		const bare = given({
			ingredients: [{ ...flour, per100g: { ...flour.per100g, iron_mg: null } }, water, butter]
		});
		const out = { food, leavePanelOut: true };
		expect(blocksOf(bare, { food }, profile).map((block) => block.ingredient)).toEqual(['flour']);
		expect(blocksOf(bare, out, profile)).toEqual([]);
		expect(contentOf(bare, out, { profile })).toMatchObject({
			panel: null,
			declaration: 'Contains: Wheat, Milk.'
		});
		const strict = { ...profile, panelExempt: false };
		expect(blocksOf(bare, out, strict).map((block) => block.field)).toContain('leavePanelOut');
		expect(contentOf(bare, out, { profile: strict }).panel).not.toBeNull();
	});

	it('stands on the label in the size it asks, before what the product adds', () => {
		const content = contentOf(given(), { localSentence: 'Batch of the day.' }, { profile });
		expect(content.localSentence).toBe('Made at home. Permit 77. Batch of the day.');
		const sizeOf = (least: number | null) =>
			textsOf(layoutLabel({ ...content, localLeast_pt: least }, 300, MARKS).drawing.shapes).find((shape) =>
				shape.text.startsWith('Made at')
			)?.size_pt;
		expect(sizeOf(10)).toBe(10);
		// a small o of 1/16 inch is the least whatever is asked
		expect(sizeOf(5)).toBe(sizeOf(null));
		expect(sizeOf(null)).toBeGreaterThan(5);
	});
});

describe('the format of the panel and the pack', () => {
	const fieldsOf = (more: Partial<LabelDesign>) => blocksOf(given(), more).map((block) => block.field);
	const small = { width_mm: 100, height_mm: 60 };
	/** Too narrow for the upright panel, and for the tabular one as well. */
	const narrow = { width_mm: 55, height_mm: 200 };

	it.each(['tabular', 'linear'] as const)('%s is for packs with 258 cm² to label or less', (format) => {
		const of = (more: Partial<LabelDesign>) => fieldsOf({ format, size: small, face_mm: narrow, ...more });
		expect(of({ packArea_cm2: 258.064 })).toEqual([]);
		expect(of({ packArea_cm2: 258.1 })).toEqual(['format']);
		expect(of({})).toEqual(['packArea_cm2']);
		expect(of({ packArea_cm2: 100, face_mm: null })).toEqual(['face_mm', 'face_mm']);
		// the label alone is 127 × 205 mm, 260 cm²
		expect(of({ size: { width_mm: 127, height_mm: 205 }, packArea_cm2: 100 })).toEqual(['format']);
		expect(fieldsOf({ format: 'vertical', size: small })).toEqual([]);
	});

	it('from 12 square inches on each is for packs where the one before it does not fit', () => {
		const of = (format: 'tabular' | 'linear', face_mm: LabelDesign['face_mm'], packArea_cm2 = 200) =>
			fieldsOf({ format, size: { width_mm: 60, height_mm: 60 }, face_mm, packArea_cm2 });
		const upright = { width_mm: 80, height_mm: 200 };
		expect(of('tabular', upright)).toEqual(['format']);
		expect(of('linear', upright)).toEqual(['format']);
		const wide = { width_mm: 200, height_mm: 60 };
		expect(of('tabular', wide)).toEqual([]);
		expect(of('linear', wide)).toEqual(['format']);
		// 12 square inches are 77.42 cm²: below, the tabular one asks for no reason
		expect(of('tabular', upright, 77.41)).toEqual([]);
		expect(of('tabular', upright, 77.42)).toEqual(['format']);
	});

	it('the panel may be left out of a pack under 12 square inches, in the EU of one whose largest side is under 25 cm²', () => {
		const out = (more: Partial<LabelDesign>) =>
			fieldsOf({ leavePanelOut: true, size: { width_mm: 60, height_mm: 100 }, ...more });
		expect(out({ packArea_cm2: 77.41 })).toEqual([]);
		expect(out({ packArea_cm2: 77.42 })).toEqual(['leavePanelOut']);
		expect(out({})).toEqual(['leavePanelOut']);
		const eu = (face_mm: LabelDesign['face_mm']) =>
			blocksOf(given({ rules: 'eu' }), { leavePanelOut: true, face_mm }).map((block) => block.field);
		expect(eu({ width_mm: 49.9, height_mm: 50 })).toEqual([]);
		expect(eu({ width_mm: 50, height_mm: 50 })).toEqual(['leavePanelOut']);
	});

	it('the front of the pack is asked for', () => {
		expect(fieldsOf({ face_mm: null })).toEqual(['face_mm']);
	});

	it('a barcode number has to be sound', () => {
		expect(fieldsOf({ barcode: '012345678905' })).toEqual([]);
		expect(fieldsOf({ barcode: '012345678904' })).toEqual(['barcode']);
	});
	it('a barcode that is wider than its column is said', () => {
		const bars = [95];
		const narrow = { width_mm: 30, height_mm: 300 };
		const content = contentOf(given(), { barcode: '012345678905', size: narrow, format: 'linear' }, { bars });
		expect(layoutLabel(content, 300, MARKS).problems.join()).toMatch(/barcode is \d+ mm too wide/);
		const wide = contentOf(given(), { barcode: '012345678905' }, { bars });
		expect(layoutLabel(wide, 300, MARKS).problems.join()).not.toContain('barcode');
	});
});

describe('what the process has the label say', () => {
	const fields = (choices: Choices, more: Partial<LabelDesign> = {}) =>
		blocksOf(given(), more, null, choices).map(({ field }) => field);
	it('is how to finish what is part-cooked', () => {
		const sold = 'part-cooked, the customer finishes';
		expect(fields({ sold }, { finishing: '' })).toEqual(['finishing']);
		expect(fields({ sold }, { finishing: 'Cook both sides until brown.' })).toEqual([]);
		expect(fields({ sold: 'fully cooked' }, { finishing: '' })).toEqual([]);
	});
	it('is in the EU what the day of a chilled one is called, and whether a frozen one is sold defrosted', () => {
		const eu = given({ rules: 'eu' });
		const of = (storage: Choices['storage'], more: Partial<LabelDesign> = {}) =>
			blocksOf(eu, { storage: 'Keep at 4 °C.', ...more }, null, { storage }).map((block) => block.field);
		expect(of('chilled')).toEqual(['dateKind']);
		expect(of('chilled', { dateKind: 'use by' })).toEqual([]);
		expect(of('chilled', { dateKind: 'best before' })).toEqual([]);
		expect(of('frozen')).toEqual(['defrosted']);
		expect(of('frozen', { defrosted: false })).toEqual([]);
		expect(of('shelf')).toEqual([]);
		expect(fields({ storage: 'chilled' }, { storage: 'Keep at 4 °C.' })).toEqual([]);
		const content = contentOf(eu, { name: 'Roti', defrosted: true, dateKind: 'use by' });
		expect(content).toMatchObject({ name: 'Roti, defrosted', dateKind: 'use by' });
		expect(contentOf(eu).dateKind).toBe('best before');
	});

	it('is how to keep what is chilled or frozen', () => {
		expect(fields({ storage: 'chilled' }, { storage: ' ' })).toEqual(['storage']);
		expect(fields({ storage: 'frozen' }, { storage: '' })).toEqual(['storage']);
		expect(fields({ storage: 'frozen' }, { storage: 'Keep at −18 °C.' })).toEqual([]);
		expect(fields({ storage: 'shelf' }, { storage: '' })).toEqual([]);
	});
});

describe('bread that is eaten within the day', () => {
	it('is asked for no date in the EU', () => {
		const eu = given({ rules: 'eu' });
		const of = (sold?: Choices['sold']) =>
			blocksOf(eu, { bestBeforeDays: null }, null, sold ? { sold } : {}).map((block) => block.field);
		expect(of()).toEqual(['bestBeforeDays']);
		expect(of('fully cooked')).toEqual(['bestBeforeDays']);
		expect(of('warm or for the day')).toEqual([]);
	});
});

describe('a line without grams', () => {
	it('makes the label wait and is named, whatever its use', () => {
		const of = given();
		const lines = [...of.formula.lines, surface('flour', 'layering', 0), dough('flour', 0)];
		const messages = blocksOf({ ...of, formula: { ...of.formula, lines } }).map(({ message }) => message);
		expect(messages).toEqual([
			'no grams are known of Bread flour, for layering: weigh it in a batch that squares, or say its grams in the formula',
			'no grams are known of Bread flour: weigh it in a batch that squares, or say its grams in the formula'
		]);
	});
});

describe('a declaration above what packs hold', () => {
	it('makes the label wait; exactly what they hold may be declared', () => {
		expect(declarationBlocks(312, 312)).toEqual([]);
		expect(declarationBlocks(313, 312.4)).toMatchObject([
			{ message: 'packs hold 312 g on average, and 313 g are declared', field: 'declared_g' }
		]);
		expect(declarationBlocks(313, null)).toEqual([]);
		expect(declarationBlocks(null, 312)).toEqual([]);
	});
});
