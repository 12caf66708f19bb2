import { addFee } from '../../costs/fees.ts';
import { addRates } from '../../costs/rates.ts';
import { noteMinutes } from '../../costs/working.ts';
import type { Batch } from '../../../batch/types.ts';
import { setPower } from '../../equipment.ts';
import type { Kitchen } from '../../../kitchen/types.ts';
import type { Database } from '../connection.ts';
import type { DemoContact } from './contact.ts';
import type { Chance } from './random.ts';

const GRIDDLE_KW = 1.8;
const OVEN_KW = 2.4;
/** Two on the plate at a time, and turning them. */
const MINUTES_A_PIECE = 1.1;
/** Weighing in, kneading, clearing up. */
const HANDS_BESIDE_MIN = 25;

/** What the demo kitchen pays beside ingredients, from a day on. */
export async function noteDemoCosts(
	db: Database,
	kitchen: Kitchen,
	validFrom: string,
	market: string,
	{ equipment }: DemoContact
): Promise<void> {
	await addRates(db, kitchen.id, { validFrom, tariff_perKwh: '0.17', labour_perHour: '15.00' });
	await setPower(db, kitchen.id, equipment('Griddle'), GRIDDLE_KW);
	await setPower(db, kitchen.id, equipment('Oven'), OVEN_KW);
	await addFee(db, kitchen.id, { channel: market, validFrom, perDay: '22.00', share: 0 });
}

/** How long a batch took that day: mostly standing at the plate. */
export async function noteDemoMinutes(
	db: Database,
	kitchen: Kitchen,
	batch: Batch,
	random: Chance
): Promise<void> {
	const heat_min = Math.round(random.normal((batch.ballCount ?? 0) * MINUTES_A_PIECE, 4));
	const hands_min = heat_min + Math.round(random.normal(HANDS_BESIDE_MIN, 3));
	await noteMinutes(db, kitchen.id, batch.id, { heat_min, hands_min });
}
