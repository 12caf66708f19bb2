import type { KeptProfile } from '../kitchen/types.ts';
import type { LocalProfile } from '$core/profile/profile.ts';
import type { Database } from './db/connection.ts';
import { known } from './db/known.ts';
import { isDuplicate, Stale } from './errors.ts';
import { newId, utcNow } from './rows.ts';
import { inTransaction } from './db/transaction.ts';

/** What the kitchen's maker noted of the local law. */
export async function getProfile(db: Database, kitchenId: string): Promise<KeptProfile> {
	const row = await known(db, kitchenId, 'profile', () =>
		db('local_profiles').where('kitchen_id', kitchenId).first()
	);
	return row
		? { profile: JSON.parse(row.profile) as LocalProfile, version: row.version }
		: { profile: null, version: 0 };
}

/** Saves a profile that was opened at `version`. Throws `Stale` with what is there now. */
export async function saveProfile(
	db: Database,
	kitchenId: string,
	version: number,
	profile: LocalProfile
): Promise<void> {
	const row = { profile: JSON.stringify(profile), updated_at: utcNow() };
	if (version === 0) {
		await inTransaction(db, (transaction) =>
			transaction('local_profiles')
				.insert({ id: newId(), kitchen_id: kitchenId, version: 1, ...row })
				.catch(async (error: unknown) => {
					if (isDuplicate(error)) throw new Stale(await getProfile(db, kitchenId));
					throw error;
				})
		);
		return;
	}
	const changed = await inTransaction(db, (transaction) =>
		transaction('local_profiles')
			.where({ kitchen_id: kitchenId, version })
			.update({ ...row, version: version + 1 })
	);
	if (changed === 0) throw new Stale(await getProfile(db, kitchenId));
}
