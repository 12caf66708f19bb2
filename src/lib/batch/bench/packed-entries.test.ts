import fc from 'fast-check';
import { expect, it } from 'vitest';
import { WEIGHED, type Entry } from '$core/bench/entries.ts';
import { event, weighing } from '$core/testing/entries.ts';
import { packEntries, unpackEntries, wholeUpTo } from './packed-entries.ts';

const id = fc.constantFrom(
	'01J000000000000000000LINE1',
	'01J000000000000000000LINE2',
	'01J00000000000000000000LOT'
);
const drawn = fc.record({
	what: fc.constantFrom(...WEIGHED),
	lineId: fc.option(id),
	lotId: fc.option(id),
	grams: fc.option(fc.integer({ min: 0, max: 9_000_000 }).map((thousandths) => thousandths / 1000)),
	corrects: fc.option(id),
	by: fc.constantFrom('scale' as const, 'typed' as const),
	at: fc
		.date({ min: new Date('2020-01-01'), max: new Date('2040-01-01'), noInvalidDate: true })
		.map((date) => date.toISOString())
});

it('what is packed is unpacked as it was: an earlier clock, no grams, lots and corrections too', () => {
	fc.assert(
		fc.property(fc.array(fc.oneof(drawn, fc.constant('event' as const)), { maxLength: 30 }), (all) => {
			const entries = all.map((each, index): Entry =>
				each === 'event'
					? event({ name: 'noted', cue: 'soft, "now"', text: 'a\nb,c' }, { number: index + 1 })
					: weighing({ ...each, number: index + 1 })
			);
			expect(unpackEntries(packEntries(entries))).toEqual(entries);
			// As it goes through the page.
			expect(unpackEntries(JSON.parse(JSON.stringify(packEntries(entries))))).toEqual(entries);
		})
	);
});

it('nine hundred readings are less than a third of what they are written out', () => {
	const entries = Array.from({ length: 900 }, (_, index) =>
		weighing({ number: index + 1, grams: 60.5, at: new Date(1_700_000_000_000 + index * 9000).toISOString() })
	);
	const packed = JSON.stringify(packEntries(entries)).length;
	expect(packed).toBeLessThan(45_000);
	expect(packed).toBeLessThan(JSON.stringify(entries).length / 3);
});

it('a reading that did not arrive whole is said to be so', () => {
	expect(() => unpackEntries({ ...packEntries([]), weighings: '01J' })).toThrow('did not arrive whole');
});

it.each([
	[[1, 2, 3], 3],
	[[1, 2, 4], 2], // 3 is missing
	[[2, 3], 0],
	[[], 0],
	[[3, 1, null, 2], 3]
])('of %j nothing is missing up to %d', (numbers, upTo) => {
	expect(wholeUpTo(numbers.map((number) => ({ number })))).toBe(upTo);
});
