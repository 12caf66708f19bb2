import type { KeptPrintJob } from '../../label/print-job.ts';
import type { JobOutcome } from '../../label/printer.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { isDuplicate } from '../errors.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { labelsPdf } from '../print/pdf.ts';
import type { LabelPrinter } from '../print/printer.ts';
import { utcNow } from '../rows.ts';
import { labelToPrint } from './to-print.ts';

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
	const now = utcNow();
	await db('print_jobs')
		.insert({
			id: input.id,
			kitchen_id: kitchen.id,
			label_revision_id: revision.id,
			batch_id: input.batch || null,
			copies: input.copies,
			printed: 0,
			created_at: now,
			updated_at: now
		})
		.catch((error: unknown) => {
			if (!isDuplicate(error)) throw error;
		});
	const outcome = await printer.print({
		id: input.id,
		name,
		copies: input.copies,
		size: revision.content.size,
		pdf: await labelsPdf(name, drawing, 1, 'roll')
	});
	await db('print_jobs')
		.where({ kitchen_id: kitchen.id, id: input.id })
		.update({ printed: outcome.printed, updated_at: utcNow() });
	return outcome;
}

/** What was sent to the label printer for a product by the kitchen's rules, newest first. */
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
		.orderBy('j.id', 'desc')
		.limit(20)
		.select<(RowOf<'print_jobs'> & { number: number; code: string | null })[]>('j.*', 'r.number', 'b.code');
	return rows.map((row) => ({
		id: row.id,
		revision: row.number,
		batchCode: row.code,
		copies: row.copies,
		printed: row.printed,
		createdAt: row.created_at
	}));
}
