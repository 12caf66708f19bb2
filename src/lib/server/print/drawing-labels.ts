import { transfer } from 'comlink';
import { labelsPdf } from './pdf.ts';

/** Draws labels by the thousand, in a worker. */
export const drawingLabels = {
	async draw(...asked: Parameters<typeof labelsPdf>): Promise<Uint8Array<ArrayBuffer>> {
		const pdf = await labelsPdf(...asked);
		return transfer(pdf, [pdf.buffer]);
	}
};
