import type { Refused } from '../queue/answers.ts';
import { ofOthers, write, type OfOther } from '../queue/store.ts';
import { asHeader } from '../people/here.svelte.ts';
import type { QueueName, Whose } from './types.ts';

/** What is handed to the owner: an entry, why it was not taken, and a reason where it is let go of. */
interface Handed {
	id: string;
	item: unknown;
	message: string;
	reason: string;
}

/** Hands entries to the owner; what is in the way, or null where the server has them now. */
export async function handOver(
	of: string,
	queue: QueueName,
	left: readonly Handed[]
): Promise<string | null> {
	const response = await fetch('/left.json', {
		method: 'POST',
		headers: { 'content-type': 'application/json', ...asHeader() },
		body: JSON.stringify({ of, queue, left })
	}).catch(() => null);
	if (response === null) return 'the server does not answer: it stays here';
	if (response.ok) return null;
	const { message = 'the server did not take it' } = (await response.json().catch(() => ({}))) as {
		message?: string;
	};
	return message;
}

/** How what others left waiting on this device stands. */
export interface OthersHere {
	/** Who can send them once they are in, and how many there are. */
	waiting: { name: string; count: number }[];
	/** Who cannot any more, and how many entries of theirs the owner has now. */
	handed: { name: string; count: number }[];
	/** How many are of people of another kitchen. */
	elsewhere: number;
}

const MOST_AT_ONCE = 100;

/** Looks at what others left waiting here, and hands to the owner what whoever made it cannot send any more. */
export async function lookAtOthers(as: string): Promise<OthersHere> {
	const here: OthersHere = { waiting: [], handed: [], elsewhere: 0 };
	const things = await ofOthers(as).catch(() => []);
	const ids = [...new Set(things.map(({ key }) => memberOf(key)))];
	if (ids.length === 0) return here;
	const response = await fetch(`/left.json?of=${ids.join(',')}`).catch(() => null);
	if (!response?.ok) return here;
	const { whose } = (await response.json()) as { whose: Whose[] };
	for (const id of ids) {
		const theirs = things.filter(({ key }) => memberOf(key) === id);
		const who = whose.find((each) => each.id === id);
		if (!who) here.elsewhere += theirs.length;
		else if (who.canSend) here.waiting.push({ name: who.name, count: theirs.length });
		else here.handed.push({ name: who.name, count: await handAll(id, theirs) });
	}
	return here;
}

const memberOf = (key: string): string => key.slice(key.indexOf('@') + 1);

/** Hands things of one person to the owner, and takes them off this device once the server has them; how many. */
async function handAll(of: string, things: readonly OfOther[]): Promise<number> {
	let handed = 0;
	for (const key of new Set(things.map((thing) => thing.key))) {
		const queue: QueueName = key.startsWith('till') ? 'till' : 'bench';
		const all = things.filter((thing) => thing.key === key);
		for (let at = 0; at < all.length; at += MOST_AT_ONCE) {
			const part = all.slice(at, at + MOST_AT_ONCE);
			const failed = await handOver(
				of,
				queue,
				part.map(({ id, stage, value }) => ({ id, ...unwrapped(stage, value), reason: '' }))
			);
			if (failed !== null) return handed;
			await write(
				key,
				[],
				part.map(({ stage, id }) => ({ stage, id }))
			);
			handed += part.length;
		}
	}
	return handed;
}

const unwrapped = (stage: OfOther['stage'], value: unknown): { item: unknown; message: string } => {
	if (stage === 'waiting')
		return { item: value, message: 'it waited on a device when whoever made it was put out' };
	const { item, message } = value as Refused<unknown>;
	return { item, message };
};
