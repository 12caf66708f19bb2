import { sourceKey, type ContactStanding, type Proposal } from '$core/allergens/contact.ts';
import { sourceWords } from '$core/allergens/contact-words.ts';
import Joi from 'joi';
import type { Database } from '../db/connection.ts';
import { text } from '../edge/fields.ts';
import { refuse } from '../errors.ts';
import { keepDecision } from './decisions.ts';
import type { KeptDecision } from '../../batch/contact.ts';
import type { Contact } from '../../batch/contact.ts';

/** An answer as a form sends it. */
export interface DecisionForm {
	allergen: string;
	answer: KeptDecision['answer'];
	/** Key of the proposal's source; empty for a withdrawal. */
	source: string;
	reason: string;
}

export const decisionForm = Joi.object<DecisionForm>({
	allergen: Joi.string().max(60).required(),
	answer: Joi.valid('accepted', 'declined', 'withdrawn').required(),
	source: Joi.string().allow('').max(80).required(),
	reason: text(300, 'say why: the reason is kept')
});

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
	await keepDecision(db, kitchenId, {
		productId,
		allergen,
		answer,
		source: answer === 'withdrawn' ? '' : source,
		sourceWords: words,
		reason
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
	return sourceWords(proposal, (id) => equipment[id] ?? 'equipment').slice(0, 300);
}
