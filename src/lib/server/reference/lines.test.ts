import { describe, expect, it } from 'vitest';
import { readLine } from '$core/formula/read-line.ts';
import { referenceContext } from './context.ts';
import { PHRASINGS } from './lines.corpus.ts';

const context = referenceContext();
const near = (value: number | null) => (value === null ? null : expect.closeTo(value, 3));

describe('lines as people say them', () => {
	it('are at least 150', () =>
		expect(new Set(PHRASINGS.map(([text]) => text)).size).toBeGreaterThanOrEqual(150));

	it.each(PHRASINGS)('%s', (text, ingredient, amount, unit, grams, doubts) => {
		expect(readLine(text, context)).toMatchObject({
			text,
			ingredient,
			amount: near(amount),
			unit,
			grams: near(grams?.[0] ?? null),
			gramsLow: near(grams?.[1] ?? null),
			gramsHigh: near(grams?.[2] ?? null),
			doubts
		});
	});

	it('what gives no grams always says why', () => {
		for (const [text] of PHRASINGS) {
			const read = readLine(text, context);
			if (read.grams === null) expect(read.doubts, text).not.toEqual([]);
		}
	});

	it('a conflict is flagged above a tenth and not at it', () => {
		// 100 g beside a cup of 125 g: |125 − 100| / 100 = 25 %; 113.64 g: exactly 10 % is (125 − 113.6363…) / 113.6363…
		expect(readLine('1 cup (113 g) flour, all-purpose', context).doubts).toEqual(['volume-conflict']);
		expect(readLine('1 cup (114 g) flour, all-purpose', context).doubts).toEqual([]);
		expect(readLine('1 cup (138 g) flour, all-purpose', context).doubts).toEqual([]);
		expect(readLine('1 cup (139 g) flour, all-purpose', context).doubts).toEqual(['volume-conflict']);
	});

	it('what is kept back is read with its unit', () => {
		expect(readLine('500 g water, keep 60 g back', context)).toMatchObject({ grams: 500, keptBack_g: 60 });
		expect(readLine('2 cups water, keeping half a cup back', context).keptBack_g).toBeCloseTo(118.3, 1);
	});
});
