import { describe, expect, it } from 'vitest';
import { readTemperature, temperatureSaid } from './temperature.ts';

describe('a temperature in a line', () => {
	it.each([
		['milk at 40 degrees', 40, 'at 40 degrees'],
		['water (about 38°C)', 38, 'about 38°C'],
		// (110 − 32) · 5/9
		['warm water 110°F', 43.3333333333, '110°F'],
		['water (110 F)', 43.3333333333, '110 F'],
		['milk, warmed to 38 C', 38, 'warmed to 38 C'],
		// Halfway between 105 and 115, then (110 − 32) · 5/9.
		['water at 105-115 °F', 43.3333333333, 'at 105-115 °F'],
		// No water is so hot: it is Fahrenheit.
		['water at 110 degrees', 43.3333333333, 'at 110 degrees'],
		['water at 100 degrees', 100, 'at 100 degrees'],
		['agua a 38 grados', 38, 'a 38 grados'],
		['water at 37,5 °C', 37.5, 'at 37,5 °C']
	])('%j is %d °C', (text, temperature_c, words) => {
		expect(temperatureSaid(text)).toMatchObject({ temperature_c, words });
	});

	it.each(['2 C flour', 'flour (2 c)', '1 cup water', 'water to 2 c', '40 g', 'milk 2%'])(
		'is none in %j',
		(text) => {
			expect(temperatureSaid(text)).toBeNull();
		}
	);
});

describe('a temperature that is typed', () => {
	it.each([
		['230', 230],
		['230 °C', 230],
		['230c', 230],
		['212 F', 100],
		// (450 − 32) · 5/9
		['450°F', 232.222222222],
		['37,5', 37.5]
	])('%j is %d °C', (text, value) => {
		expect(readTemperature(text)).toEqual({ ok: true, value });
	});
	it.each(['', 'hot', 'F'])('%j is none', (text) => {
		expect(readTemperature(text).ok).toBe(false);
	});
});
