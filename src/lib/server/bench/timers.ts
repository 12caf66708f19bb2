import type { Step } from '$core/formula/process.ts';
import type { Database } from '../db/connection.ts';
import { toList, type Row } from '../rows.ts';

/** A step that is going on at some batch. */
export interface RunningStep {
	batchId: string;
	code: string;
	/** Of the formula. */
	name: string;
	step: number;
	kind: Step['kind'];
	text: string;
	minutesLow: number | null;
	minutesHigh: number | null;
	begunAt: string;
}

/** A step nobody ended is let go of after this. */
const FORGOTTEN_AFTER_DAYS = 3;

/** The steps going on in a kitchen, the one begun first first. */
export async function runningSteps(db: Database, kitchenId: string): Promise<RunningStep[]> {
	const since = new Date(Date.now() - FORGOTTEN_AFTER_DAYS * 86_400_000);
	const rows = (await db('batch_events as e')
		.leftJoin('batch_events as v', 'v.voids_id', 'e.id')
		.join('batches as b', 'b.id', 'e.batch_id')
		.join('formula_versions as f', 'f.id', 'b.formula_version_id')
		.join('formulas as n', 'n.id', 'f.formula_id')
		.where('e.kitchen_id', kitchenId)
		.whereIn('e.name', ['step begun', 'step ended'])
		.where('e.received_at', '>', since.toISOString().replace('T', ' ').replace('Z', ''))
		.whereNull('v.id')
		.whereNull('b.closed_at')
		.orderBy('e.id')
		.select(
			'e.batch_id',
			'e.name',
			'e.data',
			'e.happened_at',
			'b.code',
			'n.name as formula_name',
			'f.steps'
		)) as Row[];
	const running = new Map<string, RunningStep>();
	for (const row of rows) {
		const { step: number } = JSON.parse(String(row.data)) as { step: number };
		const key = `${String(row.batch_id)} ${number}`;
		running.delete(key);
		const step = toList<Step>(row.steps)[number];
		if (row.name !== 'step begun' || !step) continue;
		running.set(key, {
			batchId: String(row.batch_id),
			code: String(row.code),
			name: String(row.formula_name),
			step: number,
			kind: step.kind,
			text: step.text,
			minutesLow: step.minutesLow,
			minutesHigh: step.minutesHigh,
			begunAt: `${String(row.happened_at).replace(' ', 'T')}Z`
		});
	}
	return [...running.values()];
}
