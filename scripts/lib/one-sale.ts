import { ulid } from 'ulid';
import type { SaleEntry } from '../../src/lib/sales/types.ts';

/** One pack of a batch sold for cash, as a till sends it, but for what is said otherwise. */
export function oneSale(said: Pick<SaleEntry, 'batchId' | 'soldOn'> & Partial<SaleEntry>): SaleEntry {
	const id = said.id ?? ulid();
	return {
		id,
		kind: 'sale',
		checkoutId: id,
		channel: 'Stall',
		packs: 1,
		price: '6.50',
		paidBy: 'cash',
		customer: '',
		reason: '',
		ofId: null,
		thrownAway: false,
		...said
	};
}
