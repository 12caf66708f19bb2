import { describe, expect, it } from 'vitest';
import { temperatureSaid } from './temperature.ts';

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
