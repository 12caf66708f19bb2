import type { Database } from '../db/connection.ts';
import type { ManyInput } from '../edge/label.ts';
import { plural } from '../../format.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { askJob } from '../jobs/jobs.ts';
import type { LabelsAsked } from '../jobs/kinds/labels.ts';
import { placeOf } from './place.ts';
import { noteTaken } from './print-jobs.ts';
import { labelToPrint } from './to-print.ts';

/**
 * Notes that many labels are taken as a file, and has them drawn by whichever process has time; a form sent twice asks for
 * them once. Refuses as `labelToPrint`, and what `placeOf` refuses.
 */
export async function askForLabels(
	db: Database,
	kitchen: Kitchen,
	personId: string,
	productId: string,
	{ on, start, ...input }: ManyInput
): Promise<void> {
	const { revision } = await labelToPrint(db, kitchen, productId, input);
	placeOf(revision, { on, start });
	await noteTaken(db, kitchen, revision, input);
	const { id, ...of } = input;
	const asked: LabelsAsked = { ...of, productId, rules: kitchen.rules, on, start };
	await askJob(db, {
		id,
		kitchenId: kitchen.id,
		personId,
		kind: 'labels',
		name: `${plural(input.copies, 'label')} of ${revision.content.name}`,
		asked
	});
}
