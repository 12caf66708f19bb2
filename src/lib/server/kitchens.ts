import type { RulesName } from '$core/formula/types.ts';
import type { MeasureSet } from '$core/measure/units.ts';
import type { Database } from './db/connection.ts';
import { NotFound } from './errors.ts';
import { newId, utcNow } from './rows.ts';

/** Whose data it is. */
export interface Kitchen {
	id: string;
	name: string;
	town: string;
	/** Street and number, as a label prints it. */
	address: string;
	timeZone: string;
	currency: string;
	rules: RulesName;
	/** Smallest step the kitchen's scale shows. */
	scaleDivision_g: number;
	/** The cups and spoons it measures with. */
	measureSet: MeasureSet;
}

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

/** The kitchen this installation serves: the first that was made. */
export async function theKitchen(db: Database): Promise<Kitchen> {
	const row = (await db('kitchens').orderBy('id').first(COLUMNS)) as Kitchen | undefined;
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
	return new Intl.DateTimeFormat('en-CA', { timeZone: kitchen.timeZone }).format(new Date());
}
