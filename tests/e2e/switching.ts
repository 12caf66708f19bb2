import { connect, createServer, type Socket } from 'node:net';

/** What stands before several processes and sends each connection to one that is there, as a balancer does. */
export interface Switch {
	address: string;
	stop(): Promise<void>;
}

/** Listens on a port and passes each connection on to the first of these ports that takes it. */
export async function switching(port: number, to: () => readonly number[]): Promise<Switch> {
	const open = new Set<Socket>();
	const server = createServer((from) => {
		open.add(from);
		from.once('close', () => open.delete(from));
		from.on('error', () => from.destroy());
		const tryNext = ([first, ...rest]: readonly number[]): void => {
			if (first === undefined) {
				from.destroy();
				return;
			}
			const there = connect(first, '127.0.0.1');
			there.once('connect', () => {
				from.pipe(there).pipe(from);
				there.on('close', () => from.destroy());
				from.on('close', () => there.destroy());
			});
			there.on('error', () => (there.connecting || !there.readable ? tryNext(rest) : from.destroy()));
		};
		tryNext(to());
	});
	await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
	return {
		address: `http://127.0.0.1:${port}`,
		stop: () =>
			new Promise((resolve) => {
				server.close(() => resolve());
				for (const each of open) each.destroy();
			})
	};
}
