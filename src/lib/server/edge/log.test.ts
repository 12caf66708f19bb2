import { describe, expect, it } from 'vitest';
import { logged } from './log.ts';

describe('an error that is written down', () => {
	it('says what it is and where it arose', () => {
		const { type, code, message, stack } = logged(new TypeError('x is not a function'));
		expect([type, code, message]).toEqual(['TypeError', null, 'x is not a function']);
		expect(stack[0]).toMatch(/^at .*log\.test\.ts/);
	});

	it('of the database leaves out what somebody typed', () => {
		const error = Object.assign(
			new Error("insert into `sales` (`customer`) values ('Rue of the mill') - Data too long for column"),
			{ code: 'ER_DATA_TOO_LONG', sql: "insert into `sales` (`customer`) values ('Rue of the mill')" }
		);
		expect(logged(error)).toMatchObject({ type: 'Error', code: 'ER_DATA_TOO_LONG' });
		expect(JSON.stringify(logged(error))).not.toContain('Rue');
	});

	it('may be anything that was thrown', () => {
		expect(logged('no')).toEqual({ type: 'string', code: null, stack: [] });
	});
});
