import { transfer } from 'comlink';
import { labelsPdf, writeLabels, type Give } from './pdf.ts';

type Asked = Parameters<typeof labelsPdf>;

/** Draws labels by the thousand, in a worker. */
export const drawingLabels = {
	async draw(...asked: Asked): Promise<Uint8Array<ArrayBuffer>> {
		const pdf = await labelsPdf(...asked);
		return transfer(pdf, [pdf.buffer]);
	},
	/** Gives them piece by piece, with how many are drawn. */
	async write(asked: Asked, give: Give): Promise<undefined> {
		await writeLabels(...asked, (piece, drawn) => give(transfer(piece, [piece.buffer]), drawn));
	}
};
