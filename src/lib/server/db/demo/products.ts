import { FAMILIES } from '$core/formula/families.ts';
import { processOf, type Choices, type Step } from '$core/formula/process.ts';
import type { Line, MixGap } from '$core/formula/types.ts';
import type { LineWords } from '../../../formula/types.ts';
import type { ProductInput } from '../../../formula/product.ts';

/** A line, with how it was said where somebody said it. */
export type DemoLine = Line & Partial<LineWords>;

/** A demo formula with the product made of it, and how its batches tend to turn out. */
export interface DemoProduct {
	name: string;
	mixGap: MixGap;
	family: string;
	choices: Choices;
	lines: (ingredient: (key: string) => string) => DemoLine[];
	/** Lines of the first weeks, before it was reformulated; null weeks: after the newest batch that was sold. */
	former?: { lines: (ingredient: (key: string) => string) => DemoLine[]; untilWeeksAgo: number | null };
	/**
	 * When its label was approved anew: after another formula, or since more batches bear out a higher declaration than
	 * the first one did.
	 */
	labelledAnewWeeksAgo: number;
	product: ProductInput;
	/** What it is made on, and when on a day of several. */
	equipment: DemoEquipment[];
	beganAt: string;
	/** When its equipment was free again. */
	usedUntil: string;
	cookLoss: number;
	ballSpread_g: number;
	/** Dough lost in the bowl or as steam, grams. */
	gap_g: number;
	madeMidweek: boolean;
	/** Minutes to roll or press and cook a piece, all in all. */
	piece_min: number;
}

/** Equipment of the demo kitchen. */
export const DEMO_EQUIPMENT = [
	'Large bowl',
	'Board and pin',
	'Press',
	'Griddle',
	'Oven',
	'Marble slab',
	'Second griddle',
	'Small bowl',
	'Fridge'
] as const;
export type DemoEquipment = (typeof DEMO_EQUIPMENT)[number];

const MATERIALS = [
	{ name: 'bag', cost: '0.11' },
	{ name: 'label', cost: '0.04' }
];

const roti =
	(salt_g: number) =>
	(of: (key: string) => string): DemoLine[] => [
		{ ingredient: of('atta'), use: 'dough', stage: 'Dry', used_g: 2060, uptake_g: null },
		{ ingredient: of('salt'), use: 'dough', stage: 'Dry', used_g: salt_g, uptake_g: null },
		{
			ingredient: of('cumin'),
			use: 'dough',
			stage: 'Dry',
			used_g: 15,
			uptake_g: null,
			said: '7 tsp cumin seed',
			low_g: 13.3,
			high_g: 16.8
		},
		{
			ingredient: of('beet'),
			use: 'dough',
			stage: 'Liquid',
			used_g: 370,
			uptake_g: null,
			said: '2 ¾ cups grated beetroot',
			low_g: 358,
			high_g: 399
		},
		{
			ingredient: of('water'),
			use: 'dough',
			stage: 'Liquid',
			used_g: 970,
			uptake_g: null,
			said: '1030 g warm water, keep 60 g back',
			note: 'by feel',
			most_g: 1030
		},
		{ ingredient: of('canola'), use: 'dough', stage: 'Fat', used_g: 62, uptake_g: null },
		{ ingredient: of('atta'), use: 'dusting', stage: 'On the board', used_g: 120, uptake_g: 55 },
		{ ingredient: of('ghee'), use: 'brushing', stage: 'On top', used_g: 90, uptake_g: 90 }
	];

const pita =
	(salt_g: number) =>
	(of: (key: string) => string): DemoLine[] => [
		{ ingredient: of('bread'), use: 'dough', stage: 'Dry', used_g: 1680, uptake_g: null },
		{ ingredient: of('oat'), use: 'dough', stage: 'Dry', used_g: 420, uptake_g: null },
		{
			ingredient: of('yeast'),
			use: 'dough',
			stage: 'Dry',
			used_g: 15,
			uptake_g: null,
			said: '2 packets dry yeast',
			low_g: 14,
			high_g: 14
		},
		{ ingredient: of('salt'), use: 'dough', stage: 'Dry', used_g: salt_g, uptake_g: null },
		{ ingredient: of('water'), use: 'dough', stage: 'Liquid', used_g: 1290, uptake_g: null },
		{
			ingredient: of('honey'),
			use: 'dough',
			stage: 'Liquid',
			used_g: 42,
			uptake_g: null,
			said: '2 tbsp honey',
			low_g: 41,
			high_g: 43
		},
		{ ingredient: of('olive'), use: 'dough', stage: 'Fat', used_g: 63, uptake_g: null },
		{ ingredient: of('bread'), use: 'dusting', stage: 'On the board', used_g: 80, uptake_g: 30 }
	];

/** With the fat that was there: once the oil had run out, and it was ghee. */
export const tortilla =
	(fat: 'avocado' | 'ghee') =>
	(of: (key: string) => string): DemoLine[] => [
		{ ingredient: of('masa'), use: 'dough', stage: 'Dry', used_g: 1000, uptake_g: null },
		{ ingredient: of('bread'), use: 'dough', stage: 'Dry', used_g: 1000, uptake_g: null },
		{
			ingredient: of('salt'),
			use: 'dough',
			stage: 'Dry',
			used_g: 30,
			uptake_g: null,
			said: '5 tsp salt',
			low_g: 27.5,
			high_g: 31.5
		},
		{
			ingredient: of(fat),
			use: 'dough',
			stage: 'Fat',
			used_g: 150,
			uptake_g: null,
			...(fat === 'avocado' ? { said: '⅔ cup avocado oil', low_g: 144, high_g: 146.7 } : {})
		},
		{
			ingredient: of('water'),
			use: 'dough',
			stage: 'Liquid',
			used_g: 1180,
			uptake_g: null,
			said: '5 cups warm water',
			note: '40 °C'
		},
		{
			ingredient: of('bread'),
			use: 'dusting',
			stage: 'On the board',
			used_g: 70,
			uptake_g: 36,
			said: 'handful of flour to dust'
		}
	];

export const DEMO_PRODUCTS: DemoProduct[] = [
	{
		name: 'Beet and cumin roti',
		family: 'roti',
		choices: { fat: 'liquid oil', cooking: 'griddle, finished on a flame' },
		mixGap: 'residue',
		lines: roti(31),
		former: { lines: roti(40), untilWeeksAgo: 7 },
		labelledAnewWeeksAgo: 7,
		product: {
			pieceOne: 'roti',
			pieceMany: 'roti',
			category: 'flatbread',
			ballWeight_g: 60,
			packPieces: 8,
			servingPieces: null,
			price: '6.50',
			materials: MATERIALS
		},
		equipment: ['Large bowl', 'Board and pin', 'Griddle'],
		beganAt: '09:30',
		usedUntil: '11:20',
		cookLoss: 0.165,
		ballSpread_g: 1.3,
		gap_g: 24,
		madeMidweek: true,
		piece_min: 0.7
	},
	{
		name: 'Toasted-oat pita',
		family: 'pita',
		choices: { leavening: 'yeast', fat: 'liquid oil', cooking: 'oven' },
		mixGap: 'residue',
		lines: pita(36),
		// The label approved before this says more sodium than the next pita will hold.
		former: { lines: pita(42), untilWeeksAgo: null },
		labelledAnewWeeksAgo: 6,
		product: {
			pieceOne: 'pita',
			pieceMany: 'pitas',
			category: 'flatbread',
			ballWeight_g: 84,
			packPieces: 5,
			servingPieces: null,
			price: '6.00',
			materials: MATERIALS
		},
		equipment: ['Large bowl', 'Board and pin', 'Oven'],
		beganAt: '12:00',
		usedUntil: '14:15',
		cookLoss: 0.118,
		ballSpread_g: 1.6,
		gap_g: 14,
		madeMidweek: false,
		piece_min: 0.6
	},
	{
		name: 'Half-and-half tortilla',
		family: 'tortilla-cut-in',
		choices: { fat: 'liquid oil', opening: 'pressed' },
		mixGap: 'residue',
		lines: tortilla('avocado'),
		labelledAnewWeeksAgo: 6,
		product: {
			pieceOne: 'tortilla',
			pieceMany: 'tortillas',
			category: 'tortilla',
			ballWeight_g: 34,
			packPieces: 12,
			servingPieces: 2,
			price: '6.50',
			materials: MATERIALS
		},
		equipment: ['Large bowl', 'Press', 'Griddle'],
		beganAt: '07:00',
		usedUntil: '09:10',
		cookLoss: 0.168,
		ballSpread_g: 0.9,
		gap_g: 22,
		madeMidweek: true,
		piece_min: 0.45
	},
	{
		name: 'Sesame layered flatbread',
		labelledAnewWeeksAgo: 0,
		family: 'layered',
		choices: { leavening: 'baking powder', fat: 'liquid oil', water: 'boiling', griddle: 'oiled' },
		mixGap: 'evaporation',
		lines: (of) => [
			{ ingredient: of('plain'), use: 'dough', stage: 'Dry', used_g: 1440, uptake_g: null },
			{ ingredient: of('salt'), use: 'dough', stage: 'Dry', used_g: 25, uptake_g: null },
			{ ingredient: of('powder'), use: 'dough', stage: 'Dry', used_g: 14, uptake_g: null },
			{ ingredient: of('water'), use: 'dough', stage: 'Boiling water', used_g: 830, uptake_g: null },
			{ ingredient: of('canola'), use: 'dough', stage: 'Fat', used_g: 42, uptake_g: null },
			{ ingredient: of('ghee'), use: 'layering', stage: 'Between layers', used_g: 220, uptake_g: 220 },
			{ ingredient: of('sesame'), use: 'garnish', stage: 'On top', used_g: 95, uptake_g: 80 }
		],
		product: {
			pieceOne: 'flatbread',
			pieceMany: 'flatbreads',
			category: 'flatbread',
			ballWeight_g: 92,
			packPieces: 4,
			servingPieces: null,
			price: '7.00',
			materials: MATERIALS
		},
		equipment: ['Large bowl', 'Marble slab', 'Griddle'],
		beganAt: '14:30',
		usedUntil: '16:45',
		cookLoss: 0.142,
		ballSpread_g: 1.2,
		gap_g: 28,
		madeMidweek: false,
		piece_min: 1
	}
];

/** The steps of a demo formula: those usual for its family and choices. */
export function demoSteps(demo: DemoProduct): Step[] {
	const family = FAMILIES.find((each) => each.id === demo.family) ?? null;
	return processOf(family, demo.choices).steps;
}
