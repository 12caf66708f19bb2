import { NUTRIENTS, type Nutrient } from '$core/composition/nutrients.ts';
import type { AssumedCvs } from '$core/sure/values.ts';
import { CALIBRATION, UNWEIGHED, USUAL_SPREADS, type SpreadInput } from '../../sure/spreads.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { inTransaction } from '../db/transaction.ts';
import { newId, utcNow } from '../rows.ts';

/** A spread the kitchen assumes in place of the usual one, and why. */
export interface AssumedSpread {
	input: string;
	spread: number;
	note: string;
}

/** What a kitchen assumes otherwise than is usual. */
export async function assumedSpreads(db: Database, kitchenId: string): Promise<AssumedSpread[]> {
	const rows = await known(db, kitchenId, 'assumed spreads', () =>
		db('assumed_spreads').where('kitchen_id', kitchenId).orderBy('input')
	);
	return rows.map(({ input, spread, note }) => ({ input, spread: Number(spread), note }));
}

/** Puts what is assumed otherwise in the place of what was. */
export async function saveSpreads(
	db: Database,
	kitchenId: string,
	spreads: readonly AssumedSpread[]
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		await transaction('assumed_spreads').where('kitchen_id', kitchenId).del();
		if (spreads.length === 0) return;
		await transaction('assumed_spreads').insert(
			spreads.map((each) => ({ id: newId(), kitchen_id: kitchenId, ...each, created_at: utcNow() }))
		);
	});
}

/** The spreads that hold in a kitchen: its own where it has some, the usual ones otherwise. */
export function spreadsThatHold(assumed: readonly AssumedSpread[]): {
	cvs: AssumedCvs;
	calibration: number;
	unweighed: number;
} {
	const own = new Map(assumed.map(({ input, spread }) => [input, spread]));
	const of = (input: SpreadInput) => own.get(input) ?? USUAL_SPREADS[input];
	const cvs = NUTRIENTS.flatMap((nutrient): [Nutrient, number][] => {
		const spread = own.get(nutrient);
		return spread === undefined ? [] : [[nutrient, spread]];
	});
	return { cvs: Object.fromEntries(cvs), calibration: of(CALIBRATION), unweighed: of(UNWEIGHED) };
}
