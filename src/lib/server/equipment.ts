import type { ToolKind } from '$core/planning/making.ts';
import { toolKindOf } from '../kitchen/tool-kind.ts';
import type { Equipment } from '../kitchen/types.ts';
import type { Database } from './db/connection.ts';
import { known } from './db/known.ts';
import { insertOnce } from './db/once.ts';
import { isDuplicate, NotFound, refuse } from './errors.ts';
import { newId, toNumber, utcNow } from './rows.ts';
import { inTransaction } from './db/transaction.ts';

/** The kitchen's equipment by name, what is retired too. */
export async function listEquipment(db: Database, kitchenId: string): Promise<Equipment[]> {
	const rows = await known(db, kitchenId, 'equipment', () =>
		db('equipment').where('kitchen_id', kitchenId).orderBy('name')
	);
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		tare_g: toNumber(row.tare_g),
		power_kw: toNumber(row.power_kw),
		kind: row.kind as ToolKind,
		places: row.places,
		capacity_g: toNumber(row.capacity_g),
		retired: row.retired_at !== null
	}));
}

/** Adds a piece of equipment, or takes one of that name back into use; its id. */
export async function addEquipment(
	db: Database,
	kitchenId: string,
	name: string,
	tare_g: number | null = null,
	id = newId()
): Promise<string> {
	try {
		await insertOnce(db, 'equipment', {
			id,
			kitchen_id: kitchenId,
			name,
			tare_g,
			kind: toolKindOf(name),
			created_at: utcNow()
		});
		return id;
	} catch (error) {
		if (!isDuplicate(error)) throw error;
	}
	const row = await db('equipment').where({ kitchen_id: kitchenId, name }).first();
	if (!row) throw new NotFound('this equipment is not here');
	if (row.retired_at === null) refuse('name', `there is a "${name}" already`);
	await inTransaction(db, (transaction) =>
		transaction('equipment').where({ kitchen_id: kitchenId, id: row.id }).update({ retired_at: null, tare_g })
	);
	return row.id;
}

/** Remembers the empty weight of a piece of equipment; null forgets it. Throws `NotFound`. */
export async function rememberTare(
	db: Database,
	kitchenId: string,
	id: string,
	tare_g: number | null
): Promise<void> {
	const known = await db('equipment').where({ kitchen_id: kitchenId, id }).first('id');
	if (!known) throw new NotFound('this equipment is not here');
	await inTransaction(db, (transaction) =>
		transaction('equipment').where({ kitchen_id: kitchenId, id }).update({ tare_g })
	);
}

/** Says what a piece of equipment draws while it heats; null where it does not. Throws `NotFound`. */
export async function setPower(
	db: Database,
	kitchenId: string,
	id: string,
	power_kw: number | null
): Promise<void> {
	const known = await db('equipment').where({ kitchen_id: kitchenId, id }).first('id');
	if (!known) throw new NotFound('this equipment is not here');
	await inTransaction(db, (transaction) =>
		transaction('equipment').where({ kitchen_id: kitchenId, id }).update({ power_kw })
	);
}

/** What a plan goes by of a piece of equipment. */
export interface ToolFigures {
	kind: ToolKind;
	places: number;
	capacity_g: number | null;
}

/** Says what a piece of equipment is, and how much is in or on it at once. Throws `NotFound`. */
export async function setTool(
	db: Database,
	kitchenId: string,
	id: string,
	{ kind, places, capacity_g }: ToolFigures
): Promise<void> {
	const known = await db('equipment').where({ kitchen_id: kitchenId, id }).first('id');
	if (!known) throw new NotFound('this equipment is not here');
	await inTransaction(db, (transaction) =>
		transaction('equipment').where({ kitchen_id: kitchenId, id }).update({ kind, places, capacity_g })
	);
}

/** Takes a piece of equipment out of use. Throws `NotFound`. */
export async function retireEquipment(db: Database, kitchenId: string, id: string): Promise<void> {
	const changed = await inTransaction(db, (transaction) =>
		transaction('equipment').where({ kitchen_id: kitchenId, id }).update({ retired_at: utcNow() })
	);
	if (changed === 0) throw new NotFound('this equipment is not here');
}
