import { describe, expect, it } from 'vitest';
import { looseLeft, remaining, saleProblem, shortPackProblem } from './short-packs.ts';

it('what is gone is gone once, and only what was made', () => {
	expect(remaining([3, 2, 3], [3])).toEqual([2, 3]);
	expect(remaining([3, 2, 3], [3, 3, 2])).toEqual([]);
	expect(remaining([2], [5])).toEqual([2]);
});

describe('short packs that cannot be', () => {
	it('hold more than was counted loose', () => {
		// 3 + 2 = 5 of 5 loose; one loose fewer is too few.
		expect(shortPackProblem([3, 2], 5, [])).toBeNull();
		expect(shortPackProblem([3, 2], 4, [])).toMatchObject({
			path: 'loose',
			message: expect.stringContaining('5 pieces are in short packs, and 4 were counted loose')
		});
		expect(shortPackProblem([3], null, [])?.message).toContain('none were counted loose');
		expect(shortPackProblem([], null, [])).toBeNull();
	});

	it('leave out one that is gone', () => {
		expect(shortPackProblem([3, 2], 5, [2])).toBeNull();
		expect(shortPackProblem([3], 5, [2])).toMatchObject({ path: 'packs' });
		expect(shortPackProblem([2], 5, [2, 2])?.message).toContain('a short pack of 2 is gone already');
	});
});

it('what lies loose is less what is in short packs, and never a whole pack', () => {
	expect(looseLeft(7, [3], 5)).toBe(4);
	expect(looseLeft(8, [3], 5)).toBe(0); // 5 of 5: a full one
	expect(looseLeft(2, [3], 5)).toBe(0);
	expect(looseLeft(null, [], 5)).toBe(0);
});

describe('a sale', () => {
	it('takes a short pack that is there, and full ones no more than there are', () => {
		const left = { full: 4, short: [3] };
		expect(saleProblem('A-1', left, { packs: 1, pieces: 3 })).toBeNull();
		expect(saleProblem('A-1', left, { packs: 1, pieces: 2 })).toBe('batch A-1 has no short pack of 2 left');
		expect(saleProblem('A-1', left, { packs: 4, pieces: null })).toBeNull();
		expect(saleProblem('A-1', left, { packs: 5, pieces: null })).toBe(
			'batch A-1 has 4 full packs left, not 5; one is short'
		);
		expect(saleProblem('A-1', { full: 1, short: [3, 2] }, { packs: 2, pieces: null })).toContain(
			'1 full pack left, not 2; 2 are short'
		);
		// Where none is short the count of the batch itself decides.
		expect(saleProblem('A-1', { full: 1, short: [] }, { packs: 2, pieces: null })).toBeNull();
	});
});
