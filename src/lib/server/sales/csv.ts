import { csvText } from '../csv-text.ts';
import type { Sale } from '../../sales/types.ts';

/** Columns of the exported ledger, in order. */
const CSV_COLUMNS = [
	'id',
	'date',
	'kind',
	'channel',
	'product',
	'pieces_per_pack',
	'batch',
	'packs',
	'price',
	'total',
	'currency',
	'paid_by',
	'customer',
	'of',
	'void',
	'reason'
] as const;

/** The header of the ledger as CSV. */
export const salesCsvHead = (): string => csvText([[...CSV_COLUMNS]]);

/** Entries of the ledger as CSV, one row each, without the header. */
export function salesCsvRows(sales: readonly Sale[], currency: string, withCustomers: boolean): string {
	return csvText(
		sales.map((sale) => [
			sale.id,
			sale.soldOn,
			sale.kind,
			sale.channel,
			sale.product,
			sale.packPieces,
			sale.batchCode,
			sale.packs,
			sale.price,
			sale.total,
			currency,
			sale.paidBy ?? '',
			withCustomers ? sale.customer : '',
			sale.ofId ?? '',
			sale.kind === 'void' ? 'void' : sale.voided ? 'voided' : '',
			sale.reason
		])
	);
}
