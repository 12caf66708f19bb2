import type { AddressInfo } from 'node:net';
import { createAdaptorServer } from '@hono/node-server';

/** What stands in for a device, listening on 127.0.0.1. */
export interface StandIn {
	address: string;
	stop(): Promise<void>;
}

/** Lets `app` answer on a port of 127.0.0.1; 0 takes one that is free. */
export async function listen(
	app: Pick<Parameters<typeof createAdaptorServer>[0], 'fetch'>,
	port: number
): Promise<StandIn> {
	const server = createAdaptorServer({ fetch: app.fetch });
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
