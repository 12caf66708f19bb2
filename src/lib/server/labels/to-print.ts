import type { Drawing } from '$core/drawing/shapes.ts';
import { layoutLabel } from '$core/label/layout.ts';
import { bestBefore } from '../../label/marks.ts';
import { readBatch, type ReadBatch } from '../batches/read.ts';
import { refuseUnsaid } from '../contact/unsaid.ts';
import type { Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { unsaidBy } from './held.ts';
import { getRevision } from './revisions.ts';
import type { LabelRevision } from '../../label/types.ts';

/** An approved label with what a batch adds to it. */
export interface LabelToPrint {
	revision: LabelRevision;
	drawing: Drawing;
	name: string;
}

/**
 * An approved revision drawn for a batch, or with code and date blank without one. Refuses a batch of
 * another product, and one that the revision says too little of.
 */
export async function labelToPrint(
	db: Database,
	kitchen: Kitchen,
	productId: string,
	{ revision: number, batch: batchId }: { revision: number; batch: string }
): Promise<LabelToPrint> {
	const revision = await getRevision(db, kitchen, productId, number);
	const read = batchId ? await readBatch(db, kitchen, batchId) : null;
	const batch = read?.batch ?? null;
	if (batch && batch.productId !== productId)
		refuse('', 'this batch is of another product: choose one of this label’s');
	const { content } = revision;
	if (batch) {
		await refuseUnsaid(db, kitchen, batch, content);
		const missing = await unsaidBy(db, kitchen, batch.id, revision);
		if (missing.length > 0)
			refuse('', `batch ${batch.code} is held: ${missing.join('; ')}. Approve a revision that fits it`);
	}
	const { drawing } = layoutLabel(content, revision.declared_g, {
		code: batch?.code ?? '',
		bestBefore:
			read && content.bestBeforeDays !== null
				? bestBefore(...lastDay(read, content.bestBeforeDays), content.dateKind)
				: ''
	});
	const name = `label ${content.name} revision ${revision.number}`.replace(/[^\w -]+/g, '');
	return { revision, drawing, name };
}

/** The day a batch is best before, as set for it at packing or as its label has it: from when, how many days. */
const lastDay = ({ batch, bench }: ReadBatch, days: number): [from: string, days: number] =>
	bench.bestBefore === null ? [batch.madeOn, days] : [bench.bestBefore, 0];
