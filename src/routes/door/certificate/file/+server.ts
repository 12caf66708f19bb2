import { readFile } from 'node:fs/promises';
import { download } from '$lib/server/edge/download.ts';
import { NotFound } from '$lib/server/errors.ts';
import type { RequestHandler } from './$types';

/** The certificate of the authority that was made for this machine. It is no secret. */
export const GET: RequestHandler = () =>
	download(async () => {
		const path = process.env.AUTHORITY_FILE;
		if (!path) throw new NotFound('no certificate was made here');
		return {
			name: 'square-batch.crt',
			type: 'application/x-x509-ca-cert',
			body: new Uint8Array(await readFile(path))
		};
	});
