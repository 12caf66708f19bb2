import type { Part } from '$core/formula/types.ts';
import type { Composition } from '$core/composition/nutrients.ts';
import { addComposition } from '../../compositions.ts';
import { addIngredient } from '../../ingredients.ts';
import { setMeasures } from '../../measures.ts';
import { writePrice } from '../../prices.ts';
import { referenceRows } from '../../reference/read.ts';
import type { Database } from '../connection.ts';
import { addDays, WEEKS } from './days.ts';

interface DemoIngredient {
	key: string;
	reference: string;
	name: string;
	/** Evidence the allergens were confirmed by; absent leaves them unconfirmed. */
	evidence?: string;
	parts?: Part[];
	/** Packs bought: days before today, amount, grams, usable share. */
	packs: [daysAgo: number, amount: string, grams: number, usable?: number][];
	supplier: string;
}

const OLDEST = WEEKS * 7 + 14;

const SHELF: DemoIngredient[] = [
	{
		key: 'atta',
		reference: 'flour-atta',
		name: 'Atta, stone-ground',
		evidence: 'pack',
		packs: [
			[OLDEST, '14.80', 9072],
			[40, '15.20', 9072]
		],
		supplier: 'Mill Lane Stores'
	},
	{
		key: 'bread',
		reference: 'flour-bread-enriched',
		name: 'Bread flour, enriched',
		evidence: 'pack',
		packs: [
			[OLDEST, '24.50', 22680],
			[33, '29.40', 22680]
		],
		supplier: 'Mill Lane Stores'
	},
	{
		key: 'plain',
		reference: 'flour-ap-enriched',
		name: 'All-purpose flour, enriched',
		evidence: 'pack',
		packs: [
			[OLDEST, '21.40', 22680],
			[33, '23.10', 22680]
		],
		supplier: 'Mill Lane Stores'
	},
	{
		key: 'masa',
		reference: 'masa-harina-enriched',
		name: 'Masa harina, enriched',
		evidence: 'pack',
		packs: [[OLDEST, '23.90', 10000]],
		supplier: 'Mill Lane Stores'
	},
	{
		key: 'oat',
		reference: 'flour-oat',
		name: 'Oat flour, toasted',
		evidence: 'specification',
		packs: [[OLDEST, '9.90', 2270]],
		supplier: 'Mill Lane Stores'
	},
	{
		key: 'water',
		reference: 'water',
		name: 'Water',
		evidence: 'tap water',
		packs: [[OLDEST, '0', 1000]],
		supplier: 'tap'
	},
	{
		key: 'salt',
		reference: 'salt',
		name: 'Salt',
		evidence: 'pack',
		packs: [[OLDEST, '1.49', 1360]],
		supplier: 'Corner shop'
	},
	{
		key: 'yeast',
		reference: 'yeast-dry',
		name: 'Dry yeast',
		evidence: 'pack',
		packs: [[OLDEST, '7.90', 907]],
		supplier: 'Mill Lane Stores'
	},
	{
		key: 'powder',
		reference: 'baking-powder-phosphate',
		name: 'Baking powder',
		evidence: 'pack',
		parts: ['monocalcium phosphate', 'sodium bicarbonate', 'cornstarch'].map((name) => ({ name, parts: [] })),
		packs: [[OLDEST, '8.40', 1360]],
		supplier: 'Corner shop'
	},
	{
		key: 'beet',
		reference: 'beet',
		name: 'Beetroot, grated',
		evidence: 'whole vegetable',
		packs: [
			[OLDEST, '5.60', 2270, 0.86],
			[26, '6.10', 2270, 0.86]
		],
		supplier: 'Saturday market'
	},
	{
		key: 'cumin',
		reference: 'cumin',
		name: 'Cumin seed, loose',
		evidence: 'asked at the counter',
		packs: [[OLDEST, '8.20', 454]],
		supplier: 'Spice counter'
	},
	{
		key: 'canola',
		reference: 'oil-canola',
		name: 'Canola oil',
		evidence: 'pack',
		packs: [[OLDEST, '12.90', 4355]],
		supplier: 'Corner shop'
	},
	{
		key: 'avocado',
		reference: 'oil-avocado',
		name: 'Avocado oil',
		evidence: 'pack',
		packs: [[OLDEST, '19.50', 1830]],
		supplier: 'Corner shop'
	},
	{
		key: 'olive',
		reference: 'oil-olive',
		name: 'Olive oil',
		evidence: 'pack',
		packs: [[OLDEST, '26.00', 2750]],
		supplier: 'Corner shop'
	},
	{
		key: 'honey',
		reference: 'honey',
		name: 'Honey',
		evidence: 'pack',
		packs: [[OLDEST, '13.20', 1360]],
		supplier: 'Saturday market'
	},
	{
		key: 'ghee',
		reference: 'ghee',
		name: 'Ghee',
		evidence: 'pack',
		packs: [[OLDEST, '21.50', 1600]],
		supplier: 'Spice counter'
	},
	{
		key: 'sesame',
		reference: 'sesame-seed',
		name: 'Sesame seed',
		evidence: 'pack',
		packs: [[OLDEST, '7.80', 900]],
		supplier: 'Spice counter'
	}
];

/** As the first mill's pack had it, its sugars too. */
const FIRST_MASA = (per100g: Composition) =>
	({
		per100g: { ...per100g, sugars_g: 1.6 },
		source: 'pack',
		sourceNote: 'a 2 kg pack of the first mill'
	}) as const;

/** Another sack of cumin, and of masa: nobody has asked about the one, and the pack of the other says less. */
export async function changeOfSacks(
	db: Database,
	kitchenId: string,
	of: (key: string) => string
): Promise<void> {
	await db('ingredients')
		.where({ kitchen_id: kitchenId, id: of('cumin') })
		.update({ allergens_confirmed_on: null, allergens_evidence: '' });
	const row = referenceRows().get('masa-harina-enriched');
	if (!row) throw new Error('no reference row of masa harina');
	await addComposition(db, kitchenId, of('masa'), {
		per100g: row.per100g,
		source: 'reference',
		sourceNote: row.source
	});
}

/** Fills the shelf from the reference rows; ingredient ids by the demo's own short keys. */
export async function loadShelf(
	db: Database,
	kitchenId: string,
	today: string
): Promise<Map<string, string>> {
	const reference = referenceRows();
	const ids = new Map<string, string>();
	for (const item of SHELF) {
		const row = reference.get(item.reference);
		if (!row) throw new Error(`no reference row ${item.reference}`);
		const id = await addIngredient(db, kitchenId, {
			name: item.name,
			kind: row.kind,
			labelUs: item.parts ? row.labelUs.replace(/ \(.*$/, '') : row.labelUs,
			// The parts print after the name, so the name does not list them too.
			labelEu: item.parts ? row.labelEu.replace(/ \(.*$/, '') : row.labelEu,
			parts: item.parts ?? [],
			allergens: row.allergens,
			confirmedOn: item.evidence ? addDays(today, -OLDEST) : null,
			evidence: item.evidence ?? '',
			...(item.key === 'masa'
				? FIRST_MASA(row.per100g)
				: { per100g: row.per100g, source: 'reference', sourceNote: row.source }),
			referenceId: row.id
		});
		await setMeasures(db, kitchenId, id, row.measures, 'reference');
		ids.set(item.key, id);
		for (const [daysAgo, amount, grams, usable] of item.packs)
			await writePrice(db, kitchenId, id, {
				amount,
				grams,
				usable: usable ?? 1,
				boughtOn: addDays(today, -daysAgo),
				supplier: item.supplier
			});
	}
	return ids;
}
