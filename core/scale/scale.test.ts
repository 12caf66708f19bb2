import { describe, expect, it } from 'vitest';
import { readScaleLine, readTemperatureLine } from './line.ts';
import { AUTO_START, autoTake, steadyReading_g, type Sample } from './steady.ts';

describe('a line of text from a scale', () => {
	it.each([
		['   123.5 g S', 123.5, true],
		['123,5 g', 123.5, null],
		['ST, +0001.2345 kg', 1234.5, true],
		['US - 12 g', -12, false],
		['1 lb', 453.59237, null],
		['2 oz ~', 56.69904625, false],
		['-0.0 g', 0, null],
		['net .5 g stable', 0.5, true]
	])('%s', (text, grams, steady) => {
		expect(readScaleLine(text)).toEqual({ state: 'weight', grams, steady });
	});

	it('overload and a low battery are told apart from a weight', () => {
		expect(readScaleLine('  OL ')).toEqual({ state: 'overload' });
		expect(readScaleLine('overload 5000 g')).toEqual({ state: 'overload' });
		expect(readScaleLine('LO BAT')).toEqual({ state: 'battery low' });
	});

	it.each(['', 'hello', '123.5', '12.5 V', 'g'])('no weight is guessed from "%s"', (text) => {
		expect(readScaleLine(text)).toBeNull();
	});
});

describe('a line of text from a thermometer', () => {
	it.each([
		['258.3 C', 258.3],
		['T1: -18,5 °C', -18.5],
		['500 F', 260], // (500 − 32) · 5 / 9
		['32°F', 0],
		['258', null],
		['123.5 g', null],
		['', null]
	])('%s', (text, temperature_c) => {
		expect(readTemperatureLine(text)).toBe(temperature_c);
	});
});

describe('a steady reading', () => {
	/** Ten readings a second. */
	const run = (grams: number[], steady: boolean | null = null): Sample[] =>
		grams.map((value, index) => ({ grams: value, at_ms: index * 100, steady }));

	it('stood within a step for a second', () => {
		expect(steadyReading_g(run([...Array<number>(10).fill(60)]), 1)).toBeNull(); // 0.9 s
		expect(steadyReading_g(run([...Array<number>(11).fill(60)]), 1)).toBe(60); // 1.0 s
		expect(steadyReading_g(run([58, ...Array<number>(10).fill(60)]), 1)).toBeNull();
		expect(steadyReading_g(run([59, ...Array<number>(10).fill(60)]), 1)).toBe(60);
	});

	it('comes sooner where the scale says so, and not while it says no', () => {
		expect(steadyReading_g(run([...Array<number>(4).fill(60)], true), 1)).toBeNull(); // 0.3 s
		expect(steadyReading_g(run([...Array<number>(5).fill(60)], true), 1)).toBe(60); // 0.4 s
		expect(steadyReading_g(run([...Array<number>(20).fill(60)], false), 1)).toBeNull();
	});

	it('is not made of two readings far apart', () => {
		const gap: Sample[] = [
			{ grams: 60, at_ms: 0, steady: null },
			{ grams: 60, at_ms: 1500, steady: null }
		];
		expect(steadyReading_g(gap, 1)).toBeNull();
	});
});

describe('taking by itself', () => {
	/** What is taken of loads as they become steady, each above `tare`. */
	function taken(loads: { load_g: number; tare_g?: number; steady?: boolean }[]): number[] {
		let state = AUTO_START;
		return loads.flatMap(({ load_g, tare_g = 0, steady = true }) => {
			const net_g = load_g - tare_g;
			const { next, take } = autoTake(state, { load_g, net_g, steady }, 5);
			state = next;
			return take ? [net_g] : [];
		});
	}

	it('takes each load once, and the next after a change', () => {
		expect(taken([{ load_g: 60 }, { load_g: 60 }, { load_g: 60.1 }])).toEqual([60]);
		expect(taken([{ load_g: 60 }, { load_g: 0 }, { load_g: 61 }])).toEqual([60, 61]);
	});

	it('takes what is added to a bowl that stays, once it is set to zero', () => {
		expect(taken([{ load_g: 600 }, { load_g: 600, tare_g: 600 }, { load_g: 1000, tare_g: 600 }])).toEqual([
			600, 400
		]);
	});

	it('takes nothing unsteady, nothing below the least, nothing when a load is taken off', () => {
		expect(taken([{ load_g: 60, steady: false }])).toEqual([]);
		expect(taken([{ load_g: 4.9 }, { load_g: 5 }])).toEqual([5]);
		expect(taken([{ load_g: 60 }, { load_g: 20, tare_g: 60 }])).toEqual([60]);
	});
});
