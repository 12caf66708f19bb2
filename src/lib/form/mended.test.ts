import { describe, expect, it } from 'vitest';
import { notMended, standsAt } from './mended.ts';

const told = { name: '', rows: [{ price: 'x' }, { price: '2' }], lines: { '2': { grams: '-1' } } };

describe('a problem whose field was changed goes away', () => {
	it('reads a path with brackets and with points', () => {
		expect(standsAt(told, 'rows[1].price')).toBe('"2"');
		expect(standsAt(told, 'lines.2.grams')).toBe('"-1"');
		expect(standsAt(told, 'nothing.here')).toBeNull();
	});

	it('drops the one that was changed and keeps the others', () => {
		const problems = [
			{ path: 'name', message: 'what is it called?' },
			{ path: 'rows[0].price', message: 'is not a number' }
		];
		const now = { ...told, rows: [{ price: '1' }, { price: '2' }] };
		expect(notMended(problems, told, now)).toEqual([problems[0]]);
	});

	it('keeps those of the whole form, and gives the same list where nothing changed', () => {
		const problems = [{ path: '', message: 'the server does not answer' }];
		expect(notMended(problems, told, { name: 'other' })).toBe(problems);
	});
});
