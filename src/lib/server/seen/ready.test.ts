import { describe, expect, it } from 'vitest';
import type { Database } from '../db/connection.ts';
import { notReady } from './ready.ts';

/** A database that answers with a node's status. */
const nodeThat = (status: Record<string, string>, { isReadOnly = 0, isOn = 1 } = {}): Database => {
	const answer = (sql: string): unknown => {
		if (sql.includes('read_only')) return [[{ isReadOnly }]];
		if (sql.includes('wsrep_on')) return [[{ isOn }]];
		return [Object.entries(status).map(([Variable_name, Value]) => ({ Variable_name, Value }))];
	};
	return { raw: (sql: string) => ({ timeout: () => Promise.resolve(answer(sql)) }) } as unknown as Database;
};
const SYNCED = { wsrep_cluster_status: 'Primary', wsrep_local_state: '4', wsrep_ready: 'ON' };

describe('whether a process should be sent anything', () => {
	it('is so at a database alone, and at a node that is in step', async () => {
		expect(await notReady(nodeThat({}))).toBeNull();
		expect(await notReady(nodeThat({ wsrep_ready: 'OFF' }, { isOn: 0 }))).toBeNull();
		expect(await notReady(nodeThat(SYNCED))).toBeNull();
	});

	it('is not so while its node copies itself to another, or is copied to', async () => {
		for (const state of ['1', '2', '3'])
			expect(await notReady(nodeThat({ ...SYNCED, wsrep_local_state: state }))).toBe(
				'the database copies itself to another node, or is being copied to'
			);
	});

	it('is not so without a majority, out of step, read-only, and where nothing answers', async () => {
		expect(await notReady(nodeThat({ ...SYNCED, wsrep_cluster_status: 'non-Primary' }))).toBe(
			'the database has lost the majority of its nodes'
		);
		expect(await notReady(nodeThat({ ...SYNCED, wsrep_ready: 'OFF' }))).toBe(
			'the database is out of step with its cluster'
		);
		expect(await notReady(nodeThat(SYNCED, { isReadOnly: 1 }))).toBe('the database is read-only');
		const gone = { raw: () => ({ timeout: () => Promise.reject(new Error('gone')) }) } as unknown as Database;
		expect(await notReady(gone)).toBe('the database does not answer');
	});
});
