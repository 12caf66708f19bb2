import { describe, expect, it } from 'vitest';
import { readLine } from '$core/formula/said/read-line.ts';
import { referenceContext } from './context.ts';
import { PHRASINGS } from './lines.corpus.ts';

const context = referenceContext();
const near = (value: number | null) => (value === null ? null : expect.closeTo(value, 3));

describe('lines as people say them', () => {
	it('are at least 400', () =>
		expect(new Set(PHRASINGS.map(([text]) => text)).size).toBeGreaterThanOrEqual(400));

	it.each(PHRASINGS)('%s', (text, ingredient, amount, unit, grams, doubts, beside = {}) => {
		const read = readLine(text, context);
		expect({
			candidates: read.candidates.slice(0, 3),
			use: read.use,
			temperature_c: read.temperature_c,
			lines: read.lines.map((line) => [
				line.ingredient ?? line.candidates[0] ?? null,
				line.amount,
				line.unit,
				line.grams,
				line.use
			])
		}).toEqual({
			candidates: beside.candidates ?? [],
			use: beside.use ?? null,
			temperature_c: near(beside.temperature_c ?? null),
			lines: (beside.lines ?? []).map(([of, many, each, weight, use]) => [
				of,
				near(many),
				each,
				near(weight),
				use
			])
		});
		expect(read).toMatchObject({
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
