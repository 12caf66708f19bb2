import { proxy } from 'comlink';
import type { RulesName } from '$core/formula/types.ts';
import { getKitchen } from '../../kitchens.ts';
import { placeOf } from '../../labels/place.ts';
import { labelToPrint } from '../../labels/to-print.ts';
import type { drawingLabels } from '../../print/drawing-labels.ts';
import type { Give } from '../../print/pdf.ts';
import { inWorker } from '../../workers/worker.ts';
import { giveFile } from '../file.ts';
import type { Doing } from '../hands.ts';

/** Which labels are to be drawn, and on what. */
export interface LabelsAsked {
	productId: string;
	rules: RulesName;
	revision: number;
	batch: string;
	copies: number;
	on: string;
	start: number;
}

/** Labels by the hundred, as a PDF to take. What the label may not be printed for is looked at when it is drawn, too. */
export const labels: Doing = async (hands) => {
	const { db, job, tell, signal } = hands;
	const asked = JSON.parse(job.asked) as LabelsAsked;
	const kitchen = { ...(await getKitchen(db, job.kitchenId)), rules: asked.rules };
	const { revision, drawing, name } = await labelToPrint(db, kitchen, asked.productId, asked);
	const on = placeOf(revision, asked);
	return giveFile(hands, { name: `${name}.pdf`, type: 'application/pdf' }, async (parts) => {
		const give: Give = async (piece, drawn) => {
			await parts.write(piece);
			tell(drawn, asked.copies);
		};
		await inWorker<typeof drawingLabels, undefined>(
			'draw labels',
			(worker) => worker.write([name, drawing, asked.copies, on], proxy(give)),
			{ signal }
		);
	});
};
