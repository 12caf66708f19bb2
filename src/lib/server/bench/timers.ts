import type { BatchStanding } from '../../batch/summary.ts';
import type { Step } from '$core/formula/process.ts';
import type { RunningStep } from '../../batch/bench/running-step.ts';
import type { Database } from '../db/connection.ts';
import { toList, type Row } from '../rows.ts';

/** A step nobody ended is let go of after this. */
const FORGOTTEN_AFTER_DAYS = 3;

/** The steps going on in a kitchen, the one begun first first. */
export async function runningSteps(db: Database, kitchenId: string): Promise<RunningStep[]> {
	const since = new Date(Date.now() - FORGOTTEN_AFTER_DAYS * 86_400_000).toISOString();
	const rows = await db('batches as b')
		.join('batch_standings as s', 's.batch_id', 'b.id')
		.join('formula_versions as v', 'v.id', 'b.formula_version_id')
		.join('formulas as f', 'f.id', 'v.formula_id')
		.where('b.kitchen_id', kitchenId)
		.whereNull('b.closed_at')
		.where('b.updated_at', '>', since.replace('T', ' ').replace('Z', ''))
		.whereRaw("JSON_LENGTH(s.standing, '$.running') > 0")
		.select<Row[]>('b.id', 'b.code', 'f.name', 'v.steps', 's.standing');
	return rows
		.flatMap((row) =>
			(JSON.parse(row.standing) as BatchStanding).running.flatMap(
				({ step: number, begunAt }): RunningStep[] => {
					const step = toList<Step>(row.steps)[number];
					if (!step || begunAt < since) return [];
					const { kind, text, minutesLow, minutesHigh } = step;
					return [
						{
							batchId: row.id,
							code: row.code,
							name: row.name,
							step: number,
							kind,
							text,
							minutesLow,
							minutesHigh,
							begunAt
						}
					];
				}
			)
		)
		.toSorted((a, b) => (a.begunAt < b.begunAt ? -1 : 1));
}
