import compression from 'compression';
import { readdirSync } from 'node:fs';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { PASSED_ON, PASSED_ON_HEADER } from '../../src/lib/server/edge/door/passed-on.ts';
import { connectionsAtMost } from '../../src/lib/server/seen/handles.ts';
import { SAFE_HEADERS } from '../../src/lib/server/edge/headers.ts';
import { tellBuild, type Reaching } from './reach.ts';
import { root } from './root.ts';
import { endSlowBodies } from './slow-bodies.ts';
import { endTranslation } from './translation.mjs';
import { Trouble } from './trouble.ts';

/** A running application. */
export interface Running {
	address: string;
	stop(): Promise<void>;
}

/** Tells the build how pages are asked for; it would take https for granted. */
const SCHEME_HEADER = 'x-square-batch-scheme';

const KEEP_ALIVE_MS = 75_000;
/** What a browser says of itself is there within so long, and looked for so often. */
const HEADERS_MS = 15_000;
const LOOK_MS = 5000;
/** The longest a whole request may take to come: half a gigabyte of an archive over a slow line. */
const LONGEST_MS = 3_600_000;

/** With TLS 1.2 only ciphers that hold what they say and who said it together; no CBC. TLS 1.3 has no other. */
export const CIPHERS = [
	'TLS_AES_256_GCM_SHA384',
	'TLS_CHACHA20_POLY1305_SHA256',
	'TLS_AES_128_GCM_SHA256',
	'ECDHE-ECDSA-AES128-GCM-SHA256',
	'ECDHE-RSA-AES128-GCM-SHA256',
	'ECDHE-ECDSA-AES256-GCM-SHA384',
	'ECDHE-RSA-AES256-GCM-SHA384',
	'ECDHE-ECDSA-CHACHA20-POLY1305',
	'ECDHE-RSA-CHACHA20-POLY1305'
].join(':');

/** As long as what is being done may take once the process was asked to end. */
const FINISH_MS = 10_000;

/**
 * Everything but events, which are sent one by one, and files to keep: a browser that saves one need not know how it
 * came, and some do not.
 */
const compress = compression({
	filter: (request, response) =>
		!String(response.getHeader('content-type')).startsWith('text/event-stream') &&
		!String(response.getHeader('content-disposition')).startsWith('attachment') &&
		compression.filter(request, response)
});

/** For a year a browser that was here over https asks for nothing of it in the open. */
const ONLY_SECURE = 'max-age=31536000';

/** Serves the build. It reads its environment when it is loaded, so it is set here. */
export async function serve(port: number, databaseUrl: string, reached: Reaching): Promise<Running> {
	const { address, hosts, tls, isBehindProxy } = reached;
	tellBuild(reached);
	process.env.DATABASE_URL = databaseUrl;
	process.env.REFERENCE_FILE = join(root, 'src', 'lib', 'server', 'reference', 'ingredients.csv');
	process.env.WORKER_FILE = join(root, 'build', 'workers', 'entry.js');
	process.env.NODE_ENV = 'production';
	// An archive to restore is large; what else comes in is held to less in the application's hooks.
	process.env.BODY_SIZE_LIMIT = '512M';
	process.env.PROTOCOL_HEADER = SCHEME_HEADER;
	await endTranslation();
	const { handler } = (await import(pathToFileURL(join(root, 'build', 'handler.js')).href)) as {
		handler: (request: IncomingMessage, response: ServerResponse) => void;
	};
	await loadServer();
	const streams = new Set<ServerResponse>();
	const scheme = new URL(address).protocol.replace(':', '');
	const answer = (request: IncomingMessage, response: ServerResponse) => {
		// Another site's name that resolves to this machine must not reach the kitchen's data.
		if (!hosts.includes(request.headers.host ?? '')) {
			response
				.writeHead(421, { 'content-type': 'text/plain; charset=utf-8' })
				.end(`Open ${address} instead.`);
			return;
		}
		for (const [name, value] of Object.entries(SAFE_HEADERS)) response.setHeader(name, value);
		if (scheme === 'https') response.setHeader('strict-transport-security', ONLY_SECURE);
		// That something stands in between is known by what it says, whether or not it is believed.
		const isPassedOn = PASSED_ON.some((name) => name in request.headers);
		request.headers[PASSED_ON_HEADER] = isPassedOn ? 'yes' : 'no';
		// What nobody stands in front for is no word of who asks.
		if (!isBehindProxy) delete request.headers['x-forwarded-for'];
		request.headers[SCHEME_HEADER] = scheme;
		if (request.headers.accept === 'text/event-stream') {
			streams.add(response);
			response.once('close', () => streams.delete(response));
		}
		// Files of the build lie compressed beside themselves, and pages come so from the application.
		compress(request as never, response as never, () => handler(request, response));
	};
	const limits = { headersTimeout: HEADERS_MS, connectionsCheckingInterval: LOOK_MS };
	const server = tls
		? createSecureServer({ ...tls, ...limits, ciphers: CIPHERS, minVersion: 'TLSv1.2' }, answer)
		: createServer(limits, answer);
	const slow = endSlowBodies(server);
	// Longer than browsers keep a connection: what they send next never meets one that just closed.
	server.keepAliveTimeout = KEEP_ALIVE_MS;
	server.requestTimeout = LONGEST_MS;
	// Beyond these nothing could be opened to answer with.
	const most = connectionsAtMost();
	if (Number.isFinite(most)) server.maxConnections = most;
	await new Promise<void>((resolve, reject) => {
		server.once('error', reject);
		server.listen({ port, host: reached.host }, resolve);
	});
	const metrics = await serveMetrics();
	return {
		address,
		stop: async () => {
			// What it is at of longer work is left to another process at once.
			process.emit('sveltekit:shutdown' as never, 'SIGTERM' as never);
			await new Promise<void>((resolve) => {
				server.close(() => resolve());
				server.closeIdleConnections();
				// Streams are never done by themselves: whoever listens finds another process, or this one anew.
				for (const stream of streams) stream.destroy();
				// What is being answered is answered to its end, within reason.
				setTimeout(() => server.closeAllConnections(), FINISH_MS).unref();
			});
			slow.stop();
			await metrics?.();
		}
	};
}

/**
 * Loads every module of the server at the start: one that is first asked for while no file handle is free would stay dead
 * for as long as the process lives.
 */
async function loadServer(): Promise<void> {
	const folder = join(root, 'build', 'server');
	for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' }))
		if (name.endsWith('.js')) await import(pathToFileURL(join(folder, name)).href);
}

/** Metrics for Prometheus on a port of their own, on this machine alone, where `METRICS_PORT` names one; what ends it. */
async function serveMetrics(): Promise<(() => Promise<void>) | null> {
	const port = Number(process.env.METRICS_PORT ?? '');
	if (!process.env.METRICS_PORT) return null;
	if (!Number.isInteger(port) || port < 1 || port > 65535)
		throw new Trouble(
			`METRICS_PORT is "${process.env.METRICS_PORT}", which is not a port.`,
			'Give a number from 1 to 65535, or leave it out.'
		);
	// The build counts in the same register: both take it from the one package that is installed.
	const { register } = await import('prom-client');
	const server = createServer((request, response) => {
		if (request.url !== '/metrics') {
			response.writeHead(404).end();
			return;
		}
		register.metrics().then(
			(text) => response.writeHead(200, { 'content-type': register.contentType }).end(text),
			() => response.writeHead(500).end()
		);
	});
	await new Promise<void>((resolve, reject) => {
		server.once('error', reject);
		server.listen({ port, host: '127.0.0.1' }, resolve);
	});
	return () =>
		new Promise((resolve) => {
			server.close(() => resolve());
			server.closeAllConnections();
		});
}
