import { AsyncLocalStorage } from 'node:async_hooks';

/** Who asks for something to be made or changed, and by which act: a route and its form. */
export interface Asker {
	/** Null at the door, and of a script. */
	personId: string | null;
	act: string;
}

const asking = new AsyncLocalStorage<Asker>();
const NOBODY: Asker = { personId: null, act: '' };

/** Runs what somebody asked for: what is made meanwhile under a key of theirs is theirs. */
export const whileAsking = <R>(by: Asker, act: () => R): R => asking.run(by, act);

/** Who asks now; nobody, of a script or a job. */
export const asker = (): Asker => asking.getStore() ?? NOBODY;
