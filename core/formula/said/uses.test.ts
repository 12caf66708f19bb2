import { describe, expect, it } from 'vitest';
import type { Use } from '../types.ts';
import { useSaid } from './uses.ts';

describe('what a line says it is for', () => {
	it.each<[string, Use]>([
		['flour for the board', 'dusting'],
		['flour for rolling out', 'dusting'],
		['to dust the work surface', 'dusting'],
		['extra flour if it sticks', 'dusting'],
		['flour to stop it sticking', 'dusting'],
		['harina para espolvorear', 'dusting'],
		['starch between the sheets', 'layering'],
		['ghee for the layers', 'layering'],
		['brushed with ghee', 'brushing'],
		['butter to brush on the hot roti', 'brushing'],
		['oil for the bowl', 'bowl'],
		['oil to grease the proofing bowl', 'bowl'],
		['oil for coating the dough', 'bowl'],
		['a little oil wiped in the pan', 'griddle'],
		['oil for frying', 'griddle'],
		['to grease the griddle', 'griddle'],
		['seeds on top', 'garnish'],
		['seeds, to sprinkle', 'garnish'],
		['topped with sesame', 'garnish'],
		['oil for the dough', 'dough']
	])('%j: %s', (text, use) => {
		expect(useSaid(text)?.use).toBe(use);
	});

	it.each(['flour', 'cooking salt', 'rolled oats', 'panela', 'boardwalk sugar', 'topaz'])(
		'nothing in %j',
		(text) => {
			expect(useSaid(text)).toBeNull();
		}
	);
});
