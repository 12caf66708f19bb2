import { describe, expect, it } from 'vitest';
import { readLabelDraft } from './pack-label.ts';

const read = (kind: '' | 'us' | 'eu', serving: string, printed: Record<string, string>) =>
	readLabelDraft({ kind, serving, printed });

describe('a pack label as it is typed', () => {
	it('of a US panel is per serving, and comes to 100 g', () => {
		const { reading, serving_g, errors } = read('us', '30 g', { energy_kcal: '110', protein_g: '4 g' });
		expect(errors).toEqual([]);
		expect(serving_g).toBe(30);
		// 4 · 100 / 30
		expect(reading?.per100g.protein_g).toBeCloseTo(13.333, 3);
		// Protein is printed to the gram: from 3.5 to 4.5 of it in a serving.
		expect(reading?.intervals.protein_g?.[0]).toBeCloseTo((3.5 * 100) / 30, 2);
		expect(reading?.intervals.protein_g?.[1]).toBeCloseTo((4.5 * 100) / 30, 2);
	});

	it('of an EU table is per 100 g, needs no serving, and gives salt as sodium', () => {
		const { reading, serving_g, errors } = read('eu', '', { salt_g: '0,5', fat_g: '1.2' });
		expect(errors).toEqual([]);
		expect(serving_g).toBeNull();
		// 0.5 g of salt · 1000 / 2.5
		expect(reading?.per100g.sodium_mg).toBeCloseTo(200, 6);
		expect(reading?.per100g.fat_g).toBeCloseTo(1.2, 6);
	});

	it('leaves out what is not typed, and asks nothing without a kind', () => {
		expect(read('us', '30', { energy_kcal: '110', fat_g: ' ' }).reading?.per100g).not.toHaveProperty('fat_g');
		expect(read('', '', { energy_kcal: 'x' })).toEqual({ reading: null, serving_g: null, errors: [] });
	});

	it('says where a figure comes to more than can be in 100 g', () => {
		// 4 · 100 / 3 = 133.3 g of protein in 100 g: a serving of 3 g was typed for one of 30.
		expect(read('us', '3 g', { protein_g: '4 g' })).toMatchObject({
			reading: null,
			errors: [
				{
					path: 'label.printed.protein_g',
					message: 'comes to 133.3 in 100 g of a serving of 3 g, more than can be: look at both again'
				}
			]
		});
		// 100 g in 100 g can be, and no more.
		expect(read('eu', '', { fat_g: '100' }).errors).toEqual([]);
		expect(read('eu', '', { fat_g: '100.5' }).errors).toMatchObject([{ path: 'label.printed.fat_g' }]);
		// 300 g of salt are 120 g of sodium.
		expect(read('eu', '', { salt_g: '300' }).errors).toMatchObject([{ path: 'label.printed.salt_g' }]);
	});

	it('takes "less than" for what it is', () => {
		const { reading } = read('us', '100', { fibre_g: 'less than 1 g', cholesterol_mg: '<5 mg' });
		expect(reading?.per100g.fibre_g).toBeLessThan(1);
		expect(reading?.per100g.cholesterol_mg).toBeLessThan(5);
	});

	it.each([
		['label.serving', 'us', '', {}, 'empty'],
		['label.serving', 'us', '0', {}, 'more than 0 g'],
		['label.serving', 'us', '1 cup', {}, 'not a unit of weight'],
		['label.printed.protein_g', 'us', '30', { protein_g: 'some' }, 'as printed'],
		['label.printed.salt_g', 'eu', '', { salt_g: 'trace' }, 'as printed']
	] as const)('says at %s what cannot be read', (path, kind, serving, printed, says) => {
		const { reading, errors } = read(kind, serving, printed);
		expect(reading).toBeNull();
		expect(errors.map((each) => each.path)).toEqual([path]);
		expect(errors[0]?.message).toContain(says);
	});

	it('says all that is wrong with it', () => {
		expect(read('us', '', { protein_g: 'some', fat_g: '-' }).errors).toHaveLength(3);
	});
});
