import { entriesTo } from '$core/bench/record.ts';
import { BATCH_FIELD } from '../../batch/draft.ts';
import type { BatchInput } from '../../batch/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import { Refused, refuse, Stale } from '../errors.ts';
import { newId, utcNow } from '../rows.ts';
import { changeBatch } from './change.ts';
import { setEquipment } from './equipment.ts';
import { readBatch } from './read.ts';

/**
 * Records at the desk what was measured of a batch that was opened at `version`: entries like those of every
 * station, for what is other than it was. Refused whole when the figures are impossible, or count fewer packs than
 * are gone. Throws `Stale`, `Refused`, `NotFound`.
 */
export async function recordBatch(
	db: Database,
	kitchen: Kitchen,
	id: string,
	version: number,
	input: BatchInput,
	takenAt = utcNow()
): Promise<void> {
	await changeBatch(
		db,
		kitchen,
		id,
		async (transaction, { batch, bench, keep }) => {
			if (batch.version !== version) throw new Stale(batch);
			if (batch.closed.length > 0) refuse('', 'this batch is closed: record a correction with its reason');
			const known = new Set(batch.lines.map((line) => line.id));
			if (input.lines.length !== known.size || input.lines.some((line) => !known.has(line.id)))
				refuse('lines', 'the lines are not those of this batch: open it again');
			if (input.ballCount !== null && input.rejects > input.ballCount)
				refuse('rejects', `${input.rejects} rejects are more than the ${input.ballCount} pieces made`);
			if (input.beganAt && input.usedUntil && input.usedUntil < input.beganAt)
				refuse('usedUntil', `it was begun at ${input.beganAt}, after this`);
			const at = `${takenAt.replace(' ', 'T')}Z`;
			await keep(entriesTo(input, batch.lines, bench, () => ({ id: newId(), at })));
			await transaction('batches')
				.where({ kitchen_id: kitchen.id, id })
				.update({
					made_on: input.madeOn,
					...(input.beganAt === undefined ? {} : { began_at: input.beganAt }),
					...(input.usedUntil === undefined ? {} : { used_until: input.usedUntil }),
					ball_weight_g: input.ballWeight_g,
					serving_pieces: input.servingPieces,
					note: input.note,
					version: version + 1,
					updated_at: utcNow()
				});
			if (input.equipment) await setEquipment(transaction, kitchen.id, id, input.equipment);
			const { facts, problems } = (await readBatch(transaction, kitchen, id)).batch;
			if (!facts)
				throw new Refused(problems.map((problem) => ({ ...problem, path: BATCH_FIELD[problem.path] ?? '' })));
		},
		{ movedAt: takenAt, changes: 'its row' }
	);
}
