import type { LabelDesign } from '$core/label/content.ts';
import { EXAMPLE_PROFILES } from '$core/profile/examples.ts';
import { saveProfile } from '../../profiles.ts';
import { getFormula } from '../../formulas/read.ts';
import type { Kitchen } from '../../../kitchen/types.ts';
import { approveLabel } from '../../labels/approve.ts';
import { getLabel } from '../../labels/read.ts';
import { saveLabel } from '../../labels/save.ts';
import type { Database } from '../connection.ts';

/** Words of the demo's labels, by product. */
const WORDS: Record<string, Partial<LabelDesign>> = {
	'Toasted-oat pita': {
		storage: 'Keep closed, cool and dry.',
		bestBeforeDays: 4,
		shelfLifeTest: 'three packs kept 6 days at 21 °C in the bag, looked at and tasted daily: good to day 5',
		food: 'flatbread without filling'
	},
	'Beet and cumin roti': {
		storage: 'Keep closed, cool and dry.',
		bestBeforeDays: 3,
		shelfLifeTest: 'two packs kept 5 days at 21 °C in the bag, looked at and tasted daily: good to day 4',
		food: 'flatbread without filling'
	},
	'Half-and-half tortilla': {
		storage: 'Keep closed, cool and dry.',
		bestBeforeDays: 5,
		shelfLifeTest: 'three packs kept 7 days at 21 °C in the bag, looked at and tasted daily: good to day 6',
		food: 'tortilla'
	},
	'Sesame layered flatbread': {
		storage: 'Keep chilled at 4 °C or below.',
		finishing: 'Warm both sides on a hot dry griddle before eating.',
		bestBeforeDays: 5,
		shelfLifeTest: 'two packs kept 7 days at 4 °C, looked at and tasted daily: good to day 6',
		food: 'flatbread without filling'
	}
};

/** Notes what the demo kitchen's made-up authority asks. */
export async function noteDemoProfile(db: Database, kitchen: Kitchen): Promise<void> {
	const [example] = EXAMPLE_PROFILES;
	if (!example) throw new Error('no example profile');
	await saveProfile(db, kitchen.id, 0, {
		...example.profile,
		permit: '24-0117',
		answers: {
			foods:
				'Butter and ghee may be brushed on or layered; cheese and cooked fillings may not. Counter, first visit.',
			limit: 'Sales at the market and from the door both count. Same visit.'
		}
	});
}

/** Saves a product's label as its maker would and approves it on a day. */
export async function approveDemoLabel(
	db: Database,
	kitchen: Kitchen,
	formulaId: string,
	day: string
): Promise<void> {
	const formula = await getFormula(db, kitchen.id, formulaId);
	const productId = formula.products[0]?.id ?? '';
	const { design, recommended, version } = await getLabel(db, kitchen, productId);
	await saveLabel(db, kitchen, productId, version, {
		...design,
		...WORDS[formula.name],
		face_mm: { width_mm: 200, height_mm: 230 },
		declared_g: recommended?.declared_g ?? null
	});
	await approveLabel(db, kitchen, productId, version + 1, `${day} 18:00:00.000`);
}
