import type { IncomingMessage, Server, ServerResponse } from 'node:http';

/** A body that is not all here goes on by so much at least in so long, or its connection ends. */
const LEAST_BYTES = 1024;
const EVERY_MS = 10_000;

/** A request of which the body is still coming, and how much of it had come when it was looked at last. */
interface Coming {
	request: IncomingMessage;
	bytes: number;
}

/**
 * Ends connections whose body comes so slowly that it holds them open for its own sake. One that waits for us, as it is
 * put down no faster, is not slow. What it gives back ends the looking.
 */
export function endSlowBodies(server: Server, every_ms = EVERY_MS): { stop(): void } {
	const coming = new Map<ServerResponse, Coming>();
	server.on('request', (request: IncomingMessage, response: ServerResponse) => {
		if (request.method === 'GET' || request.method === 'HEAD') return;
		coming.set(response, { request, bytes: request.socket.bytesRead });
		response.once('close', () => coming.delete(response));
	});
	const looking = setInterval(() => {
		for (const [response, each] of coming) {
			const { request } = each;
			if (request.complete) {
				coming.delete(response);
				continue;
			}
			const isHeldByUs = request.readableLength >= request.readableHighWaterMark;
			if (!isHeldByUs && request.socket.bytesRead - each.bytes < LEAST_BYTES) {
				coming.delete(response);
				if (!response.headersSent) response.writeHead(408, { connection: 'close' }).end();
				request.socket.destroySoon();
			}
			each.bytes = request.socket.bytesRead;
		}
	}, every_ms);
	looking.unref();
	return { stop: () => clearInterval(looking) };
}
