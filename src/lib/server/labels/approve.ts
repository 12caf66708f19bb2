import type { Database } from '../db/connection.ts';
import { ofOneState } from '../db/one-state.ts';
import { isDuplicate, Refused, refuse, Stale } from '../errors.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { newId, utcNow } from '../rows.ts';
import { getLabel } from './read.ts';
import type { FrozenFacts } from '../../label/types.ts';
import { inTransaction } from '../db/transaction.ts';

/**
 * Freezes a product's label as it stands at record `version`: what it says, the facts behind it without
 * their prices, and the formula's version; the revision's number. Refuses while anything blocks it, does
 * not fit, or nothing changed since the newest revision. Throws `Stale` and `NotFound`.
 */
export async function approveLabel(
	db: Database,
	kitchen: Kitchen,
	productId: string,
	version: number,
	approvedAt = utcNow()
): Promise<number> {
	// Somebody may save an ingredient at this moment: its allergens and its values are then not of one state.
	const label = await ofOneState(db, kitchen.id, () => getLabel(db, kitchen, productId));
	if (label.version !== version) throw new Stale(label);
	if (label.version === 0) refuse('', 'save the label first');
	const { content, facts, design } = label;
	if (label.blocks.length + label.misfits.length > 0 || !content || !facts || design.declared_g === null)
		throw new Refused(
			[...label.blocks.map((block) => block.message), ...label.misfits].map((message) => ({
				path: '',
				message
			}))
		);
	const [newest] = label.revisions;
	if (newest && label.changes.length === 0)
		refuse('', `nothing on it would change: revision ${newest.number} stands`);
	const row = await db('labels')
		.where({ kitchen_id: kitchen.id, product_id: productId, rules: kitchen.rules })
		.first('id');
	if (!row) return refuse('', 'save the label first');
	const { cost: _prices, ...frozen } = facts;
	const number = (newest?.number ?? 0) + 1;
	await inTransaction(db, (transaction) =>
		transaction('label_revisions')
			.insert({
				id: newId(),
				kitchen_id: kitchen.id,
				label_id: row.id,
				formula_version_id: label.formulaVersionId,
				number,
				declared_g: design.declared_g,
				content: JSON.stringify(content),
				facts: JSON.stringify(frozen satisfies FrozenFacts),
				approved_at: approvedAt
			})
			.catch((error: unknown) => {
				if (isDuplicate(error)) refuse('', 'somebody approved it at this moment: look at it again');
				throw error;
			})
	);
	return number;
}
