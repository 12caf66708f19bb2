import { describe, expect, it } from 'vitest';
import { databaseTrouble } from './trouble.ts';

const said = (code: string, message = '') => {
	const trouble = databaseTrouble(Object.assign(new Error(message), { code }));
	return trouble && [trouble.status, trouble.message];
};

describe('what a database says that is not now', () => {
	it.each(['ER_LOCK_WAIT_TIMEOUT', 'ER_LOCK_DEADLOCK', 'ER_CON_COUNT_ERROR', 'ER_ERROR_DURING_COMMIT'])(
		'is said as that, and never as a failure: %s',
		(code) => expect(said(code)).toEqual([503, 'The database has too much to do just now.'])
	);

	it('is a lost majority where a node knows no command any more', () => {
		const lost = [503, 'The database has lost its other nodes, and takes nothing until a majority is back.'];
		expect(said('ER_UNKNOWN_COM_ERROR', 'Unknown command')).toEqual(lost);
		expect(said('', 'WSREP has not yet prepared node for application use')).toEqual(lost);
	});

	it('is a database that is gone where a statement, a connection or a name is not answered', () => {
		for (const code of ['PROTOCOL_SEQUENCE_TIMEOUT', 'EHOSTUNREACH', 'ENOTFOUND', 'ECONNREFUSED'])
			expect(said(code)).toEqual([503, 'The database does not answer.']);
	});

	it('is room or file handles that are short', () => {
		expect(said('ER_DISK_FULL')?.[0]).toBe(507);
		for (const code of ['EMFILE', 'ENFILE'])
			expect(said(code)).toEqual([503, 'The server has too many files and connections open just now.']);
	});

	it('is nothing of the kind where a statement is wrong', () => {
		expect(said('ER_PARSE_ERROR', 'You have an error in your SQL syntax')).toBeNull();
		expect(databaseTrouble(null)).toBeNull();
	});
});
