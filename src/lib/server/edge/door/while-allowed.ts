import { error, type RequestEvent } from '@sveltejs/kit';
import { dayNow } from '../../../day.ts';
import type { Right } from '../../../people/roles.ts';
import type { Who } from '../../../people/types.ts';
import type { Database } from '../../db/connection.ts';
import { eventStream } from '../../event-stream.ts';
import { listen } from '../../feed/listen.ts';
import { streamsAtMost } from '../../seen/handles.ts';
import { sessionNow } from '../../people/sessions.ts';
import { memberIn, whoIn } from './door.ts';

/** A stream is asked again so often, and at once where who may what in its kitchen changes. */
const EVERY_MS = 3000;

/** So many streams at one process are open for one person, one device and one kitchen. */
const MOST = { person: 40, device: 16, kitchen: 400 } as const;
const open = new Map<string, number>();
/** All of them at this process: each holds a connection, and what is asked beside them needs some too. */
const WHOLE = { key: 'this process', most: streamsAtMost() };

/** Whether who began a stream may still have it: in the same kitchen, with the right it was asked for by. */
async function mayStill(db: Database, began: Who, ask: Right): Promise<boolean> {
	const now = await sessionNow(db, began.session.id, dayNow);
	return now?.membership?.id === began.membership?.id && (now?.rights.includes(ask) ?? false);
}

/** What a stream counts as; refuses one too many in words. */
function counted({ personId, device, membership }: Who): () => void {
	const of = [
		['person', personId],
		['device', device?.id],
		['kitchen', membership?.kitchenId]
	] as const;
	const keys: { key: string; most: number }[] = of.flatMap(([kind, id]) =>
		id === undefined ? [] : [{ key: `${kind} ${id}`, most: MOST[kind] }]
	);
	if ((open.get(WHOLE.key) ?? 0) >= WHOLE.most)
		error(503, {
			message: 'More pages listen at this server than it has room for.',
			remedy: 'This page works on without news of others, and listens again in a moment.'
		});
	if (keys.some(({ key, most }) => (open.get(key) ?? 0) >= most))
		error(429, {
			message: 'Too many pages listen here at once.',
			remedy: 'Close some of the tabs that are open, then read this page again.'
		});
	keys.push(WHOLE);
	for (const { key } of keys) open.set(key, (open.get(key) ?? 0) + 1);
	return () => {
		for (const { key } of keys) {
			const left = (open.get(key) ?? 1) - 1;
			if (left > 0) open.set(key, left);
			else open.delete(key);
		}
	};
}

/**
 * A stream for as long as who asked for it may have it: asked again every few seconds, and at once when somebody is put
 * out, is another, left or is locked. `start` begins it, as for `eventStream`.
 */
export function streamWhileAllowed(
	event: RequestEvent,
	ask: Right,
	start: (send: (data: string) => void, end: () => void) => (() => void) | Promise<() => void>
): Response {
	const { db } = event.locals;
	const who = whoIn(event.locals);
	const { kitchenId } = memberIn(event.locals);
	const letGo = counted(who);
	return eventStream(async (send, end) => {
		const undo: (() => void)[] = [letGo];
		const leave = () => {
			for (const step of undo.splice(0).reverse()) step();
		};
		const look = () => {
			mayStill(db, who, ask).then(
				(may) => may || end(),
				// A database that is away for a moment ends no stream: it is asked again.
				() => undefined
			);
		};
		try {
			const looking = setInterval(look, EVERY_MS);
			undo.push(() => clearInterval(looking));
			undo.push(await listen(db, kitchenId, ({ access }) => access && look()));
			undo.push(await start(send, end));
		} catch (problem) {
			leave();
			throw problem;
		}
		return leave;
	});
}
