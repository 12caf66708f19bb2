import { allergenName } from '$core/allergens/contact-words.ts';
import { saysAllergen } from '$core/rules/may-contain.ts';
import type { LabelContent } from '$core/label/content.ts';
import type { Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { contactOfBatch } from './read.ts';

/**
 * Refuses to label a batch while somebody still has to decide what may have come to it, or with a label
 * that does not say what was accepted: a bag must not say less than the kitchen knows.
 */
export async function refuseUnsaid(
	db: Database,
	kitchen: Kitchen,
	batch: { id: string; code: string; madeOn: string; productId: string },
	content: Pick<LabelContent, 'declaration' | 'statement' | 'mayContain'>
): Promise<void> {
	const { open, accepted, unconfirmed } = await contactOfBatch(db, kitchen, batch);
	const [undecided] = open;
	if (undecided)
		refuse(
			'',
			`decide on the page of batch ${batch.code} whether it may contain ${allergenName(undecided.allergen)}`
		);
	const [unknown] = unconfirmed;
	if (unknown)
		refuse(
			'',
			`confirm the allergens of ${unknown}: it was handled before batch ${batch.code} on the same equipment`
		);
	const unsaid = accepted.find((tag) => !saysAllergen(content, tag));
	if (unsaid)
		refuse(
			'',
			`this revision does not say that batch ${batch.code} may contain ${allergenName(unsaid)}: approve one that does`
		);
}
