import type { Database } from '../db/connection.ts';
import { requireRoom } from '../room.ts';
import { inTransaction } from '../db/transaction.ts';

/**
 * What a job is given and what it gives lies in the database in parts: any process reads them, and none is larger than
 * one write of a cluster should be.
 */
export type Side = 'in' | 'out';

const PART_BYTES = 1024 * 1024;

interface Of {
	kitchenId: string;
	jobId: string;
	side: Side;
}

/** Says, in the transaction that writes a part, that whoever writes still has the job; locks its row. */
export type StillMine = (transaction: Database) => Promise<boolean>;

/** Puts bytes down as they come, part by part. Who has the job no more writes no part of it: that throws. */
export class PartsWriter {
	#held: Uint8Array[] = [];
	#heldBytes = 0;
	#number = 0;
	bytes = 0;

	constructor(
		readonly db: Database,
		readonly of: Of,
		readonly stillMine: StillMine
	) {}

	async write(piece: Uint8Array): Promise<void> {
		for (let from = 0; from < piece.length;) {
			const some = piece.subarray(from, from + PART_BYTES - this.#heldBytes);
			this.#held.push(some);
			this.#heldBytes += some.length;
			from += some.length;
			if (this.#heldBytes === PART_BYTES) await this.#put();
		}
		this.bytes += piece.length;
	}

	async end(): Promise<void> {
		if (this.#heldBytes > 0) await this.#put();
	}

	async #put(): Promise<void> {
		const { kitchenId, jobId, side } = this.of;
		const bytes = Buffer.concat(this.#held);
		// Whoever sells and weighs has room when this has none any more.
		requireRoom(bytes.length);
		await inTransaction(this.db, async (transaction) => {
			if (!(await this.stillMine(transaction)))
				throw new Error(`the parts of ${jobId} are another's to write`);
			await transaction('job_parts').insert({
				kitchen_id: kitchenId,
				job_id: jobId,
				side,
				number: this.#number,
				bytes: bytes as never
			});
		});
		this.#number++;
		[this.#held, this.#heldBytes] = [[], 0];
	}
}

/** The parts of one side in their order, one at a time in memory. */
export async function* readParts(db: Database, { kitchenId, jobId, side }: Of): AsyncGenerator<Uint8Array> {
	for (let number = 0; ; number++) {
		const row = await db('job_parts')
			.where({ kitchen_id: kitchenId, job_id: jobId, side, number })
			.first<{ bytes: Uint8Array } | undefined>('bytes');
		if (!row) return;
		yield row.bytes;
	}
}

/** Lets go of one side of a job, or of both. */
export async function dropParts(db: Database, jobId: string, side?: Side): Promise<void> {
	const AT_ONCE = 20;
	for (;;) {
		const gone = await db('job_parts')
			.where({ job_id: jobId, ...(side ? { side } : {}) })
			.limit(AT_ONCE)
			.delete();
		if (gone < AT_ONCE) return;
	}
}
