import { monotonicFactory } from 'ulid';
import type { SaleEntry } from './types.ts';
import { postItems } from '../queue/post.ts';
import { Queue } from '../queue/queue.svelte.ts';

const nextId = monotonicFactory();

/** An id for an entry or a checkout, in the order they are made. */
export const newSaleId = (): string => nextId();

const idOf = (entry: SaleEntry) => entry.id;

/** Sales of this device on their way to the server. */
export const till = new Queue<SaleEntry>({
	name: 'till',
	idOf,
	groupOf: () => 'sales',
	send: (_, entries) => postItems('/sales/entries.json', { entries }, entries, idOf)
});
