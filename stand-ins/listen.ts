import { timingSafeEqual } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { createAdaptorServer } from '@hono/node-server';

/** What stands in for a device, listening on 127.0.0.1. */
export interface StandIn {
	address: string;
	stop(): Promise<void>;
}

/** Whether who asks has the key; where none was agreed on, everybody has. */
function hasKey({ headers }: Request): boolean {
	const { DEVICE_KEY } = process.env;
	if (!DEVICE_KEY) return true;
	const [given, wanted] = [headers.get('authorization') ?? '', `Bearer ${DEVICE_KEY}`].map((text) =>
		Buffer.from(text)
	) as [Buffer, Buffer];
	return given.length === wanted.length && timingSafeEqual(given, wanted);
}

/**
 * Lets `app` answer on a port of 127.0.0.1 who has the application's key (`DEVICE_KEY`); 0 takes a port that is free.
 */
export async function listen(
	app: Pick<Parameters<typeof createAdaptorServer>[0], 'fetch'>,
	port: number
): Promise<StandIn> {
	const server = createAdaptorServer({
		fetch: (request, ...rest) =>
			hasKey(request)
				? app.fetch(request, ...rest)
				: new Response('This device is asked through Square Batch.', { status: 401 })
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
				if ('closeAllConnections' in server) server.closeAllConnections();
			})
	};
}
