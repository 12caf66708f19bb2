import { expect, it } from 'vitest';
import { ballsFrom, packsFrom } from './balls.ts';

it.each([
	// 722.4 / 30.1 is 23.999999999999996 in binary: 24 balls, and 4 packs of 6.
	[722.4, 30.1, 24],
	[722.3, 30.1, 23],
	[30.1, 30.1, 1],
	[30, 30.1, 0],
	[0, 30, 0],
	[100, 0, 0]
])('%d g of dough in balls of %d g are %d', (dough_g, ball_g, balls) => {
	expect(ballsFrom(dough_g, ball_g)).toBe(balls);
});

it('packs are full ones', () => {
	expect([packsFrom(24, 6), packsFrom(23, 6), packsFrom(5, 6)]).toEqual([4, 3, 0]);
});
