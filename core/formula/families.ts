import { settled } from '../measure/round.ts';
import type { FlourShares, ShareKey } from './shares.ts';

/** A usual range in percent of flour, both ends included, and what to expect outside it. */
export interface Window {
	low: number;
	high: number;
	/** What too little does; empty where nothing is known to go wrong. */
	below: string;
	above: string;
}

export type Windows = Partial<Record<ShareKey, Window>>;

/** A family of flatbread with its usual windows: advice with the reason, never a block (computation, section 3). */
export interface Family {
	id: string;
	name: string;
	windows: Windows;
}

const window = (low: number, high: number, below = '', above = ''): Window => ({ low, high, below, above });

const TORTILLA = {
	dry: 'little water: cracks when folded',
	wet: 'much water: sticks and tears',
	rich: 'much fat: cracks when folded'
};
const SALT = {
	flat: 'little salt: tastes flat and the dough is slack',
	much: 'much salt: tastes of it first'
};
const salt = (low: number, high: number) => window(low, high, low > 0 ? SALT.flat : '', SALT.much);
const none = (what: string) => window(0, 0, '', `this bread is usually made without ${what}`);
const powder = (most: number) => window(0, most, '', 'much baking powder: tastes of it and crumbles');
const yeast = (low: number) =>
	window(
		low,
		2.2,
		'little yeast: slow, and the pocket may not open',
		'much yeast: rises ahead of you and tastes of it'
	);

export const FAMILIES: readonly Family[] = [
	{
		id: 'tortilla-cut-in',
		name: 'Wheat tortilla, fat cut in',
		windows: {
			hydration: window(45, 60, TORTILLA.dry, TORTILLA.wet),
			fat: window(6, 20, 'little fat: tough once cold', TORTILLA.rich),
			salt: salt(1, 2.2),
			leavening: powder(3),
			yeast: none('yeast')
		}
	},
	{
		id: 'tortilla-hot-water',
		name: 'Wheat tortilla, hot water and oil',
		windows: {
			hydration: window(50, 65, TORTILLA.dry, TORTILLA.wet),
			fat: window(8, 20, 'little fat: tough once cold', TORTILLA.rich),
			salt: salt(1, 2.2),
			leavening: powder(2),
			yeast: none('yeast')
		}
	},
	{
		id: 'roti',
		name: 'Roti or chapati, unleavened',
		windows: {
			hydration: window(55, 75, 'dry dough: will not puff', 'much water: sticks, and takes up dusting flour'),
			fat: window(0, 10, '', 'much fat: crisps instead of puffing'),
			salt: salt(0, 2),
			leavening: none('leavening'),
			yeast: none('yeast')
		}
	},
	{
		id: 'layered',
		name: 'Layered flatbread',
		windows: {
			hydration: window(50, 65, 'dry dough: tears when it is stretched', 'much water: layers melt into one'),
			fat: window(0, 8, '', 'much fat in the dough: layers do not part'),
			layeringFat: window(
				6,
				25,
				'little fat between: layers stick together',
				'much fat between: it runs out on the plate'
			),
			salt: salt(0.8, 2),
			leavening: powder(3),
			yeast: none('yeast')
		}
	},
	{
		id: 'pita',
		name: 'Yeasted pita',
		windows: {
			hydration: window(58, 70, 'little water: no pocket', 'much water: spreads, and the pocket tears'),
			fat: window(0, 8, '', 'much fat: the pocket does not part'),
			salt: salt(1.2, 2.2),
			yeast: yeast(0.3)
		}
	},
	{
		id: 'enriched',
		name: 'Enriched yeasted, with yogurt or milk',
		windows: {
			effectiveHydration: window(
				55,
				75,
				'little water in all: tight and dry',
				'much water in all: sticks and spreads'
			),
			fat: window(2, 12, 'little fat: lean, stales soon', 'much fat: slow to rise'),
			salt: salt(1, 2.2),
			yeast: yeast(0.4)
		}
	},
	{
		id: 'stack-rolled',
		name: 'Stack-rolled thin sheets',
		windows: {
			hydration: window(
				50,
				62,
				'dry dough: cracks at the edge when rolled',
				'much water: sheets stick together'
			),
			fat: window(0, 4, '', 'much fat in the dough: sheets shrink back'),
			layeringFat: window(6, 25, 'little fat between: sheets do not part', 'much fat between: sheets slide'),
			salt: salt(0, 2),
			leavening: none('leavening'),
			yeast: none('yeast')
		}
	}
];

/** A figure beside its window. */
export interface WindowFinding {
	key: ShareKey;
	/** Percent of flour; null where it is not known. */
	percent: number | null;
	window: Window;
	state: 'inside' | 'below' | 'above' | 'unknown';
	/** What to expect, in words; empty inside. */
	reason: string;
}

/** Each figure a family has a window for, with what to expect where it is outside. */
export function windowFindings(shares: FlourShares, windows: Windows): WindowFinding[] {
	return (Object.entries(windows) as [ShareKey, Window][]).map(([key, each]) => {
		const percent = shares[key];
		if (percent === null) return { key, percent, window: each, state: 'unknown', reason: '' };
		const exact = settled(percent);
		if (exact < each.low) return { key, percent, window: each, state: 'below', reason: each.below };
		if (exact > each.high) return { key, percent, window: each, state: 'above', reason: each.above };
		return { key, percent, window: each, state: 'inside', reason: '' };
	});
}
