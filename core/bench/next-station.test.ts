import { describe, expect, it } from 'vitest';
import { nextStation } from './next-station.ts';

const line = (use: 'dough' | 'dusting', weighed_g: number | null) => ({ use, weighed_g }) as never;
const batch = (more: Partial<Parameters<typeof nextStation>[0]> = {}) => ({
	lines: [line('dough', 1000), line('dough', 600), line('dusting', null)],
	recorded: true,
	doughWeight_g: null,
	ballCount: null,
	ballWeights_g: [],
	finishedWeights_g: [],
	...more
});

describe('where the work on a batch goes on', () => {
	it.each([
		[
			'nothing was weighed',
			{ recorded: false, lines: [line('dough', null)] },
			'weigh',
			'nothing weighed yet'
		],
		[
			'some lines of the mix were',
			{ lines: [line('dough', 1000), line('dough', null), line('dusting', 12)] },
			'weigh',
			'1 of 2 lines weighed in'
		],
		// What goes on the board is not part of the mix.
		['the mix is in', {}, 'mix', 'weighed in, mixing'],
		['the dough was weighed', { doughWeight_g: 1590 }, 'divide', 'dough weighed'],
		['balls are being made', { doughWeight_g: 1590, ballWeights_g: [50, 51] }, 'divide', '2 balls weighed'],
		['the balls were counted', { doughWeight_g: 1590, ballCount: 31 }, 'cook', '31 balls to cook'],
		[
			'pieces are done',
			{ doughWeight_g: 1590, ballCount: 31, finishedWeights_g: [42] },
			'pack',
			'cooked, to be counted and packed'
		]
	])('when %s', (_, more, path, words) => {
		expect(nextStation(batch(more))).toEqual({ path, words });
	});
});
