import { expect, it } from 'vitest';
import { ballWeightFor_g, ballsFrom, packsFrom } from './balls.ts';

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

it.each([
	[1620, 24, 67.5],
	// 57.857…: of 57.9 there were only 27.
	[1620, 28, 57.8],
	[742.6, 12, 61.8]
])('%d g are divided into %d balls of %d g, and so many come out', (dough_g, balls, each_g) => {
	expect(ballWeightFor_g(dough_g, balls)).toBe(each_g);
	expect(ballsFrom(dough_g, each_g)).toBe(balls);
});
