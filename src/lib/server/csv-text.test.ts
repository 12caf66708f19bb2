import { describe, expect, it } from 'vitest';
import { csvText } from './csv-text.ts';

describe('rows as CSV', () => {
	it.each(['=1+1', '+1', '@SUM(A1)', '-2+3+cmd|" /C calc"!A0', '-flour', '\t=1', '\r=1', '\n=1', '|x', '%x'])(
		'defuse %j',
		(cell) => {
			expect(
				csvText([[cell]])
					.replaceAll('"', '')
					.startsWith("'")
			).toBe(true);
		}
	);

	it.each(['-3', '-3.25', '12', 'a-b', 'flour = wheat', 'x@y', ''])('leave %j alone', (cell) => {
		expect(csvText([[cell]])).toBe(cell);
	});

	it('end their lines as the format has it, and leave the names of the columns out where asked', () => {
		expect(csvText({ fields: ['a', 'b'], data: [[1, 'x, y']] })).toBe('a,b\r\n1,"x, y"');
		expect(csvText([{ a: 1 }], { header: false })).toBe('1');
	});
});
