import { NUTRIENTS, type Nutrient } from '$core/composition/nutrients.ts';
import type { LaboratoryReport } from '../../sure/reports.ts';
import type { Database } from '../db/connection.ts';
import { insertOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import type { ReportForm } from '../edge/sure.ts';
import { utcNow } from '../rows.ts';

type Found = LaboratoryReport['found'];

/** What laboratories found of a product, the newest first; what was withdrawn is left out. */
export async function laboratoryReports(
	db: Database,
	kitchenId: string,
	productId: string
): Promise<LaboratoryReport[]> {
	const rows = await db('laboratory_reports')
		.where({ kitchen_id: kitchenId, product_id: productId })
		.whereNull('withdrawn_at')
		.orderBy(['reported_on', 'id'].map((column) => ({ column, order: 'desc' as const })));
	return rows.map((row) => ({
		id: row.id,
		laboratory: row.laboratory,
		reportedOn: row.reported_on,
		found: JSON.parse(row.found) as Found,
		note: row.note
	}));
}

/** Adds a report; one sent twice is one. Throws `Refused` where it says nothing. */
export async function addReport(
	db: Database,
	kitchenId: string,
	productId: string,
	form: ReportForm
): Promise<void> {
	const entries = NUTRIENTS.flatMap((nutrient): [Nutrient, NonNullable<Found[Nutrient]>][] => {
		const value = form.found[nutrient];
		return value === null ? [] : [[nutrient, { value, uncertainty: form.uncertainty[nutrient] }]];
	});
	if (entries.length === 0) refuse('found', 'type at least one figure the report states');
	await insertOnce(db, 'laboratory_reports', {
		id: form.id,
		kitchen_id: kitchenId,
		product_id: productId,
		laboratory: form.laboratory,
		reported_on: form.reportedOn,
		found: JSON.stringify(Object.fromEntries(entries)),
		note: form.note,
		created_at: utcNow()
	});
}

/** Withdraws a report that was wrong; its row stays. */
export async function withdrawReport(db: Database, kitchenId: string, id: string): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('laboratory_reports')
			.where({ kitchen_id: kitchenId, id })
			.whereNull('withdrawn_at')
			.update({ withdrawn_at: utcNow() })
	);
}
