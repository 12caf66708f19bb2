import { describe, expect, it } from 'vitest';
import { applySaid, splitSaid } from './said.ts';
import { emptyLine } from './draft.ts';
import type { LineReading } from '$core/formula/said/read-line.ts';

const reading = (more: Partial<LineReading> = {}): LineReading => ({
	text: '2 cups flour',
	name: 'flour',
	candidates: [],
	ingredient: 'flour',
	amount: 2,
	unit: 'cup',
	grams: 250,
	gramsLow: 250,
	gramsHigh: 250,
	note: null,
	doubts: [],
	use: null,
	temperature_c: null,
	lines: [],
	keptBack_g: null,
	...more
});

describe('a line set by what was said', () => {
	const set = (of: LineReading | null) => {
		const line = emptyLine('Dry');
		applySaid(line, of);
		return line;
	};
	it('takes ingredient and grams', () => {
		expect(set(reading())).toMatchObject({ ingredient: 'flour', grams: '250', low_g: null, high_g: null });
	});
	it('keeps the range of what was said', () => {
		expect(set(reading({ gramsLow: 236.04, gramsHigh: 290 }))).toMatchObject({ low_g: 236, high_g: 290 });
	});
	it('plans without what is kept back, and keeps the whole as the most', () => {
		// 250 − 30
		expect(set(reading({ keptBack_g: 30 }))).toMatchObject({ grams: '220', most: '250' });
	});
	it('leaves to the batch what names no amount', () => {
		expect(set(reading({ grams: null, doubts: ['no-amount'] }))).toMatchObject({ grams: '', toWeigh: true });
	});
	it('changes nothing where nothing is known', () => {
		const line = emptyLine('Dry');
		applySaid(line, null);
		expect(line).toMatchObject({ ingredient: '', grams: '' });
	});
});

describe('a line whose words change', () => {
	const changed = (before: LineReading, after: LineReading | null, byHand = {}) => {
		const line = { ...emptyLine('Dry'), key: 'k' };
		applySaid(line, before);
		Object.assign(line, byHand);
		applySaid(line, after, before);
		return line;
	};
	it('is cleared with them', () => {
		expect(changed(reading({ use: 'dusting' }), null)).toEqual({ ...emptyLine('Dry'), key: 'k' });
	});
	it('loses the ingredient and the grams that came from them', () => {
		const half = reading({ name: 'flou', ingredient: null, grams: null, doubts: ['unknown-ingredient'] });
		expect(changed(reading(), half)).toMatchObject({ ingredient: '', grams: '' });
	});
	it('keeps what was chosen by hand as long as the same thing is named', () => {
		const asked = reading({ ingredient: null, candidates: ['bread', 'atta'] });
		expect(changed(asked, { ...asked, grams: 500 }, { ingredient: 'bread' })).toMatchObject({
			ingredient: 'bread',
			grams: '500'
		});
		const other = reading({ name: 'oil', ingredient: null, candidates: ['olive'] });
		expect(changed(asked, other, { ingredient: 'bread' }).ingredient).toBe('');
	});
	it('takes the use and the temperature that are said, and lets go of them', () => {
		const warm = reading({ use: 'bowl', temperature_c: 43.3333 });
		expect(changed(reading(), warm)).toMatchObject({ use: 'bowl', note: 'at 43 °C' });
		expect(changed(warm, reading())).toMatchObject({ use: 'dough', note: '' });
		expect(changed(warm, reading(), { note: 'from the tap' }).note).toBe('from the tap');
	});
	it('leaves to the batch what nobody could weigh again', () => {
		for (const doubt of ['vague-unit', 'no-density', 'no-amount'] as const)
			expect(changed(reading(), reading({ grams: null, doubts: [doubt] }))).toMatchObject({
				toWeigh: true,
				grams: ''
			});
		expect(changed(reading(), reading({ grams: null, doubts: ['unknown-unit'] })).toWeigh).toBe(false);
	});
});

it('a sentence of several lines is each of them, of the same where nothing else is named', () => {
	const parts = [
		reading({ text: '4 cups flour', ingredient: null, candidates: ['bread', 'atta'], grams: 500 }),
		reading({
			text: '¼ cup for dusting',
			ingredient: null,
			candidates: ['bread', 'atta'],
			grams: 31,
			use: 'dusting'
		})
	];
	const whole = reading({ lines: parts });
	const line = { ...emptyLine('Dry'), key: 'k', said: 'both', ingredient: 'bread' };
	expect(splitSaid(line, whole)).toMatchObject([
		{ key: 'k', said: '4 cups flour', ingredient: 'bread', grams: '500', use: 'dough' },
		{ said: '¼ cup for dusting', ingredient: 'bread', grams: '31', use: 'dusting', stage: 'Dry' }
	]);
});
