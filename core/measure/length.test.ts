import { describe, expect, it } from 'vitest';
import { readLength } from './length.ts';

describe('a length as it is typed', () => {
	it.each([
		['20', 20],
		['20 cm', 20],
		['200mm', 20],
		['8 in', 20.32], // 8 · 2.54
		['8"', 20.32],
		['7 1/2 inches', 19.05],
		['7½ in', 19.05],
		['1,5 cm', 1.5]
	])('%s is so many centimetres', (text, value) => {
		expect(readLength(text, 'cm')).toEqual({ ok: true, value });
	});
	it.each([
		['3', 3],
		['1/8 in', 3.175], // 25.4 / 8
		['1/8″', 3.175],
		['0.3 cm', 3],
		['3 millimetres', 3]
	])('%s is so many millimetres', (text, value) => {
		expect(readLength(text, 'mm')).toEqual({ ok: true, value });
	});
	it.each(['8 feet', '8 g', 'wide', '', '-3 cm'])('"%s" is none', (text) => {
		expect(readLength(text, 'cm').ok).toBe(false);
	});
});
