/** A worker that draws, on its own. */
export const newDrawingWorker = (): Worker =>
	new Worker(new URL('./drawing.worker.ts', import.meta.url), { type: 'module' });
