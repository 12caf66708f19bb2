import { spawn, type ChildProcess } from 'node:child_process';
import { closeSync, openSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureProgram, HAPROXY } from '../packages.ts';

/** One of those a balancer sends to. */
export interface Behind {
	name: string;
	port: number;
	/** Where its health is asked. */
	health: number;
}

export interface Balancing {
	/** Where people come in. */
	port: number;
	/** Where its own page says how all stand. */
	status: number;
	applications: readonly Behind[];
	/** Of each application process, by its name: where its database is reached, and the node it is sent to first. */
	databases: readonly { port: number; first: string }[];
	nodes: readonly Behind[];
}

/**
 * The balancer's configuration. People go to the process with the fewest connections, whichever it was before. Each
 * process has a database node of its own, so that it reads what it wrote, and another where that one is away.
 */
export function balancerConfig({ port, status, applications, databases, nodes }: Balancing): string {
	const check = (each: Behind) => `check port ${each.health} inter 500 fall 2 rise 1`;
	/** The processes, as far as they answer at an address that says whether they are to be sent to. */
	const processes = (name: string, uri: string): string[] => [
		`backend ${name}`,
		'	balance leastconn',
		'	option httpchk',
		`	http-check send meth GET uri ${uri} ver HTTP/1.1 hdr Host 127.0.0.1:${port}`,
		'	http-check expect status 204',
		// A busy process is slow to say that it is there, and lives; a frozen one is known within four seconds.
		'	timeout check 1500ms',
		...applications.map(
			(each) => `	server ${each.name} 127.0.0.1:${each.port} ${check(each)} on-marked-down shutdown-sessions`
		)
	];
	return [
		'global',
		'	maxconn 4000',
		'defaults',
		'	mode http',
		'	timeout connect 2s',
		'	timeout client 1h',
		'	timeout server 1h',
		'	timeout queue 8s',
		'	option redispatch',
		'	retries 3',
		// A request that no process began on is sent to another; one that was begun on is the sender’s to send again.
		'	retry-on conn-failure empty-response 503',
		'frontend people',
		`	bind 127.0.0.1:${port}`,
		// Where no database takes part there is still somebody to say so in words.
		'	use_backend speaking if { nbsrv(applications) eq 0 }',
		'	default_backend applications',
		...processes('applications', '/ready'),
		...processes('speaking', '/alive'),
		...databases.flatMap(({ port: at, first }, nth) => [
			`listen database${nth + 1}`,
			'	mode tcp',
			`	bind 127.0.0.1:${at}`,
			'	option httpchk',
			'	http-check expect status 200',
			'	timeout check 1s',
			...[...nodes]
				.sort((a, b) => Number(b.name === first) - Number(a.name === first))
				.map(
					(each, place) =>
						`	server ${each.name} 127.0.0.1:${each.port} ${check(each)} on-marked-down shutdown-sessions${place === 0 ? '' : ' backup'}`
				)
		]),
		'listen status',
		`	bind 127.0.0.1:${status}`,
		'	stats enable',
		'	stats uri /',
		'	stats refresh 2s',
		''
	].join('\n');
}

/** Starts the balancer in `folder`; what ends it. */
export async function startBalancer(folder: string, balancing: Balancing): Promise<() => Promise<void>> {
	const program = ensureProgram(HAPROXY);
	const file = join(folder, 'balancer.cfg');
	writeFileSync(file, balancerConfig(balancing));
	const output = openSync(join(folder, 'balancer.log'), 'a');
	const child: ChildProcess = spawn(program, ['-db', '-f', file], {
		stdio: ['ignore', output, output],
		detached: true
	});
	closeSync(output);
	await new Promise((resolve) => setTimeout(resolve, 500));
	if (child.exitCode !== null) throw new Error(`the balancer did not start: see ${folder}/balancer.log`);
	return () =>
		new Promise((resolve) => {
			if (child.exitCode !== null) return resolve();
			child.once('exit', () => resolve());
			child.kill('SIGTERM');
		});
}
