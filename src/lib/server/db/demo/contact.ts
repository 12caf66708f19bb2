import { sourceKey } from '$core/allergens/contact.ts';
import { recordCleans } from '../../contact/cleans.ts';
import { decide } from '../../contact/decide.ts';
import { addRisk } from '../../contact/risks.ts';
import { addEquipment, setTool, type ToolFigures } from '../../equipment.ts';
import { getFormula } from '../../formulas/read.ts';
import type { Kitchen } from '../../../kitchen/types.ts';
import { getLabel } from '../../labels/read.ts';
import { newId } from '../../rows.ts';
import type { Database } from '../connection.ts';
import { DEMO_EQUIPMENT, type DemoEquipment } from './products.ts';

/** Of the large bowl, empty. */
const BOWL_G = 1180;

/** What a plan goes by: two on a griddle at a time, six on the stone, three or six kilograms of dough in a bowl. */
const TOOLS: Record<DemoEquipment, ToolFigures> = {
	'Large bowl': { kind: 'bowl', places: 1, capacity_g: 6000 },
	'Small bowl': { kind: 'bowl', places: 1, capacity_g: 3000 },
	Griddle: { kind: 'griddle', places: 2, capacity_g: null },
	'Second griddle': { kind: 'griddle', places: 2, capacity_g: null },
	Oven: { kind: 'oven', places: 6, capacity_g: null },
	'Board and pin': { kind: 'board', places: 1, capacity_g: null },
	Press: { kind: 'board', places: 1, capacity_g: null },
	'Marble slab': { kind: 'board', places: 1, capacity_g: null },
	Fridge: { kind: 'fridge', places: 1, capacity_g: 20_000 }
};

/** The demo kitchen's equipment, by name. */
export interface DemoContact {
	equipment: (name: DemoEquipment) => string;
}

/** Equips the demo kitchen and notes what is always about in it. */
export async function equipDemo(db: Database, kitchen: Kitchen): Promise<DemoContact> {
	const ids = new Map<DemoEquipment, string>();
	for (const name of DEMO_EQUIPMENT)
		ids.set(name, await addEquipment(db, kitchen.id, name, name === 'Large bowl' ? BOWL_G : null));
	for (const [name, figures] of Object.entries(TOOLS)) {
		const id = ids.get(name as DemoEquipment);
		if (id) await setTool(db, kitchen.id, id, figures);
	}
	await addRisk(db, kitchen.id, {
		allergen: 'sesame',
		why: 'seed is sprinkled in the same small room, and some is always on the bench'
	});
	return { equipment: (name) => ids.get(name) ?? '' };
}

/** The clean of a baking day between the buttered roti and the pita; once the board was forgotten. */
export async function cleanAtNoon(
	db: Database,
	kitchen: Kitchen,
	day: string,
	{ equipment }: DemoContact,
	boardForgotten: boolean
): Promise<void> {
	const cleaned: DemoEquipment[] = ['Large bowl', 'Griddle'];
	if (!boardForgotten) cleaned.push('Board and pin');
	await recordCleans(db, kitchen.id, newId(), {
		equipment: cleaned.map(equipment),
		cleanedOn: day,
		at: '11:45',
		how: 'washed with detergent, rinsed, dried with paper'
	});
}

/** Says on a product's label what is always about, where its maker has decided so. */
export async function acceptSesame(db: Database, kitchen: Kitchen, formulaId: string): Promise<void> {
	const { products } = await getFormula(db, kitchen.id, formulaId);
	const productId = products[0]?.id ?? '';
	const { contact } = await getLabel(db, kitchen, productId);
	for (const { allergen, source } of contact.open.filter((each) => each.source.kind === 'kitchen'))
		await decide(db, kitchen.id, productId, contact, {
			allergen,
			answer: 'accepted',
			source: sourceKey(source),
			reason: 'seed cannot be kept out of a room this size'
		});
}
