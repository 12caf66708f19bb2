import type { Choices } from '../formula/process.ts';
import type { Text } from '../drawing/shapes.ts';
import type { Recipe } from '../formula/types.ts';
import { labelBlocks, shelfLifeBlocks } from '../label/blocks.ts';
import { labelContent, type LabelContext, type LabelDesign } from '../label/content.ts';
import type { LocalProfile } from '../profile/profile.ts';
import { dough, factsOf, flour, type Given, ingredient, per100g, recipe, water } from './recipe.ts';

export const butter = ingredient('butter', {
	name: 'Butter',
	kind: 'dairy',
	label: { us: 'butter (milk, salt)', eu: 'butter (milk)' },
	per100g: per100g({ water_g: 16, fat_g: 82, saturates_g: 51, energy_kcal: 745 }),
	allergens: ['milk']
});

/** A plain roti with butter, all of it known. */
export const given = (more: Given = {}): Recipe =>
	recipe({
		ingredients: [flour, water, butter],
		formula: { name: 'x', lines: [dough('flour', 1000), dough('water', 550), dough('butter', 50)] },
		batch: { finishedWeights_g: [42] },
		pack: { pieces: 8, materials: [] },
		...more
	});

/** Its label's design, changed as said. */
export const design = (more: Partial<LabelDesign> = {}): LabelDesign => ({
	name: 'Plain butter roti',
	declared_g: 330,
	wording: {},
	storage: 'Keep cool and dry.',
	finishing: '',
	maker: 'Tansy Row Flatbreads',
	address: '3 Tansy Row, Oxlip Ferry',
	localSentence: '',
	food: '',
	leavePanelOut: false,
	face_mm: { width_mm: 160, height_mm: 180 },
	packArea_cm2: null,
	barcode: '',
	bestBeforeDays: 5,
	dateKind: null,
	defrosted: null,
	shelfLifeTest: 'kept 7 days at 21 °C, no mould, tasted on each',
	price: '',
	size: { width_mm: 127, height_mm: 125 },
	format: 'vertical',
	...more
});

/** What keeps a label from being approved. */
export const blocksOf = (
	of: Recipe,
	more: Partial<LabelDesign> = {},
	profile: LocalProfile | null = null,
	choices: Choices = {}
) => [
	...labelBlocks(of, factsOf(of), design(more), profile, choices),
	...shelfLifeBlocks(design(more), null)
];
/** What a label says. */
export const contentOf = (of: Recipe, more: Partial<LabelDesign> = {}, around: Partial<LabelContext> = {}) =>
	labelContent(of.rules, factsOf(of), of.product, design(more), {
		mayContain: [],
		profile: null,
		bars: null,
		...around
	});
/** The texts among shapes. */
export const textsOf = (shapes: { kind: string }[]) =>
	shapes.filter((shape): shape is Text => shape.kind === 'text');
