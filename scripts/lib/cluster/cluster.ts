import { randomBytes } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { APPLICATION, addressAt } from '../mariadb.ts';
import { startApplication, type Application } from '../application.ts';
import { secretKeyFile } from '../secret-key.ts';
import { ensureProgram, HAPROXY, RSYNC } from '../packages.ts';
import { freePort } from '../ports.ts';
import { prepareDatabase } from '../prepare.ts';
import { reasonOf } from '../trouble.ts';
import { startBalancer } from './balancer.ts';
import { startNodes } from './newest.ts';
import { nodeHealth } from './health.ts';
import { clusterNode, type Node } from './node.ts';
import { requirePassable } from './passable.ts';
import { transferScripts } from './transfer.ts';

/** Three database nodes, two application processes and a balancer before them, all on this machine. */
export interface Cluster {
	/** Where people come in. */
	address: string;
	/** The balancer's page of how all stand. */
	status: string;
	nodes: Node[];
	applications: Application[];
	/** Starts an application process again on its port. */
	startApplication(nth: number): Promise<void>;
	/** Ends all in order: people first, the database last. */
	stop(): Promise<void>;
}

const NODES = ['first', 'second', 'third'];
const APPLICATIONS = ['left', 'right'];

/** Starts a cluster in `folder`, with the demo the first time. `port` is where people come in. */
export async function startCluster(folder: string, port: number): Promise<Cluster> {
	ensureProgram(RSYNC);
	ensureProgram(HAPROXY);
	mkdirSync(folder, { recursive: true, mode: 0o711 });
	// Nodes of root run as nobody: they pass through, and look at nothing on the way.
	chmodSync(folder, 0o711);
	requirePassable(folder);
	const transfer = transferScripts(folder);
	const undo: (() => Promise<unknown>)[] = [];
	const stop = async () => {
		// Whatever died by itself, or cannot be ended, keeps nothing else from being ended.
		for (const step of undo.splice(0).reverse())
			await step().catch((error: unknown) => console.error(reasonOf(error)));
	};
	try {
		const secrets = secretsOf(folder);
		const ports = await Promise.all(
			NODES.map(async () => ({
				sql: await freePort(),
				group: await freePort(),
				catchUp: await freePort(),
				copy: await freePort()
			}))
		);
		const peers = ports.map(({ group }) => group);
		const nodes = ports.map((of, nth) => {
			const name = NODES[nth] ?? '';
			return clusterNode(name, join(folder, name), of, peers, secrets, transfer);
		});
		for (const node of nodes) undo.push(() => node.end('SIGTERM'));
		await startNodes(nodes);
		await prepareDatabase((nodes[0] as Node).ownerUrl);
		const behindNodes = await Promise.all(
			nodes.map(async (node) => {
				const health = await nodeHealth(node);
				undo.push(health.stop);
				return { name: node.name, port: node.port, health: health.port };
			})
		);
		const places = await Promise.all(
			APPLICATIONS.map(async (name, nth) => ({
				name,
				port: await freePort(),
				database: await freePort(),
				first: NODES[nth] ?? ''
			}))
		);
		const status = await freePort();
		undo.push(
			await startBalancer(folder, {
				port,
				status,
				applications: places.map((each) => ({ name: each.name, port: each.port, health: each.port })),
				databases: places.map((each) => ({ port: each.database, first: each.first })),
				nodes: behindNodes
			})
		);
		const applications: Application[] = [];
		const startOne = async (nth: number) => {
			const place = places[nth];
			if (!place) return;
			applications[nth] = await startApplication(join(folder, place.name), place.port, {
				DATABASE_URL: addressAt(place.database, APPLICATION, secrets.app),
				SECRET_KEY_FILE: secretKeyFile(folder, {}),
				// Migrations ran once, from here; the process may change nothing of the schema.
				DATABASE_CLUSTER: 'yes',
				ORIGIN: `http://127.0.0.1:${port}`
			});
		};
		for (const nth of places.keys()) await startOne(nth);
		undo.push(() => Promise.all(applications.map((each) => each.stop())));
		return {
			address: `http://127.0.0.1:${port}`,
			status: `http://127.0.0.1:${status}`,
			nodes,
			applications,
			startApplication: startOne,
			stop
		};
	} catch (error) {
		await stop();
		throw error;
	}
}

/** Passwords of the two users, made once and kept where only this user can read them. */
function secretsOf(folder: string) {
	const secret = (name: string): string => {
		const file = join(folder, name);
		if (!existsSync(file)) writeFileSync(file, randomBytes(24).toString('hex'), { mode: 0o600 });
		return readFileSync(file, 'utf8').trim();
	};
	return { owner: secret('database-password'), app: secret('application-password') };
}
