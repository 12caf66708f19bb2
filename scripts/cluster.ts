import { resolve } from 'node:path';
import { ensureBuild } from './lib/build.ts';
import { startCluster } from './lib/cluster/cluster.ts';
import { requirePort } from './lib/ports.ts';
import { root } from './lib/root.ts';
import { report } from './lib/trouble.ts';

const DEFAULT_PORT = 4190;

/**
 * `npm run cluster`: three database nodes, two application processes and a balancer on this machine, from a folder of
 * their own; Ctrl-C ends them in order. What it is on machines of your own is in docs/operate.md.
 */
export async function main(): Promise<void> {
	try {
		const port = Number(process.env.PORT ?? DEFAULT_PORT);
		await requirePort(port);
		await ensureBuild();
		const cluster = await startCluster(resolve(root, process.env.CLUSTER_DIR ?? 'data-cluster'), port);
		console.log(`\nSquare Batch is at ${cluster.address}\nHow all stand: ${cluster.status}`);
		for (const node of cluster.nodes)
			console.log(`node ${node.name}: process ${node.pid}, port ${node.port}`);
		for (const each of cluster.applications)
			console.log(`application: process ${each.child.pid ?? 0}, of ${each.address}`);
		console.log('Ctrl-C stops them.');
		let isStopping = false;
		const leave = () => {
			if (isStopping) return;
			isStopping = true;
			console.log('\nStopping…');
			cluster.stop().then(
				() => process.exit(0),
				(error: unknown) => {
					report(error);
					process.exit(1);
				}
			);
		};
		process.on('SIGINT', leave);
		process.on('SIGTERM', leave);
	} catch (error) {
		report(error);
		process.exit(1);
	}
}
