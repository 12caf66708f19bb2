import { describe, expect, it } from 'vitest';
import { GaveUp, programText, solverBy, type Program, type TextAnswer } from './program.ts';

const PROGRAM: Program = {
	columns: [
		{ low: 0, high: 10, cost: 1 },
		{ low: -Infinity, high: Infinity, cost: 0, isWhole: true }
	],
	rows: [
		{
			terms: [
				[0, 2],
				[1, -4]
			],
			low: 2,
			high: 8
		},
		{ terms: [[0, 0]], low: -1, high: 1 },
		{ terms: [[1, 3]], low: 3, high: 3 }
	]
};

describe('a program as text', () => {
	it('has each row by its largest factor, and bounds that are none left out', () => {
		expect(programText(PROGRAM).split('\n')).toEqual([
			'Minimize',
			' obj: + 1 x0',
			'Subject To',
			' r0l: + 0.5 x0 - 1 x1 >= 0.5',
			' r0h: + 0.5 x0 - 1 x1 <= 2',
			' r2: + 1 x1 = 1',
			'Bounds',
			' 0 <= x0 <= 10',
			' -inf <= x1 <= +inf',
			'General',
			' x1',
			'End'
		]);
	});

	it('says of a row that holds nothing and cannot be that nothing is possible', () => {
		expect(programText({ columns: [], rows: [{ terms: [], low: 1, high: 2 }] })).toContain('0 x0 >= 1');
	});
});

describe('a solver that reads text', () => {
	const by = (...answers: Partial<TextAnswer>[]) =>
		solverBy(() => ({ Status: 'Unknown', ObjectiveValue: 0, Columns: {}, ...answers.shift() }));
	it('is asked again in another way where it could not tell', () => {
		const solve = by({}, { Status: 'Optimal', ObjectiveValue: 3, Columns: { x0: { Primal: 3 } } });
		expect(solve(PROGRAM)).toEqual({ objective: 3, values: [3, 0] });
		expect(by({}, { Status: 'Infeasible' })(PROGRAM)).toBeNull();
	});
	it('gives up where it cannot tell in any way', () => {
		expect(() => by({}, {})(PROGRAM)).toThrow(GaveUp);
	});
});
