import { SPREAD_INPUTS } from '../../../src/lib/sure/spreads.ts';
import { profileDraft } from '../../../src/lib/kitchen/profile-draft.ts';
import { addRisk } from '../../../src/lib/server/contact/risks.ts';
import { addFamily } from '../../../src/lib/server/families.ts';
import { getKitchen } from '../../../src/lib/server/kitchens.ts';
import { setOwnMeasure } from '../../../src/lib/server/own-measures.ts';
import { getProfile } from '../../../src/lib/server/profiles.ts';
import { newId } from '../../../src/lib/server/rows.ts';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

/** Forms of `/kitchen`. */
export function kitchenForms({
	of,
	day,
	fresh,
	equipment,
	other,
	db,
	kitchen
}: Subjects): Record<string, Making> {
	/** Spreads that were assumed otherwise the last time. */
	let said = 0;
	return {
		'/kitchen settings': async () => {
			const now = await getKitchen(db, kitchen.id);
			const {
				version,
				name,
				town,
				address,
				rules,
				measureSet,
				scaleDivision_g,
				locale,
				weekStarts,
				sellsShort
			} = now;
			return {
				draft: {
					version,
					name,
					town,
					address,
					rules,
					measureSet,
					scaleDivision: String(scaleDivision_g),
					locale,
					weekStarts: String(weekStarts),
					sellsShort
				}
			};
		},
		'/kitchen family': async () => ({
			draft: {
				name: fresh('Flat'),
				windows: [{ key: 'hydration', low: '50', high: '60', below: '', above: '' }]
			}
		}),
		'/kitchen removeFamily': async () => ({
			draft: { id: await addFamily(db, kitchen.id, { name: fresh('Gone'), windows: {} }) }
		}),
		'/kitchen equipment': async () => ({
			isNew: true,
			draft: { id: newId(), name: fresh('Tray'), tare: '120' }
		}),
		'/kitchen retire': async () => ({ draft: { id: await equipment() } }),
		'/kitchen risk': async () => ({
			isNew: true,
			draft: { id: newId(), allergen: 'lupin', why: fresh('eaten at home') }
		}),
		'/kitchen endRisk': async () => ({
			draft: { id: await addRisk(db, kitchen.id, { allergen: 'egg', why: fresh('once') }) }
		}),
		'/kitchen measure': async () => ({
			draft: { name: fresh('mug'), kind: other() % 2 === 0 ? '' : 'flour', amount: '180' }
		}),
		'/kitchen removeMeasure': async () => {
			const name = fresh('gone mug');
			await setOwnMeasure(db, kitchen.id, { name, kind: null, millilitres: 180, grams: null });
			return { draft: { name, kind: '' } };
		},
		'/kitchen forget': async () => ({ draft: { name: fresh('white powder') } }),
		'/kitchen/unreadable letGo': async () => {
			const id = await addFamily(db, kitchen.id, { name: fresh('Spoilt'), windows: {} });
			await db('families')
				.where({ ...of, id })
				.update({ windows: '[]' });
			return { draft: { table: 'families', column: 'windows', id } };
		},
		'/kitchen/profile save': async () => {
			const { profile, version } = await getProfile(db, kitchen.id);
			return { draft: profileDraft(kitchen.id, version, profile) };
		},
		'/kitchen/spreads save': () => {
			// One more each time: what is saved is in the place of what was.
			said = (said % SPREAD_INPUTS.length) + 1;
			const of = (words: string) =>
				Object.fromEntries(SPREAD_INPUTS.map((input, at) => [input, at < said ? words : '']));
			return Promise.resolve({ draft: { spreads: of('8'), notes: of('three analyses') } });
		},
		'/kitchen/costs rates': async () => ({
			isNew: true,
			draft: { id: newId(), validFrom: day, tariff: '0.21', labour: '14.00' }
		}),
		'/kitchen/costs power': async () => ({ draft: { power: [{ id: await equipment(), kw: '1.5' }] } }),
		'/kitchen/costs fee': async () => ({
			isNew: true,
			draft: { id: newId(), channel: fresh('Fair'), validFrom: day, perDay: '12.00', share: '5' }
		}),
		'/kitchen/data open': async () => ({ draft: { id: kitchen.id } }),
		'/kitchen/data begin': async () => ({
			isNew: true,
			draft: {
				id: newId(),
				name: fresh('Second kitchen'),
				town: '',
				address: '',
				timeZone: 'UTC',
				currency: 'USD',
				rules: 'us',
				measureSet: 'us',
				scaleDivision: '1',
				locale: 'en-GB',
				weekStarts: '1',
				sellsShort: false
			}
		})
	};
}
