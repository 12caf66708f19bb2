import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What becomes of a thing: it waits for the server, the server would not have it, or the server has it. */
export type Stage = 'waiting' | 'refused' | 'kept';
export const STAGES = ['waiting', 'refused', 'kept'] as const;

type Key = [queue: string, stage: Stage, id: string];

interface Queues extends DBSchema {
	things: { key: Key; value: unknown };
}

/** A thing as it is in the browser, by its id. */
export interface Stored {
	id: string;
	value: unknown;
}

let opened: Promise<IDBPDatabase<Queues>> | undefined;

function database(): Promise<IDBPDatabase<Queues>> {
	opened ??= openDB<Queues>('square-batch', 1, {
		upgrade: (db) => void db.createObjectStore('things'),
		// A newer page wants another shape: this one lets go, and opens again with its next thing.
		blocking: () => void close(),
		terminated: () => (opened = undefined)
	}).catch((error: unknown) => {
		opened = undefined;
		throw error;
	});
	return opened;
}

/** Lets go of the browser's database. */
export async function close(): Promise<void> {
	const open = opened;
	opened = undefined;
	(await open)?.close();
}

/** What of a queue is in a stage, in the order of ids. */
export async function readStage(queue: string, stage: Stage): Promise<Stored[]> {
	const all = IDBKeyRange.bound([queue, stage], [queue, stage, []]);
	const { store } = (await database()).transaction('things');
	const [keys, values] = await Promise.all([store.getAllKeys(all), store.getAll(all)]);
	return keys.map((key, index) => ({ id: key[2], value: values[index] }));
}

/** Puts things into stages and takes others out, all or none. */
export async function write(
	queue: string,
	puts: readonly (Stored & { stage: Stage })[],
	drops: readonly { stage: Stage; id: string }[] = []
): Promise<void> {
	const transaction = (await database()).transaction('things', 'readwrite', { durability: 'strict' });
	for (const { stage, id, value } of puts) void transaction.store.put(value, [queue, stage, id]);
	for (const { stage, id } of drops) void transaction.store.delete([queue, stage, id]);
	// Said at once, not when the page next has time: a page that is closed now has kept it all the same.
	transaction.commit();
	await transaction.done;
}

/**
 * Takes over what an earlier version of the application left in the browser's simpler storage: a tablet that was
 * without a network all the while may come back with it at any time.
 */
export async function takeOver(queue: string): Promise<void> {
	const puts = Object.keys(localStorage).flatMap((key) => {
		const [application, of, stage, id] = key.split(':');
		const known = STAGES.find((each) => each === stage);
		if (application !== 'square-batch' || of !== queue || !known || !id) return [];
		return [{ key, stage: known, id, value: JSON.parse(localStorage.getItem(key) ?? 'null') as unknown }];
	});
	if (puts.length === 0) return;
	await write(queue, puts);
	for (const { key } of puts) localStorage.removeItem(key);
}

/** Moves everything of one queue into another. */
export async function adopt(from: string, to: string): Promise<void> {
	const all = IDBKeyRange.bound([from], [from, []]);
	const transaction = (await database()).transaction('things', 'readwrite', { durability: 'strict' });
	const { store } = transaction;
	const [keys, values] = await Promise.all([store.getAllKeys(all), store.getAll(all)]);
	keys.forEach(([, stage, id], index) => {
		void store.put(values[index], [to, stage, id]);
		void store.delete([from, stage, id]);
	});
	await transaction.done;
}

/** A thing of somebody else's queue on this device that the server does not have. */
export interface OfOther extends Stored {
	/** Under which queue and membership it is: `bench@MEMBERSHIP`. */
	key: string;
	stage: 'waiting' | 'refused';
}

/** What of others than `as` waits on this device, or was refused and not decided. */
export async function ofOthers(as: string): Promise<OfOther[]> {
	const { store } = (await database()).transaction('things');
	const [keys, values] = await Promise.all([store.getAllKeys(), store.getAll()]);
	return keys.flatMap(([key, stage, id], index) =>
		stage === 'kept' || !key.includes('@') || key.endsWith(`@${as}`)
			? []
			: [{ key, stage, id, value: values[index] }]
	);
}

/** Whether anything that anybody entered on this device still waits for the server, or was refused and not seen. */
export async function isAnythingWaiting(): Promise<boolean> {
	try {
		const { store } = (await database()).transaction('things');
		return (await store.getAllKeys()).some((key) => key[1] !== 'kept');
	} catch {
		// What cannot be looked at may be there.
		return true;
	}
}

/** Drops what the server has of somebody's queues; what waits, or was refused and not seen, stays. */
export async function dropQueues(as: string): Promise<void> {
	const transaction = (await database()).transaction('things', 'readwrite');
	for (const key of await transaction.store.getAllKeys())
		if (key[0].endsWith(`@${as}`) && key[1] === 'kept') void transaction.store.delete(key);
	await transaction.done;
}
