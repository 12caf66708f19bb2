import { createServer } from 'node:net';
import { Trouble, reasonOf } from './trouble.ts';

/** A port of 127.0.0.1 that was free a moment ago. */
export function freePort(): Promise<number> {
	return listenOnce(0, LOOPBACK);
}

/** Says how to mend it when the port cannot be listened on. */
export async function requirePort(port: number, host = LOOPBACK): Promise<void> {
	try {
		await listenOnce(port, host);
	} catch (error) {
		const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
		throw new Trouble(
			taken
				? `Port ${port} is taken by another program.`
				: `Port ${port} cannot be used: ${reasonOf(error)}.`,
			`Choose another port:\n  PORT=${port + 1} npm start`
		);
	}
}

const LOOPBACK = '127.0.0.1';

function listenOnce(port: number, host: string): Promise<number> {
	return new Promise((resolve, reject) => {
		const server = createServer();
		server.once('error', reject);
		server.listen({ port, host }, () => {
			const address = server.address();
			server.close(() => resolve(typeof address === 'object' && address ? address.port : port));
		});
	});
}
