import type { Inspected, InspectedBatch, InspectedLabel } from '../../people/inspection.ts';
import { dayOfTime } from '../../day.ts';
import type { Span } from '../../people/member.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { labelText } from '$core/label/text.ts';
import { getBatch } from '../batches/read.ts';
import type { Database } from '../db/connection.ts';
import { NotFound } from '../errors.ts';
import { getLabel } from '../labels/read.ts';
import { tracedPage } from '../trace/back.ts';

const MOST_LISTED = 1000;

/** Everything an inspector may open: batches of their days, and labels. `span` null: of all days, for the owner. */
export async function inspected(db: Database, kitchen: Kitchen, span: Span | null): Promise<Inspected> {
	const batches = db('batches as b')
		.join('products as p', 'p.id', 'b.product_id')
		.join('formulas as f', 'f.id', 'p.formula_id')
		.where('b.kitchen_id', kitchen.id)
		.orderBy([
			{ column: 'b.made_on', order: 'desc' },
			{ column: 'b.id', order: 'desc' }
		])
		.limit(MOST_LISTED);
	if (span) void batches.whereBetween('b.made_on', [span.from, span.to]);
	const [rows, labels] = await Promise.all([
		batches.select<
			{
				id: string;
				code: string;
				name: string;
				made_on: string;
				closed_at: string | null;
				packs_made: number;
			}[]
		>({
			id: 'b.id',
			code: 'b.code',
			name: 'f.name',
			made_on: 'b.made_on',
			closed_at: 'b.closed_at',
			packs_made: 'b.packs_made'
		}),
		db('label_revisions as r')
			.join('labels as l', 'l.id', 'r.label_id')
			.join('products as p', 'p.id', 'l.product_id')
			.join('formulas as f', 'f.id', 'p.formula_id')
			.where({ 'r.kitchen_id': kitchen.id, 'l.rules': kitchen.rules })
			.orderBy('r.number', 'desc')
			.select<{ id: string; name: string; number: number; approved_at: string }[]>({
				id: 'p.id',
				name: 'f.name',
				number: 'r.number',
				approved_at: 'r.approved_at'
			})
	]);
	const newest = new Map<string, (typeof labels)[number]>();
	const shown = span ? inForce(labels, ({ id }) => id, span, kitchen.timeZone) : labels;
	for (const label of shown) if (!newest.has(label.id)) newest.set(label.id, label);
	return {
		span,
		batches: rows.map((row) => ({
			id: row.id,
			code: row.code,
			name: row.name,
			madeOn: row.made_on,
			isClosed: row.closed_at !== null,
			packsMade: row.packs_made
		})),
		labels: [...newest.values()].map((label) => ({
			id: label.id,
			name: label.name,
			number: label.number,
			approvedAt: label.approved_at
		}))
	};
}

/** A batch as an inspector sees it. Throws `NotFound`, of one that was made on another day too. */
export async function inspectedBatch(
	db: Database,
	kitchen: Kitchen,
	span: Span | null,
	id: string
): Promise<InspectedBatch> {
	const batch = await getBatch(db, kitchen, id);
	if (span && (batch.madeOn < span.from || batch.madeOn > span.to))
		throw new NotFound('this batch is not here');
	return {
		trace: await tracedPage(db, kitchen, id),
		stages: batch.closings,
		reasons: batch.closed.map(({ number, reason, closedAt }) => ({ number, reason, closedAt })),
		lines: batch.lines.map(({ name, use, planned_g, weighed_g }) => ({ name, use, planned_g, weighed_g }))
	};
}

/**
 * Of revisions, the newest first of each label, those that stood on a day of a span: approved by its end, and not
 * followed by another before its beginning.
 */
function inForce<R extends { number: number; approved_at: string }>(
	revisions: readonly R[],
	labelOf: (revision: R) => string,
	span: Span,
	timeZone: string
): R[] {
	const dayOf = ({ approved_at }: R) => dayOfTime(approved_at, timeZone);
	return revisions.filter((revision) => {
		const next = revisions
			.filter((each) => labelOf(each) === labelOf(revision) && each.number > revision.number)
			.at(-1);
		return dayOf(revision) <= span.to && (!next || dayOf(next) >= span.from);
	});
}

/** What a product's labels said in the days that are seen, each as it was approved. Throws `NotFound`. */
export async function inspectedLabel(
	db: Database,
	kitchen: Kitchen,
	span: Span | null,
	productId: string
): Promise<InspectedLabel> {
	const { product, revisions: all } = await getLabel(db, kitchen, productId);
	const revisions = span
		? inForce(
				all.map((revision) => ({ ...revision, approved_at: revision.approvedAt })),
				() => productId,
				span,
				kitchen.timeZone
			)
		: all;
	if (revisions.length === 0) throw new NotFound('this label is not here, or not of these days');
	return {
		name: product.name,
		revisions: revisions.map(({ number, approvedAt, formulaNumber, content }) => ({
			number,
			approvedAt,
			formulaNumber,
			text: labelText(content)
		}))
	};
}
