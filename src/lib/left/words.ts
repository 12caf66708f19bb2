import type { Entry } from '$core/bench/entries.ts';
import { plain, plural } from '../format.ts';
import type { SaleEntry } from '../sales/types.ts';

/** What an entry of the bench is, in words. */
export function entryWords(entry: Entry): string {
	if (entry.kind === 'weighing')
		return entry.grams === null ? 'a reading taken back' : `a reading of ${plain(entry.grams, 1)} g`;
	const { happening } = entry;
	if (happening.name === 'counted')
		return `${happening.of} counted: ${happening.count === null ? 'taken back' : happening.count}`;
	if (happening.name === 'noted') return `a note: ${happening.text}`;
	return happening.name === 'void' ? 'an entry taken back' : happening.name;
}

/** What an entry of the till is, in words; a customer is not among them. */
export function saleWords({ kind, packs, price, channel, paidBy }: SaleEntry): string {
	if (kind === 'void') return 'a sale taken back';
	const paid = paidBy === null ? '' : `, ${paidBy}`;
	return `${kind} of ${plural(packs, 'pack')}${kind === 'sale' ? ` at ${price}${paid}` : ''}${channel ? `, ${channel}` : ''}`;
}
