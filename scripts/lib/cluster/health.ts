import { createServer } from 'node:http';
import { openDatabase } from '../../../src/lib/server/db/connection.ts';
import { notReady } from '../../../src/lib/server/seen/ready.ts';
import { freePort } from '../ports.ts';
import type { Node } from './node.ts';

/** Says of a node at a port of its own whether it takes writes: what a balancer asks before it sends it any. */
export async function nodeHealth(node: Node): Promise<{ port: number; stop: () => Promise<void> }> {
	const db = openDatabase(node.ownerUrl);
	const port = await freePort();
	const server = createServer((_, response) => {
		notReady(db).then(
			(why) => response.writeHead(why === null ? 200 : 503).end(why ?? 'ready'),
			() => response.writeHead(503).end()
		);
	});
	await new Promise<void>((resolve, reject) => {
		server.once('error', reject);
		server.listen({ port, host: '127.0.0.1' }, resolve);
	});
	return {
		port,
		stop: async () => {
			await new Promise<void>((resolve) => {
				server.close(() => resolve());
				server.closeAllConnections();
			});
			await db.destroy();
		}
	};
}
