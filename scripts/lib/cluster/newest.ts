import { setTimeout } from 'node:timers/promises';
import { openDatabase } from '../../../src/lib/server/db/connection.ts';
import { notReady } from '../../../src/lib/server/seen/ready.ts';
import { Trouble } from '../trouble.ts';
import type { Node } from './node.ts';

const LIMIT_MS = 90_000;
const LOOK_MS = 200;

/** Waits until a node takes part and takes writes. Throws `Trouble` where it does not come to that. */
export async function untilTakesPart(node: Node): Promise<void> {
	const db = openDatabase(node.ownerUrl);
	try {
		const until = Date.now() + LIMIT_MS;
		for (let why = await notReady(db); why !== null; why = await notReady(db)) {
			if (Date.now() > until)
				throw new Trouble(
					`Node ${node.name} takes no part in the cluster: ${why}.`,
					'docs/operate.md says what to do after a power cut and where a majority is lost.'
				);
			await setTimeout(LOOK_MS);
		}
	} finally {
		await db.destroy();
	}
}

/**
 * Starts all nodes of a cluster that does not run. After a power cut they know each other and find together by
 * themselves, whichever has the newest; else the one begins that has it, which need not be the first: another may lack
 * sales. Nothing is forced but where none has anything.
 */
export async function startNodes(nodes: readonly Node[]): Promise<void> {
	const left = nodes.map((node) => ({ node, ...node.left() }));
	const known = left.filter(({ hasData }) => hasData);
	if (known.length > 1 && known.every(({ knowsGroup }) => knowsGroup)) {
		await Promise.all(nodes.map((node) => node.start()));
		await Promise.all(nodes.map(untilTakesPart));
		return;
	}
	const newest = left.reduce((best, each) => (each.position > best.position ? each : best));
	newest.node.mayBegin();
	await newest.node.start(true);
	for (const { node } of left) if (node !== newest.node) await node.start();
}
