import type { FirstStep } from '../../kitchen/today.ts';
import type { Database } from '../db/connection.ts';

/** What a kitchen that has sold nothing yet has done and has still to do; null once it has sold. */
export async function firstSteps(db: Database, kitchenId: string): Promise<FirstStep[] | null> {
	const has = async (table: string, where: object = {}) =>
		(
			await db(table)
				.where({ kitchen_id: kitchenId, ...where })
				.limit(1)
				.select('kitchen_id')
		).length > 0;
	if (await has('sales')) return null;
	const [shelf, profile, formula, batch, label] = await Promise.all([
		has('ingredients'),
		has('local_profiles'),
		has('formula_versions'),
		has('weighings'),
		has('label_revisions')
	]);
	return [
		{ words: 'Put what you buy on the shelf, with what its pack says', href: '/shelf', done: shelf },
		{ words: 'Write a formula down, or bring one in', href: '/formulas', done: formula },
		{ words: 'Plan a batch and weigh it at the bench', href: '/batches/new', done: batch },
		{
			words: 'Say what the local rules ask of a label and of what you sell',
			href: '/kitchen/profile',
			done: profile
		},
		{ words: 'Approve the label of the product, and print it', href: '/labels', done: label },
		{ words: 'Record what you sell', href: '/sales/stall', done: false }
	];
}
