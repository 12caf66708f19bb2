/** A worker that plans, on its own. */
export const newPlanningWorker = (): Worker =>
	new Worker(new URL('./planning.worker.ts', import.meta.url), { type: 'module' });
