import { beforeAll, describe, expect, it } from 'vitest';
import { anotherKitchen } from '../../scripts/lib/another-kitchen.ts';
import { idsOfKitchen, stateOfKitchen } from '../../scripts/lib/kitchen-state.ts';
import { soundForms } from '../../scripts/lib/sound-forms/index.ts';
import type { SoundForm } from '../../scripts/lib/sound-forms/form.ts';
import { readArchive } from '$lib/server/archive/read.ts';
import { restoreKitchen } from '$lib/server/archive/restore.ts';
import { writeArchive } from '$lib/server/archive/write.ts';
import { askJob } from '$lib/server/jobs/jobs.ts';
import { letDeviceIn } from '$lib/server/people/devices.ts';
import { join } from '$lib/server/people/memberships.ts';
import { makePerson } from '$lib/server/people/persons.ts';
import { newToken } from '$lib/server/people/secrets.ts';
import { newId } from '$lib/server/rows.ts';
import type { Kitchen } from '../../src/lib/kitchen/types.ts';
import type { Who } from '../../src/lib/people/types.ts';
import { demoLoaded, useBench, wrenOf } from './kitchen.ts';
import { sendForm } from './send-form.ts';

/**
 * Wren owns the demo's kitchen and sends each form as she would, but for one id in it, which is of another kitchen that
 * has the very same things: whatever the field is for, and whether the form changes something or makes it.
 */
const bench = useBench();
const ID = /^[0-9A-HJKMNP-TV-Z]{26}$/;
let kitchen: Kitchen;
let who: Who;
let making: ReturnType<typeof soundForms>;
let victim = '';
/** Ids of the other kitchen, some of each table. */
const theirs = new Map<string, string[]>();
const tableOf = new Map<string, string>();

beforeAll(async () => {
	kitchen = await demoLoaded(bench.db);
	who = await wrenOf(bench.db, kitchen.id);
	const bytes = await new Response(writeArchive(bench.db, kitchen, new Date())).arrayBuffer();
	victim = await restoreKitchen(bench.db, await readArchive(anotherKitchen(new Uint8Array(bytes))));
	const personId = await makePerson(bench.db, {
		name: 'Marjoram',
		login: 'marjoram',
		password: 'three plain words'
	});
	const membershipId = await join(bench.db, victim, {
		personId,
		name: 'Marjoram',
		role: 'owner',
		span: null
	});
	await letDeviceIn(bench.db, victim, { token: newToken(), name: 'theirs', kind: 'own', membershipId });
	await askJob(bench.db, {
		id: newId(),
		kitchenId: victim,
		personId,
		kind: 'archive',
		name: 'theirs',
		asked: { withCustomers: true }
	});
	for (const [table, ids] of await idsOfKitchen(bench.db, victim)) theirs.set(table, ids);
	theirs.set('persons', [personId]);
	making = soundForms(bench.db, kitchen);
}, 180_000);

const stateOfTheirs = () => stateOfKitchen(bench.db, victim);

/** The table an id of one's own is of; '' of a key that nothing has yet. */
async function ownTable(id: string): Promise<string> {
	if (tableOf.has(id)) return tableOf.get(id) ?? '';
	for (const table of theirs.keys()) {
		if (
			!(await bench
				.db(table as 'lots')
				.where('id', id)
				.first('id'))
		)
			continue;
		tableOf.set(id, table);
		return table;
	}
	return '';
}

type Put = (value: string) => SoundForm;

/** Every place of a form that holds an id, each with the form as it is with another there. */
function placesOf(sound: SoundForm): { id: string; put: Put }[] {
	const places: { id: string; put: Put }[] = [];
	if (sound.id !== undefined && ID.test(sound.id))
		places.push({ id: sound.id, put: (value) => ({ ...sound, id: value }) });
	const visit = (value: unknown, path: string[]) => {
		if (typeof value === 'string' && ID.test(value)) {
			places.push({
				id: value,
				put: (other) => {
					const copy = structuredClone({ draft: sound.draft, fields: sound.fields }) as Record<
						string,
						unknown
					>;
					let holder = copy;
					for (const key of path.slice(0, -1)) holder = holder[key] as Record<string, unknown>;
					holder[path.at(-1) ?? ''] = other;
					return { ...sound, ...copy } as SoundForm;
				}
			});
		} else if (typeof value === 'object' && value !== null)
			for (const [key, inner] of Object.entries(value)) visit(inner, [...path, key]);
	};
	visit({ draft: sound.draft, fields: sound.fields }, []);
	return places;
}

/** What a key that is new is tried with: something of each kind the other kitchen has that is begun with a key. */
const BEGUN = [
	'kitchens',
	'batches',
	'formulas',
	'ingredients',
	'lots',
	'orders',
	'sales',
	'cleans',
	'equipment',
	'price_packs',
	'jobs',
	'memberships',
	'deeds'
];

const FORMS = Object.keys(soundForms(undefined as never, {} as never));

describe('an id of another kitchen, in each place of each form', () => {
	it.each(FORMS)(
		'%s',
		async (form) => {
			const first = await making[form]?.();
			if (!first) throw new Error(`no sound ${form}`);
			const before = await stateOfTheirs();
			const wrong: string[] = [];
			for (const [at, { id }] of placesOf(first).entries()) {
				const table = await ownTable(id);
				const tried =
					table === ''
						? BEGUN.flatMap((each) => theirs.get(each)?.slice(0, 1) ?? [])
						: (theirs.get(table) ?? []);
				for (const other of tried.slice(0, table === '' ? undefined : 1)) {
					const place = placesOf((await making[form]?.()) ?? {})[at];
					if (!place) continue;
					const answer = await sendForm({ db: bench.db, kitchen, who }, form, place.put(other));
					if (answer.startsWith('thrown') && !/"status":404/.test(answer))
						wrong.push(`${at} ${table}: ${answer}`);
				}
			}
			expect(wrong).toEqual([]);
			expect(await stateOfTheirs()).toEqual(before);
			// Nobody of here is in there, and nothing there became practice of here.
			const hers = { kitchen_id: victim, person_id: who.personId };
			expect(await bench.db('memberships').where(hers).first('id')).toBeUndefined();
		},
		60_000
	);
});

describe('a key that another has', () => {
	it('makes nothing, takes nothing over and tells nothing, whoever sends it', async () => {
		const before = await stateOfTheirs();
		const begin = { draft: { ...((await making['/practice begin']?.())?.draft as object), id: victim } };
		expect(await sendForm({ db: bench.db, kitchen, who }, '/practice begin', begin)).toMatch(
			/^400 .*begun before/
		);
		const another = {
			draft: { ...((await making['/kitchen/data begin']?.())?.draft as object), id: victim }
		};
		expect(await sendForm({ db: bench.db, kitchen, who }, '/kitchen/data begin', another)).toMatch(
			/^400 .*begun before/
		);
		expect(await stateOfTheirs()).toEqual(before);
		expect(await bench.db('sessions').where('practice_id', victim).first('id')).toBeUndefined();
	});

	it('of the same kitchen, sent by somebody else, is not theirs', async () => {
		const sound = (await making['/batches/new default']?.()) ?? {};
		expect(await sendForm({ db: bench.db, kitchen, who }, '/batches/new default', sound)).toBe('done');
		const pim = await bench.db('persons').where('name', 'Pim').first('id');
		const other = { ...who, personId: pim?.id ?? '' };
		expect(await sendForm({ db: bench.db, kitchen, who }, '/batches/new default', sound)).toBe('done');
		expect(await sendForm({ db: bench.db, kitchen, who: other }, '/batches/new default', sound)).toMatch(
			/^400/
		);
	});

	it('is no way to make a kitchen one of practice: the database holds it', async () => {
		await expect(
			bench.db('kitchens').where('id', victim).update({ practice_of: kitchen.id })
		).rejects.toThrow(/practice from the beginning/);
	});
});
