import { error } from '@sveltejs/kit';
import { lineSplitter } from '../scale/lines.ts';
import { deviceKey } from './device-key.ts';

const LIMIT_MS = 3000;

/** What a kitchen may call a scale that is reached over the network. */
const NAME = /^[a-z0-9-]{1,40}$/;

/** How the scales on the network are reached, and whether they are simulated. */
export interface NetworkScales {
	/** The lines of text a scale sends, from now on; null where it does not answer. */
	readings(name: string, signal: AbortSignal): Promise<AsyncIterable<string> | null>;
	/** The hand at a simulated scale; null where there is none to be moved. */
	hand: ((name: string, move: string | null) => Promise<Response>) | null;
}

/** The scales at `SCALE_URL`, or null where the kitchen has none on the network. */
export function networkScales(): NetworkScales | null {
	const address = process.env.SCALE_URL;
	if (!address) return null;
	const at = (name: string) => {
		if (!NAME.test(name)) error(404, { message: 'There is no such scale.', remedy: 'Choose another.' });
		return `${address}/${name}`;
	};
	return {
		readings: async (name, signal) => {
			const answer = await fetch(`${at(name)}/readings`, { signal, headers: deviceKey() }).catch(() => null);
			return answer?.ok && answer.body ? linesOf(answer.body) : null;
		},
		hand:
			process.env.SCALE_SIMULATED === 'yes'
				? (name, move) =>
						fetch(at(name), {
							headers: deviceKey(),
							signal: AbortSignal.timeout(LIMIT_MS),
							...(move === null ? {} : { method: 'POST', body: move })
						})
				: null
	};
}

/** The lines of a stream of text, as they end. */
async function* linesOf(body: ReadableStream<Uint8Array>): AsyncIterable<string> {
	const split = lineSplitter();
	for await (const chunk of body as unknown as AsyncIterable<Uint8Array>) yield* split(chunk);
}
