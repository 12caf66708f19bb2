/** A worker that reformulates, on its own. */
export const newReformulatingWorker = (): Worker =>
	new Worker(new URL('./reformulating.worker.ts', import.meta.url), { type: 'module' });
