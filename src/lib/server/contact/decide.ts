import { cut } from '$core/measure/text.ts';
import { sourceKey, type ContactStanding, type Proposal } from '$core/allergens/contact.ts';
import { sourceWords } from '$core/allergens/contact-words.ts';
import type { Database } from '../db/connection.ts';
import type { DecisionForm } from '../edge/contact.ts';
import { refuse } from '../errors.ts';
import { inTransaction } from '../db/transaction.ts';
import { keepDecision, newestDecision } from './decisions.ts';
import type { Contact } from '../../batch/contact.ts';

/**
 * Keeps a person's answer about a product: to one of the proposals that are open, or declined and now
 * accepted after all; or the withdrawal of what was accepted. Refuses what nothing proposes.
 */
export async function decide(
	db: Database,
	kitchenId: string,
	productId: string,
	contact: Pick<Contact, 'open' | 'declined' | 'accepted' | 'equipment'>,
	{ allergen, answer, source, reason }: DecisionForm
): Promise<void> {
	const words =
		answer === 'withdrawn'
			? withdrawalWords(contact, allergen)
			: proposalWords(contact, (each) => each.allergen === allergen && sourceKey(each.source) === source);
	const decision = {
		productId,
		allergen,
		answer,
		source: answer === 'withdrawn' ? '' : source,
		sourceWords: words,
		reason
	};
	await inTransaction(db, async (transaction) => {
		// Sent twice it is one: the second finds the first.
		await transaction('products').where({ kitchen_id: kitchenId, id: productId }).forUpdate().first('id');
		const newest = await newestDecision(transaction, kitchenId, productId, allergen);
		const isSame = newest?.answer === answer && newest.source === decision.source && newest.reason === reason;
		if (!isSame) await keepDecision(transaction, kitchenId, decision);
	});
}

function withdrawalWords({ accepted }: Pick<ContactStanding, 'accepted'>, allergen: string): string {
	if (!accepted.includes(allergen)) refuse('', 'the label does not say it: look at it again');
	return 'no longer said on the label';
}

function proposalWords(
	{ open, declined, equipment }: Parameters<typeof decide>[3],
	isIt: (proposal: Proposal) => boolean
): string {
	const proposal = [...open, ...declined].find(isIt);
	if (!proposal) return refuse('', 'this was decided meanwhile, or nothing proposes it any more');
	return cut(
		sourceWords(proposal, (id) => equipment[id] ?? 'equipment'),
		300
	);
}
