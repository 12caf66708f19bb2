import { csvText } from '../csv-text.ts';
import type { TracedBatch } from '../../batch/trace.ts';

const COLUMNS = [
	'certainty',
	'product',
	'batch',
	'made_on',
	'taken_of_lot',
	'label_revision',
	'packs_made',
	'pieces_per_pack',
	'sold_on',
	'channel',
	'way',
	'packs'
] as const;

/**
 * A recall as CSV: a row for each way packs of a batch went, and one for what is unsold, so that the packs
 * of a batch add up to those made. Text that a spreadsheet would run is defused.
 */
export function recallCsv(
	groups: readonly { certainty: 'holds it' | 'may hold it'; batches: readonly TracedBatch[] }[]
): string {
	const data = groups.flatMap(({ certainty, batches }) =>
		batches.flatMap((batch) => {
			const row = (soldOn: string, channel: string, way: string, packs: number) => [
				certainty,
				batch.name,
				batch.code,
				batch.madeOn,
				batch.drawn ?? '',
				batch.labelNumber ?? '',
				batch.packsMade,
				batch.packPieces,
				soldOn,
				channel,
				way,
				packs
			];
			return [
				...batch.sales.map((sale) => row(sale.soldOn, sale.channel, sale.way, sale.packs)),
				row('', '', 'unsold', batch.packsLeft)
			];
		})
	);
	return csvText({ fields: [...COLUMNS], data });
}
