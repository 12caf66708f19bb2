import type { drawingLabels } from './drawing-labels.ts';
import { inWorker } from '../workers/worker.ts';
import { labelsPdf } from './pdf.ts';

/** So many are drawn sooner than a worker is begun. */
const FEW = 16;

/** Labels as `labelsPdf` draws them; many of them beside the server. Throws `Refused` where they take too long. */
export async function manyLabelsPdf(
	...asked: Parameters<typeof labelsPdf>
): Promise<Uint8Array<ArrayBuffer>> {
	const [, , copies] = asked;
	return copies <= FEW
		? labelsPdf(...asked)
		: inWorker<typeof drawingLabels, Uint8Array<ArrayBuffer>>('draw labels', (worker) =>
				worker.draw(...asked)
			);
}
