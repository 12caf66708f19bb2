import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, describe, expect, it } from 'vitest';
import { balancerConfig } from '../../scripts/lib/cluster/balancer.ts';
import { startNodes } from '../../scripts/lib/cluster/newest.ts';
import type { Left, Node } from '../../scripts/lib/cluster/node.ts';
import { forgetOld } from '../../scripts/lib/copy-before.ts';

const folder = mkdtempSync(join(tmpdir(), 'copies-'));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

describe('copies from before upgrades', () => {
	it('are the two newest that are whole, for thirty days', () => {
		const lay = (name: string, isWhole = true) =>
			mkdirSync(join(folder, name, isWhole ? 'mariadb' : 'mariadb.part'), { recursive: true });
		const now = Date.parse('2026-12-31T00:00:00Z');
		for (const day of ['11-20', '12-02', '12-10', '12-20']) lay(`2026-${day}T08-00-00-0090`);
		lay('2026-12-30T08-00-00-0093', false);
		forgetOld(folder, now);
		expect(readdirSync(folder).sort()).toEqual(['2026-12-10T08-00-00-0090', '2026-12-20T08-00-00-0090']);
		// 30 days and a moment after the first of them.
		forgetOld(folder, Date.parse('2027-01-09T00:00:01Z'));
		expect(readdirSync(folder)).toEqual(['2026-12-20T08-00-00-0090']);
		forgetOld(join(folder, 'nowhere'));
	});
});

/** Nodes that note how they are started. */
function nodesWith(...left: Partial<Left>[]): { nodes: Node[]; did: string[] } {
	const did: string[] = [];
	const nodes = left.map((of, nth) => {
		const name = `node ${nth}`;
		return {
			name,
			left: () => ({ hasData: true, knowsGroup: false, position: -1, ...of }),
			mayBegin: () => void did.push(`${name} may begin`),
			start: (isFirst = false) => Promise.resolve(void did.push(`${name} ${isFirst ? 'begins' : 'joins'}`))
		} as unknown as Node;
	});
	return { nodes, did };
}

describe('nodes of a cluster that does not run', () => {
	it('begin with the one that has the newest, which need not be the first', async () => {
		const { nodes, did } = nodesWith({ position: 40 }, { position: 42 }, { position: 41 });
		await startNodes(nodes);
		expect(did).toEqual(['node 1 may begin', 'node 1 begins', 'node 0 joins', 'node 2 joins']);
	});

	it('begin with the first where none has anything', async () => {
		const { nodes, did } = nodesWith({ hasData: false }, { hasData: false }, { hasData: false });
		await startNodes(nodes);
		expect(did).toEqual(['node 0 may begin', 'node 0 begins', 'node 1 joins', 'node 2 joins']);
	});
});

describe('the balancer', () => {
	it('sends people to whoever answers at all where no process is ready, so that it is said in words', () => {
		const behind = { name: 'left', port: 4001, health: 4001 };
		const config = balancerConfig({
			port: 4190,
			status: 4191,
			applications: [behind],
			databases: [],
			nodes: []
		});
		expect(config).toContain('use_backend speaking if { nbsrv(applications) eq 0 }');
		const part = (name: string) =>
			config
				.slice(config.indexOf(`\nbackend ${name}`) + 1)
				.split('\n')
				.slice(0, 7);
		expect(part('applications')).toContain(
			'	http-check send meth GET uri /ready ver HTTP/1.1 hdr Host 127.0.0.1:4190'
		);
		expect(part('speaking')).toContain(
			'	http-check send meth GET uri /alive ver HTTP/1.1 hdr Host 127.0.0.1:4190'
		);
	});
});
