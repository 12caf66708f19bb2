import { describe, expect, it } from 'vitest';
import { sumOfGroups } from './totals.ts';

describe('what groups of entries come to', () => {
	it('is their sum, to the cent', () => {
		const market = { packs: 3, given: 1, money: '19.50', entries: 4 };
		const door = { packs: 1, given: 0, money: '0.10', entries: 1 };
		const returned = { packs: -1, given: 0, money: '-6.30', entries: 1 };
		// 19.50 + 0.10 − 6.30 = 13.30, which binary fractions miss
		expect(sumOfGroups([market, door, returned])).toEqual({ packs: 3, given: 1, money: '13.30', entries: 6 });
	});
	it('is nothing of none', () => {
		expect(sumOfGroups([])).toEqual({ packs: 0, given: 0, money: '0.00', entries: 0 });
	});
});
