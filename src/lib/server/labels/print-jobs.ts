import type { LabelRevision } from '../../label/types.ts';
import type { KeptPrintJob } from '../../label/print-job.ts';
import type { JobOutcome } from '../../label/printer.ts';
import type { Database } from '../db/connection.ts';
import { insertOnce } from '../db/once.ts';
import { NotFound } from '../errors.ts';
import type { RowOf } from '../db/tables.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { labelsPdf } from '../print/pdf.ts';
import type { LabelPrinter } from '../print/printer.ts';
import { utcNow } from '../rows.ts';
import { labelToPrint } from './to-print.ts';
import { inTransaction } from '../db/transaction.ts';

/** What a form asks to be printed. */
export interface PrintJobInput {
	id: string;
	revision: number;
	batch: string;
	copies: number;
}

/**
 * Prints an approved label on the label printer and keeps what came of it. A job sent again prints only
 * what is missing of it. Refuses as `labelToPrint`, and when the printer does not answer.
 */
export async function printOnRoll(
	db: Database,
	kitchen: Kitchen,
	printer: LabelPrinter,
	productId: string,
	input: PrintJobInput
): Promise<JobOutcome> {
	const { revision, drawing, name } = await labelToPrint(db, kitchen, productId, input);
	await keepJob(db, kitchen, revision, input, 'label printer');
	const outcome = await printer.print({
		id: input.id,
		name,
		copies: input.copies,
		size: revision.content.size,
		pdf: await labelsPdf(name, drawing, 1, 'roll')
	});
	await inTransaction(db, (transaction) =>
		transaction('print_jobs')
			.where({ kitchen_id: kitchen.id, id: input.id })
			.update({ printed: outcome.printed, updated_at: utcNow() })
	);
	return outcome;
}

/** Notes that an approved label is taken as a file, to be printed elsewhere; one sent twice is one. Refuses as `labelToPrint`. */
export async function takeAsFile(
	db: Database,
	kitchen: Kitchen,
	productId: string,
	input: PrintJobInput
): Promise<void> {
	const { revision } = await labelToPrint(db, kitchen, productId, input);
	await noteTaken(db, kitchen, revision, input);
}

/** Notes that labels of a revision that may be printed are taken as a file; one noted twice is one. */
export const noteTaken = (
	db: Database,
	kitchen: Pick<Kitchen, 'id'>,
	revision: Pick<LabelRevision, 'id'>,
	input: PrintJobInput
) => keepJob(db, kitchen, revision, input, 'file');

const keepJob = (
	db: Database,
	kitchen: Pick<Kitchen, 'id'>,
	revision: Pick<LabelRevision, 'id'>,
	input: PrintJobInput,
	wentTo: KeptPrintJob['wentTo']
) => {
	const now = utcNow();
	return insertOnce(db, 'print_jobs', {
		id: input.id,
		kitchen_id: kitchen.id,
		label_revision_id: revision.id,
		batch_id: input.batch || null,
		copies: input.copies,
		printed: wentTo === 'file' ? input.copies : 0,
		went_to: wentTo,
		created_at: now,
		updated_at: now
	});
};

/** What was printed or taken of a product's labels by the kitchen's rules, newest first. */
export async function listPrintJobs(
	db: Database,
	kitchen: Kitchen,
	productId: string
): Promise<KeptPrintJob[]> {
	const rows = await db('print_jobs as j')
		.join('label_revisions as r', 'r.id', 'j.label_revision_id')
		.join('labels as l', 'l.id', 'r.label_id')
		.leftJoin('batches as b', 'b.id', 'j.batch_id')
		.where({ 'j.kitchen_id': kitchen.id, 'l.product_id': productId, 'l.rules': kitchen.rules })
		.orderBy([
			{ column: 'j.created_at', order: 'desc' },
			{ column: 'j.id', order: 'desc' }
		])
		.limit(20)
		.select<(RowOf<'print_jobs'> & { number: number; code: string | null })[]>('j.*', 'r.number', 'b.code');
	return rows.map((row) => ({
		id: row.id,
		revision: row.number,
		batchCode: row.code,
		copies: row.copies,
		printed: row.printed,
		wentTo: row.went_to as KeptPrintJob['wentTo'],
		createdAt: row.created_at
	}));
}

/** Passes where a job is of this kitchen. Throws `NotFound`. */
export async function wasPrinted(db: Database, kitchenId: string, id: string): Promise<void> {
	if (!(await db('print_jobs').where({ kitchen_id: kitchenId, id }).first('id')))
		throw new NotFound('this was not printed here');
}
