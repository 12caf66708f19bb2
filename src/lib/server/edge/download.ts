import { error } from '@sveltejs/kit';
import { Refused } from '../errors.ts';
import { notFoundPage } from './actions.ts';

/** A file for the reader to keep: its name, its type and what is in it. */
export interface Downloaded {
	name: string;
	type: string;
	body: string | Uint8Array<ArrayBuffer>;
}

/** Answers with a file, or with a page that says why there is none. */
export async function download(make: () => Promise<Downloaded>): Promise<Response> {
	try {
		const { name, type, body } = await make();
		return new Response(body, {
			headers: {
				'content-type': typeof body === 'string' ? `${type}; charset=utf-8` : type,
				'content-disposition': `attachment; filename="${name}"`
			}
		});
	} catch (problem) {
		if (problem instanceof Refused)
			error(409, { message: 'This cannot be given out yet.', remedy: problem.message });
		return notFoundPage(problem);
	}
}
