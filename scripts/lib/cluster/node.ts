import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import {
	closeSync,
	existsSync,
	mkdirSync,
	openSync,
	readFileSync,
	rmSync,
	statSync,
	writeFileSync
} from 'node:fs';
import { join } from 'node:path';
import {
	addressAt,
	APPLICATION,
	initSql,
	layFiles,
	OWNER,
	ownTemporary,
	untilReady,
	type Secrets
} from '../mariadb.ts';
import { ensureProgram, GALERA, MARIADB } from '../packages.ts';

/** What each node of one machine has of its own. */
export interface NodePorts {
	sql: number;
	/** Between nodes: what is written, what one that was away gets of it, and a copy of everything. */
	group: number;
	catchUp: number;
	copy: number;
}

/** A node as it runs. */
export interface Node {
	name: string;
	port: number;
	url: string;
	ownerUrl: string;
	readonly pid: number;
	/** How far what it has goes, as it was left. */
	left(): Left;
	/** Says that it may begin a group: it has everything. */
	mayBegin(): void;
	/** Ends it in order, or at once as a power cut would. */
	end(signal: 'SIGTERM' | 'SIGKILL'): Promise<void>;
	/** Starts it again, to join the others. */
	start(isFirst?: boolean): Promise<void>;
	/** Cuts it off from the others, or lets it back. */
	pause(is: boolean): void;
}

/** What a node that does not run has of a group. */
export interface Left {
	/** Whether it was in one at all. */
	hasData: boolean;
	/** Whether it knows who was in it when all lost their power at once: they find each other again by that. */
	knowsGroup: boolean;
	/** The number of the last thing written that it has. */
	position: number;
}

const NAME = 'square_batch';
const TRIES = 8;
/** A node copies itself by rsync, which refuses to be asked by root: so nodes of root run as nobody. */
const NOBODY = 'nobody';
const isRoot = () => process.getuid?.() === 0;
/** Of nobody, where we are root; else of who we are. */
function asNobody(): { uid?: number; gid?: number } {
	if (!isRoot()) return {};
	const of = (what: string) => Number(spawnSync('id', [what, NOBODY], { encoding: 'utf8' }).stdout);
	return { uid: of('-u'), gid: of('-g') };
}

/** A database node in `folder`, not started yet. `peers` are the group ports of all of them. */
export function clusterNode(
	name: string,
	folder: string,
	ports: NodePorts,
	peers: readonly number[],
	secrets: Secrets,
	transfer: string
): Node {
	const program = ensureProgram(MARIADB);
	const library = ensureProgram(GALERA);
	const dataDir = join(folder, 'mariadb');
	const log = join(folder, 'mariadb.log');
	let child: ChildProcess | null = null;

	async function start(isFirst = false): Promise<void> {
		mkdirSync(folder, { recursive: true, mode: 0o711 });
		if (!existsSync(join(dataDir, 'mysql')) && isFirst) layFiles(dataDir);
		mkdirSync(dataDir, { recursive: true });
		const init = join(folder, 'init.sql');
		writeFileSync(init, initSql(secrets), { mode: 0o600 });
		if (isRoot()) spawnSync('chown', ['-R', NOBODY, folder, ownTemporary(dataDir)]);
		for (let tries = 1; ; tries++) {
			const before = existsSync(log) ? statSync(log).size : 0;
			const output = openSync(log, 'a');
			child = spawn(program, options(isFirst, init), {
				stdio: ['ignore', output, output],
				detached: true,
				...asNobody(),
				env: { ...process.env, PATH: `${transfer}:${process.env.PATH ?? ''}` }
			});
			closeSync(output);
			try {
				await untilReady(child, ports.sql, log);
				break;
			} catch (error) {
				// On a busy machine its library asks of a thread that has not begun yet, and gives up; or somebody's connection
				// has taken one of its ports for a moment.
				const isPassing = /thread schedparams|Address already in use/.test(
					readFileSync(log).subarray(before).toString()
				);
				if (!isPassing || tries === TRIES) throw error;
			}
		}
		rmSync(init, { force: true });
		child.unref();
	}

	const options = (isFirst: boolean, init: string): string[] => [
		'--no-defaults',
		`--datadir=${dataDir}`,
		`--tmpdir=${ownTemporary(dataDir)}`,
		'--bind-address=127.0.0.1',
		`--port=${ports.sql}`,
		'--socket=',
		`--pid-file=${join(dataDir, 'server.pid')}`,
		'--skip-name-resolve',
		'--local-infile=0',
		'--character-set-server=utf8mb4',
		'--innodb-buffer-pool-size=96M',
		// Three nodes on one machine lose their power together: what is acknowledged is on the disk.
		'--innodb-flush-log-at-trx-commit=1',
		'--binlog-format=ROW',
		'--innodb-autoinc-lock-mode=2',
		// The schema's owner makes triggers, and is no administrator.
		'--log-bin-trust-function-creators=1',
		'--default-storage-engine=InnoDB',
		'--wsrep-on=ON',
		`--wsrep-provider=${library}`,
		`--wsrep-cluster-name=${NAME}`,
		`--wsrep-cluster-address=gcomm://${isFirst ? '' : peers.map((port) => `127.0.0.1:${port}`).join(',')}`,
		`--wsrep-node-name=${name}`,
		`--wsrep-node-address=127.0.0.1:${ports.group}`,
		'--wsrep-sst-method=rsync',
		`--wsrep-sst-receive-address=127.0.0.1:${ports.copy}`,
		`--wsrep-provider-options=base_port=${ports.group};gmcast.listen_addr=tcp://127.0.0.1:${ports.group};ist.recv_addr=127.0.0.1:${ports.catchUp};gcache.size=64M;evs.keepalive_period=PT0.5S;evs.suspect_timeout=PT1.5S;evs.inactive_timeout=PT3S;evs.install_timeout=PT3S`,
		// Only the first lays accounts; the others get them with everything else.
		...(isFirst ? [`--init-file=${init}`] : [])
	];

	const stateFile = join(dataDir, 'grastate.dat');
	function left(): Left {
		const state = existsSync(stateFile) ? readFileSync(stateFile, 'utf8') : '';
		const noted = Number(/^seqno:\s*(-?\d+)/m.exec(state)?.[1] ?? -1);
		const hasData = existsSync(join(dataDir, 'mysql'));
		return {
			hasData,
			knowsGroup: existsSync(join(dataDir, 'gvwstate.dat')),
			// One that was not ended in order has it in its log alone.
			position: noted >= 0 || !hasData ? noted : recovered()
		};
	}

	/** The position a node that was killed finds in its own log. */
	function recovered(): number {
		const found = spawnSync(
			program,
			[
				...options(false, '').filter((each) => !each.startsWith('--wsrep-cluster-address')),
				'--wsrep-recover'
			],
			{ encoding: 'utf8', ...asNobody() }
		);
		return Number(
			/Recovered position:\s*[0-9a-f-]+:(-?\d+)/.exec(`${found.stderr}${found.stdout}`)?.[1] ?? -1
		);
	}

	return {
		name,
		port: ports.sql,
		left,
		mayBegin: () => {
			if (!existsSync(stateFile)) return;
			const state = readFileSync(stateFile, 'utf8');
			writeFileSync(stateFile, state.replace(/^safe_to_bootstrap:.*$/m, 'safe_to_bootstrap: 1'));
		},
		url: addressAt(ports.sql, APPLICATION, secrets.app),
		ownerUrl: addressAt(ports.sql, OWNER, secrets.owner),
		get pid() {
			return child?.pid ?? 0;
		},
		start,
		end: (signal) =>
			new Promise((resolve) => {
				const it = child;
				if (!it?.pid || it.exitCode !== null || it.signalCode !== null) return resolve();
				it.ref();
				it.once('exit', () => resolve());
				process.kill(it.pid, 'SIGCONT');
				process.kill(it.pid, signal);
			}),
		pause: (is) => {
			if (child?.pid) process.kill(child.pid, is ? 'SIGSTOP' : 'SIGCONT');
		}
	};
}
