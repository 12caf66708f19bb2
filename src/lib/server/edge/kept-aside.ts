import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as NodeStream } from 'node:stream/web';

/** What came with a request, in a file of its own until it is dropped. */
export interface Aside {
	path: string;
	drop(): Promise<void>;
}

/** Puts what a request brings into a file as it comes, so that none of it has to fit into memory. */
export async function keptAside({ body }: Request): Promise<Aside> {
	const folder = await mkdtemp(join(tmpdir(), 'square-batch-in-'));
	const path = join(folder, 'sent');
	const drop = () => rm(folder, { recursive: true, force: true });
	try {
		await pipeline(body ? Readable.fromWeb(body as NodeStream) : Readable.from([]), createWriteStream(path));
	} catch (error) {
		await drop();
		throw error;
	}
	return { path, drop };
}
