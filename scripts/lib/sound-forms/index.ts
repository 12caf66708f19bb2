import type { Kitchen } from '../../../src/lib/kitchen/types.ts';
import type { Database } from '../../../src/lib/server/db/connection.ts';
import { batchesForms } from './batches.ts';
import { formulasForms } from './formulas.ts';
import { kitchenForms } from './kitchen.ts';
import { lifeForms } from './life.ts';
import { labelsForms } from './labels.ts';
import { planForms } from './plan.ts';
import { practiceForms } from './practice.ts';
import { salesForms } from './sales.ts';
import { shelfForms } from './shelf.ts';
import type { Making } from './form.ts';
import { subjects } from './subjects.ts';

/**
 * How each form of the application is filled in so that it is taken, by its route and name: each time anew, as of
 * another thing. The kitchen is the demo's.
 */
export function soundForms(db: Database, kitchen: Kitchen): Record<string, Making> {
	const of = subjects(db, kitchen);
	return {
		...batchesForms(of),
		...formulasForms(of),
		...kitchenForms(of),
		...labelsForms(of),
		...lifeForms(of),
		...planForms(of),
		...practiceForms(of),
		...salesForms(of),
		...shelfForms(of)
	};
}
