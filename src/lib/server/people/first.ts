import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { newId } from '../rows.ts';
import { beginKitchen, own, ownerless } from './own-kitchen.ts';
import { isAnybodyHere, makePerson, SOMEBODY_WAS_FIRST } from './persons.ts';

/** What the first of an installation says of themselves and their kitchen. */
export interface First {
	name: string;
	login: string;
	password: string;
	kitchen: string;
	/** The id of a kitchen without an owner; '' for a new one. */
	take: string;
	timeZone: string;
}

/**
 * Makes the first person of an installation the owner of a kitchen: a new one, or one that has no owner. Throws
 * `Refused` where somebody was first.
 */
export async function firstOwner(
	db: Database,
	{ name, login, password, kitchen, take, timeZone }: First
): Promise<{ personId: string; kitchenId: string }> {
	return inTransaction(db, async (transaction) => {
		if (await isAnybodyHere(transaction)) refuse('', SOMEBODY_WAS_FIRST);
		const takes = (await ownerless(transaction)).some(({ id }) => id === take);
		if (take !== '' && !takes) refuse('take', 'this kitchen has an owner');
		if (take === '' && kitchen === '') refuse('kitchen', 'what is the kitchen called?');
		const personId = await makePerson(transaction, { name, login, password, isFirst: true });
		const kitchenId = takes ? take : newId();
		if (takes) await own(transaction, kitchenId, { personId, name });
		else
			await beginKitchen(
				transaction,
				kitchenId,
				{ ...USUAL, name: kitchen, timeZone: known(timeZone) },
				{ personId, name }
			);
		return { personId, kitchenId };
	});
}

/** What a kitchen is until its owner says otherwise, under Kitchen. */
const USUAL = {
	town: '',
	address: '',
	currency: 'USD',
	rules: 'us',
	scaleDivision_g: 1,
	measureSet: 'us',
	locale: 'en-US',
	weekStarts: 0,
	sellsShort: false
} as const;

const known = (zone: string): string => (Intl.supportedValuesOf('timeZone').includes(zone) ? zone : 'UTC');
