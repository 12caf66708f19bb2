import type { Kitchen } from '../kitchen/types.ts';
import type { RulesName } from '$core/formula/types.ts';
import type { MeasureSet } from '$core/measure/units.ts';
import { dayIn } from '../day.ts';
import type { Database } from './db/connection.ts';
import { NotFound } from './errors.ts';
import { newId, utcNow, type Row } from './rows.ts';

const COLUMNS = {
	id: 'id',
	name: 'name',
	town: 'town',
	address: 'address',
	timeZone: 'time_zone',
	currency: 'currency',
	rules: 'rules',
	scaleDivision_g: 'scale_division_g',
	measureSet: 'measure_set'
};

/** The kitchen this installation serves: the one opened last, or the first that was made. */
export async function theKitchen(db: Database): Promise<Kitchen> {
	const row = (await db('kitchens')
		.orderBy([{ column: 'opened_at', order: 'desc' }, { column: 'id' }])
		.first(COLUMNS)) as Kitchen | undefined;
	if (!row) throw new NotFound('there is no kitchen yet');
	return { ...row, scaleDivision_g: Number(row.scaleDivision_g) };
}

/** Makes a kitchen; its id. */
export async function createKitchen(db: Database, kitchen: Omit<Kitchen, 'id'>): Promise<string> {
	const id = newId();
	await db('kitchens').insert({
		id,
		name: kitchen.name,
		town: kitchen.town,
		address: kitchen.address,
		time_zone: kitchen.timeZone,
		currency: kitchen.currency,
		rules: kitchen.rules,
		scale_division_g: kitchen.scaleDivision_g,
		measure_set: kitchen.measureSet,
		created_at: utcNow()
	});
	return id;
}

/** A kitchen of this installation. */
export interface KitchenHere {
	id: string;
	name: string;
	town: string;
	/** Whether nothing was ever put into it. */
	isEmpty: boolean;
}

/** Every kitchen of this installation, the first that was made first. */
export async function listKitchens(db: Database): Promise<KitchenHere[]> {
	const rows = (await db('kitchens').orderBy('id').select('id', 'name', 'town')) as Row[];
	return Promise.all(
		rows.map(async (row) => ({
			id: String(row.id),
			name: String(row.name),
			town: String(row.town),
			isEmpty: !(await db('ingredients').where('kitchen_id', String(row.id)).first('id'))
		}))
	);
}

/** Serves another kitchen of this installation from now on. Throws `NotFound`. */
export async function openKitchen(db: Database, id: string): Promise<void> {
	const known = (await db('kitchens').where('id', id).first('id')) as Row | undefined;
	if (!known) throw new NotFound('this kitchen is not here');
	await db('kitchens').where('id', id).update({ opened_at: utcNow() });
}

/** Changes what a kitchen is measured and labelled by. */
export async function saveKitchen(
	db: Database,
	kitchenId: string,
	input: Pick<Kitchen, 'name' | 'town' | 'address' | 'rules' | 'scaleDivision_g' | 'measureSet'>
): Promise<void> {
	await db('kitchens').where('id', kitchenId).update({
		name: input.name,
		town: input.town,
		address: input.address,
		rules: input.rules,
		scale_division_g: input.scaleDivision_g,
		measure_set: input.measureSet
	});
}

/** The calendar day it is now in the kitchen, `2026-03-14`. */
export function today(kitchen: Pick<Kitchen, 'timeZone'>): string {
	return dayIn(kitchen.timeZone, new Date());
}
