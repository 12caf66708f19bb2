import type { Database } from '../connection.ts';
import { newId } from '../../rows.ts';

type Name = 'Wren' | 'Pim' | 'Sorrel';

/** On which of the demo's devices each works. */
const ON: Record<Name, string> = { Wren: 'Wren’s laptop', Pim: 'Griddle tablet', Sorrel: 'Stall phone' };

/** The demo's devices. None has a token: no browser is one of them. */
export async function addDemoDevices(db: Database, kitchenId: string, at: string): Promise<void> {
	const owner = await db('memberships').where({ kitchen_id: kitchenId, name: 'Wren' }).first('id');
	await db('devices').insert(
		Object.values(ON).map((name) => ({
			id: newId(),
			kitchen_id: kitchenId,
			name,
			kind: name === ON.Pim ? 'shared' : 'own',
			membership_id: owner?.id ?? null,
			created_at: at
		}))
	);
}

/** What was done, and to what. */
interface Done {
	what: string;
	path: string;
	ofWhat: string;
}

/** From now on in this transaction it is somebody of the demo who did it, at a time of the past. */
export async function did(
	db: Database,
	kitchenId: string,
	name: Name,
	at: string,
	{ what, path, ofWhat }: Done
): Promise<void> {
	const [member, device] = await Promise.all([
		db('memberships').where({ kitchen_id: kitchenId, name }).first('id'),
		db('devices').where({ kitchen_id: kitchenId, name: ON[name] }).first('id')
	]);
	const id = newId();
	await db('deeds').insert({
		id,
		kitchen_id: kitchenId,
		membership_id: member?.id ?? '',
		device_id: device?.id ?? null,
		done_at: at,
		what,
		path,
		of_what: ofWhat
	});
	await db.raw('SET @deed = ?', [id]);
}

/** What comes next is nobody's. */
export async function didNothing(db: Database): Promise<void> {
	await db.raw('SET @deed = NULL');
}
