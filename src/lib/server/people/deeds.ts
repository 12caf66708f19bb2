import type { Database } from '../db/connection.ts';

/** Something somebody did. */
export interface Deed {
	id: string;
	at: string;
	name: string;
	device: string;
	what: string;
	ofWhat: string;
	path: string;
	/** Of coming in, and of trying to: the address it was from; else ''. */
	fromWhere: string;
}

/** Which deeds are looked for. */
export interface DeedsAsked {
	/** Of one membership; '' for all. */
	by: string;
	device: string;
	/** Days of the kitchen; '' for without end. */
	from: string;
	to: string;
	/** Words in what was done and to what. */
	words: string;
}

/** So many are shown at once, and so many given out in one file. */
export const DEEDS_AT_ONCE = 100;
const MOST_GIVEN = 50_000;

interface DeedRow {
	id: string;
	at: string;
	name: string;
	device: string | null;
	what: string;
	of_what: string;
	path: string;
	from_where: string;
}

const escaped = (words: string): string => words.replaceAll(/[\\%_]/g, String.raw`\$&`);

function asked(
	db: Database,
	kitchenId: string,
	of: DeedsAsked,
	bounds: { from: string | null; to: string | null }
) {
	const query = db('deeds as e')
		.join('memberships as m', 'm.id', 'e.membership_id')
		.leftJoin('devices as d', 'd.id', 'e.device_id')
		.where('e.kitchen_id', kitchenId)
		.orderBy('e.id', 'desc');
	if (of.by !== '') void query.where('e.membership_id', of.by);
	if (of.device !== '') void query.where('e.device_id', of.device);
	if (bounds.from !== null) void query.where('e.done_at', '>=', bounds.from);
	if (bounds.to !== null) void query.where('e.done_at', '<', bounds.to);
	if (of.words !== '') {
		const like = `%${escaped(of.words)}%`;
		void query.where((given) => {
			void given
				.where('e.what', 'like', like)
				.orWhere('e.of_what', 'like', like)
				.orWhere('m.name', 'like', like);
		});
	}
	return query.select<DeedRow[]>({
		id: 'e.id',
		at: 'e.done_at',
		name: 'm.name',
		device: 'd.name',
		what: 'e.what',
		of_what: 'e.of_what',
		path: 'e.path',
		from_where: 'e.from_where'
	});
}

const deedOf = (row: DeedRow): Deed => ({
	id: row.id,
	at: row.at,
	name: row.name,
	device: row.device ?? '',
	what: row.what,
	ofWhat: row.of_what,
	path: row.path,
	fromWhere: row.from_where
});

/** What was done in a kitchen, the newest first, after the one named where one is. `bounds` are moments in UTC. */
export async function listDeeds(
	db: Database,
	kitchenId: string,
	of: DeedsAsked,
	bounds: { from: string | null; to: string | null },
	before = ''
): Promise<Deed[]> {
	const query = asked(db, kitchenId, of, bounds);
	if (before !== '') void query.where('e.id', '<', before);
	return (await query.limit(DEEDS_AT_ONCE)).map(deedOf);
}

/** The same for a file, up to as many as one holds. */
export async function allDeeds(
	db: Database,
	kitchenId: string,
	of: DeedsAsked,
	bounds: { from: string | null; to: string | null }
): Promise<Deed[]> {
	return (await asked(db, kitchenId, of, bounds).limit(MOST_GIVEN)).map(deedOf);
}

/** Who did what a row says, by the deed it is of. */
export interface DoneBy {
	name: string;
	device: string;
}

/** Who did each of some deeds. */
export async function doneBy(
	db: Database,
	kitchenId: string,
	deedIds: readonly (string | null)[]
): Promise<Map<string, DoneBy>> {
	const ids = [...new Set(deedIds.filter((id) => id !== null))];
	if (ids.length === 0) return new Map();
	const rows = await db('deeds as e')
		.join('memberships as m', 'm.id', 'e.membership_id')
		.leftJoin('devices as d', 'd.id', 'e.device_id')
		.where('e.kitchen_id', kitchenId)
		.whereIn('e.id', ids)
		.select<{ of: string; by: string; device: string | null }[]>(
			'e.id as of',
			'm.name as by',
			'd.name as device'
		);
	return new Map(rows.map((row) => [row.of, { name: row.by, device: row.device ?? '' }]));
}

/** Tables of which each row says whose deed it is. */
type DoneTable = 'label_revisions' | 'lot_moves' | 'pack_checks' | 'price_packs' | 'sales' | 'till_counts';

/** Who did what some rows say, by the rows' ids; a row from before that was kept is not among them. */
export async function whoDid(
	db: Database,
	kitchenId: string,
	table: DoneTable,
	ids: readonly string[]
): Promise<Record<string, string>> {
	if (ids.length === 0) return {};
	const rows = await db('deeds as e')
		.join({ t: table }, 't.deed_id', 'e.id')
		.join('memberships as m', 'm.id', 'e.membership_id')
		.where('t.kitchen_id', kitchenId)
		.whereIn('t.id', ids)
		.select<{ of: string; by: string }[]>('t.id as of', 'm.name as by');
	return Object.fromEntries(rows.map((row) => [row.of, row.by]));
}

/** Who entered how much of a batch at the bench, the busiest first; entries from before that was kept are left out. */
export async function enteredBy(
	db: Database,
	kitchenId: string,
	batchId: string
): Promise<{ name: string; entries: number }[]> {
	const counts = new Map<string, number>();
	for (const table of ['weighings', 'batch_events'] as const) {
		const names = (await db(table)
			.join('deeds as e', 'e.id', `${table}.deed_id`)
			.join('memberships as m', 'm.id', 'e.membership_id')
			.where({ [`${table}.kitchen_id`]: kitchenId, [`${table}.batch_id`]: batchId })
			.pluck('m.name')) as string[];
		for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
	}
	return [...counts]
		.map(([name, entries]) => ({ name, entries }))
		.sort((a, b) => b.entries - a.entries || a.name.localeCompare(b.name));
}

/** Who closed a batch and who corrected it since, by the number of the closing. */
export async function closersOf(
	db: Database,
	kitchenId: string,
	batchId: string
): Promise<Record<number, string>> {
	const rows = await db('batch_closings as t')
		.join('deeds as e', 'e.id', 't.deed_id')
		.join('memberships as m', 'm.id', 'e.membership_id')
		.where({ 't.kitchen_id': kitchenId, 't.batch_id': batchId })
		.select<{ number: number; name: string }[]>({ number: 't.number', name: 'm.name' });
	return Object.fromEntries(rows.map(({ number, name }) => [number, name]));
}
