import { expect, it } from 'vitest';
import { tillOff } from './till-count.ts';

const count = { changeBrought: '40.00', cash: '96.50', card: '19.50', cashSold: '58.00', cardSold: '19.50' };

it('what was counted less the change that was brought and what was sold', () => {
	// 96.50 − 40.00 − 58.00 = −1.50; by card 19.50 − 19.50 = 0
	expect(tillOff(count)).toEqual({ cash: '-1.50', card: '0.00' });
	expect(tillOff({ ...count, cash: '98.00', card: '26.00' })).toEqual({ cash: '0.00', card: '6.50' });
});

it('is exact to the cent, where binary numbers are not', () => {
	// 0.30 − 0.10 − 0.20 is not 0 in binary numbers.
	expect(tillOff({ ...count, changeBrought: '0.10', cash: '0.30', cashSold: '0.20' }).cash).toBe('0.00');
});
