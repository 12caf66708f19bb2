import { isDuplicate } from '../errors.ts';
import type { Cells } from '../rows.ts';
import type { Database } from './connection.ts';
import { inTransaction } from './transaction.ts';

/**
 * Inserts a row whose id came with the form: one that was sent before is left as it is. Another unique key that is
 * taken stays an error.
 */
export async function insertOnce(
	db: Database,
	table: string,
	row: Cells & { id: string; kitchen_id: string }
): Promise<void> {
	try {
		await inTransaction(db, (transaction) => transaction(table).insert(row));
	} catch (error) {
		const { id, kitchen_id } = row;
		if (!isDuplicate(error) || !(await db(table).where({ id, kitchen_id }).first('id'))) throw error;
	}
}
