import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { scaleModel, type ScaleModel, type ScaleTraits } from './model.ts';

/** Simulated scales, listening. */
export interface ScaleStandIn {
	address: string;
	stop(): Promise<void>;
}

/** Lines a second, as kitchen scales with a port send them. */
const LINES_PER_S = 10;
const MOST_SCALES = 200;
const MOST_BYTES = 10_000;

/**
 * Stands in for scales on 127.0.0.1, each by its name and made when first asked for.
 *
 * `GET /NAME/readings` is a line of text per reading for as long as somebody listens; it ends when the
 * scale is unplugged. `GET /NAME` is how it stands. `POST /NAME` is the hand at it: `{"put": grams}`
 * (below zero takes off), `{"empty": true}`, or traits to change.
 */
export async function startScales(port = 0): Promise<ScaleStandIn> {
	const scales = new Map<string, ScaleModel>();
	const listening = new Map<string, Set<ServerResponse>>();
	const now = () => performance.now();
	const scaleOf = (name: string): ScaleModel | null => {
		const known = scales.get(name);
		if (known) return known;
		if (scales.size >= MOST_SCALES) return null;
		const made = scaleModel(Math.random);
		scales.set(name, made);
		return made;
	};

	function readings(name: string, scale: ScaleModel, response: ServerResponse): void {
		if (!scale.state().connected) {
			response.writeHead(503).end();
			return;
		}
		response.writeHead(200, { 'content-type': 'text/plain' });
		const of = listening.get(name) ?? new Set();
		listening.set(name, of.add(response));
		const timer = setInterval(() => response.write(`${scale.line(now())}\r\n`), 1000 / LINES_PER_S);
		response.on('close', () => {
			clearInterval(timer);
			of.delete(response);
		});
	}

	async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
		const [, name = '', what] = (request.url ?? '').split('/');
		const scale = /^[a-z0-9-]{1,40}$/.test(name) ? scaleOf(name) : null;
		const json = (status: number, body: unknown) =>
			response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
		if (!scale) return void json(404, { message: 'there is no such scale' });
		if (request.method === 'GET' && what === 'readings') return readings(name, scale, response);
		if (request.method === 'GET' && what === undefined) return void json(200, scale.state());
		if (request.method === 'POST' && what === undefined) {
			const hand = readHand(await bodyOf(request));
			if (!hand) return void json(400, { message: 'not understood' });
			if (hand.empty) scale.put(-scale.state().load_g, now());
			if (hand.put !== undefined) scale.put(hand.put, now());
			scale.change(hand.traits, now());
			if (!scale.state().connected) for (const each of listening.get(name) ?? []) each.end();
			return void json(200, scale.state());
		}
		json(404, { message: 'the scale does not know this' });
	}

	const server = createServer((request, response) => {
		answer(request, response).catch(() => response.writeHead(500).end());
	});
	await new Promise<void>((resolve, reject) => {
		server.once('error', reject);
		server.listen({ port, host: '127.0.0.1' }, resolve);
	});
	return {
		address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
		stop: () =>
			new Promise((resolve) => {
				server.close(() => resolve());
				server.closeAllConnections();
			})
	};
}

interface Hand {
	put?: number;
	empty: boolean;
	traits: Partial<ScaleTraits>;
}

function readHand(text: string): Hand | null {
	try {
		const said = JSON.parse(text) as Record<string, unknown>;
		const number = (key: string, least: number) => {
			const value = said[key];
			if (value === undefined) return {};
			if (typeof value !== 'number' || !Number.isFinite(value) || value < least) throw new Error(key);
			return { [key]: value };
		};
		const flag = (key: string) => (typeof said[key] === 'boolean' ? { [key]: said[key] } : {});
		return {
			...number('put', -Infinity),
			empty: said.empty === true,
			traits: {
				...number('division_g', 0.001),
				...number('capacity_g', 1),
				...number('drift_gPerMinute', -Infinity),
				...flag('batteryLow'),
				...flag('connected')
			}
		};
	} catch {
		return null;
	}
}

async function bodyOf(request: IncomingMessage): Promise<string> {
	let text = '';
	for await (const chunk of request as AsyncIterable<Buffer>) {
		text += chunk.toString();
		if (text.length > MOST_BYTES) throw new Error('too large');
	}
	return text;
}
