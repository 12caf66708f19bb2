import { proxy, wrap } from 'comlink';
import type { Recipe } from '$core/formula/types.ts';
import { USUAL_DRAWS, type Assumptions } from '$core/sure/assumptions.ts';
import type { DrawingWorker } from './drawing.worker.ts';
import { newDrawingWorker } from './new-worker.ts';
import type { FigureHelp, SureProgress } from './types.ts';

/** The draws of a page, in a worker: the page never waits for them. */
export class SureDrawing {
	progress = $state.raw<SureProgress | null>(null);
	helps = $state.raw<FigureHelp[]>([]);
	isRunning = $state(false);
	#worker: Worker | null = null;

	/** Draws anew; what is still being drawn is let go. */
	ask(recipe: Recipe, given: Assumptions): void {
		this.end();
		const worker = newDrawingWorker();
		this.#worker = worker;
		[this.progress, this.helps, this.isRunning] = [null, [], true];
		const mine = () => this.#worker === worker;
		void wrap<DrawingWorker>(worker)
			.draw(
				recipe,
				given,
				USUAL_DRAWS,
				proxy((progress) => {
					if (mine()) this.progress = progress;
				}),
				proxy((help) => {
					if (mine()) this.helps = [...this.helps, help];
				})
			)
			.finally(() => {
				if (mine()) this.end();
			});
	}

	/** Stops; what was found so far stays. */
	end(): void {
		this.#worker?.terminate();
		this.#worker = null;
		this.isRunning = false;
	}
}
