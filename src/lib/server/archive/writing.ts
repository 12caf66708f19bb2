import { transfer } from 'comlink';
import { openDatabase } from '../db/connection.ts';
import { getKitchen } from '../kitchens.ts';
import { writeArchive } from './write.ts';

/** Writes an archive, in a worker: piece by piece, each as soon as the one before it is taken. */
export const writing = {
	async write(
		kitchenId: string,
		databaseUrl: string,
		withCustomers: boolean,
		give: (piece: Uint8Array<ArrayBuffer>) => Promise<void>
	): Promise<undefined> {
		const database = openDatabase(databaseUrl);
		try {
			const kitchen = await getKitchen(database, kitchenId);
			const archive = writeArchive(database, kitchen, new Date(), withCustomers);
			for await (const piece of archive) {
				// Pieces may be parts of one buffer, which can be given away only whole.
				const own = piece.slice();
				await give(transfer(own, [own.buffer]));
			}
		} finally {
			await database.destroy();
		}
	}
};
