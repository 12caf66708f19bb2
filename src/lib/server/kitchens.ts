import type { RulesName } from '$core/formula/types.ts';
import type { MeasureSet } from '$core/measure/units.ts';
import type { Locale, WeekStart } from '../kitchen/locale.ts';
import type { Kitchen } from '../kitchen/types.ts';
import { dayIn } from '../day.ts';
import type { Database } from './db/connection.ts';
import type { RowOf } from './db/tables.ts';
import type { Changes } from './db/known.ts';
import { NotFound } from './errors.ts';
import { newId, utcNow } from './rows.ts';

const COLUMNS = {
	id: 'id',
	name: 'name',
	town: 'town',
	address: 'address',
	timeZone: 'time_zone',
	currency: 'currency',
	rules: 'rules',
	scaleDivision_g: 'scale_division_g',
	measureSet: 'measure_set',
	locale: 'locale',
	weekStarts: 'week_starts',
	sellsShort: 'sells_short',
	version: 'version'
};

/** Of a kitchen that somebody can be in: it has arrived, and does not leave. */
export const OPEN = ['open', 'closed'] as const;

/** A kitchen's columns under the names they have here. */
type KitchenRow = Omit<
	RowOf<'kitchens'>,
	'time_zone' | 'scale_division_g' | 'measure_set' | 'week_starts' | 'sells_short'
> &
	Record<'timeZone' | 'scaleDivision_g' | 'measureSet', string> & { weekStarts: number; sellsShort: number };

function kitchenFromRow(row: KitchenRow): Kitchen {
	return {
		id: row.id,
		name: row.name,
		town: row.town,
		address: row.address,
		timeZone: row.timeZone,
		currency: row.currency,
		rules: row.rules as RulesName,
		scaleDivision_g: Number(row.scaleDivision_g),
		measureSet: row.measureSet as MeasureSet,
		locale: row.locale as Locale,
		weekStarts: row.weekStarts as WeekStart,
		sellsShort: row.sellsShort === 1,
		version: row.version
	};
}

/** The kitchen that was made first: for scripts of an installation that has one. Who asks is in one of their own. */
export async function theKitchen(db: Database): Promise<Kitchen> {
	const first = await db('kitchens')
		.whereNull('practice_of')
		.whereIn('state', [...OPEN])
		.orderBy('id')
		.first('id');
	if (!first) throw new NotFound('there is no kitchen yet');
	return getKitchen(db, first.id);
}

/** A kitchen, and how often it was changed so far: what is `known` of it goes by that. Throws `NotFound`. */
export async function kitchenNow(db: Database, id: string): Promise<{ kitchen: Kitchen; changes: Changes }> {
	const changes = db('changes')
		.where('kitchen_id', id)
		.select(db.raw('CAST(JSON_OBJECTAGG(of_table, number) AS CHAR)'))
		.as('changes');
	const [row] = await db('kitchens')
		.where('id', id)
		.select(COLUMNS)
		.select<(KitchenRow & { changes: string | null })[]>(changes);
	if (!row) throw new NotFound('this kitchen is not here');
	return {
		kitchen: kitchenFromRow(row),
		changes: row.changes ?? '{}'
	};
}

/** What a kitchen begins with. */
export type NewKitchen = Omit<Kitchen, 'id' | 'version'>;

/** Makes a kitchen; its id. One of practice is so from its first moment: the kitchen it is practised beside. */
export async function createKitchen(
	db: Database,
	kitchen: NewKitchen,
	id = newId(),
	practiceOf: string | null = null
): Promise<string> {
	const row = {
		id,
		name: kitchen.name,
		town: kitchen.town,
		address: kitchen.address,
		time_zone: kitchen.timeZone,
		currency: kitchen.currency,
		rules: kitchen.rules,
		scale_division_g: kitchen.scaleDivision_g,
		measure_set: kitchen.measureSet,
		locale: kitchen.locale,
		week_starts: kitchen.weekStarts,
		sells_short: kitchen.sellsShort,
		practice_of: practiceOf,
		created_at: utcNow()
	};
	await db('kitchens').insert(row);
	return id;
}

/** Every kitchen of this installation with its settings, those of practice too. */
export async function everyKitchen(db: Database): Promise<Kitchen[]> {
	const ids = await db('kitchens')
		.whereIn('state', [...OPEN])
		.orderBy('id')
		.pluck<string[]>('id');
	return Promise.all(ids.map((id) => getKitchen(db, id)));
}

/** A kitchen. Throws `NotFound`. */
export async function getKitchen(db: Database, id: string): Promise<Kitchen> {
	const row = await db('kitchens').where('id', id).first<KitchenRow | undefined>(COLUMNS);
	if (!row) throw new NotFound('this kitchen is not here');
	return kitchenFromRow(row);
}

/** The calendar day it is now in the kitchen, `2026-03-14`. */
export function today(kitchen: Pick<Kitchen, 'timeZone'>): string {
	return dayIn(kitchen.timeZone, new Date());
}
