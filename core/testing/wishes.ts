import { FAMILIES } from '../formula/families.ts';
import { processOf, type Choices } from '../formula/process.ts';
import type { DayWish, Wish } from '../planning/assemble.ts';
import type { Tool } from '../planning/making.ts';

export const tool = (id: string, kind: Tool['kind'], more: Partial<Tool> = {}): Tool => ({
	id,
	name: id,
	kind,
	places: 1,
	capacity_g: null,
	...more
});

export const TOOLS = [
	tool('bowl', 'bowl'),
	tool('small bowl', 'bowl'),
	tool('griddle', 'griddle'),
	tool('second griddle', 'griddle'),
	tool('oven', 'oven', { places: 4 })
];

export const UNTIMED = { mix: null, divide: null, layer: null, cook: null, pack: null };

/** A product of a family, nine packs of eight, made with anything. */
export const wishOf = (family: string, choices: Choices = {}, more: Partial<Wish> = {}): Wish => ({
	id: family,
	name: family,
	packs: 9,
	packPieces: 8,
	ballWeight_g: 60,
	rejectRate: 0,
	steps: processOf(FAMILIES.find(({ id }) => id === family) ?? null, choices).steps,
	paces: UNTIMED,
	allergens: ['wheat'],
	tools: TOOLS.map(({ id }) => id),
	overnight: false,
	rollsWhileCooking: true,
	...more
});

export const dayWish = (wishes: Wish[], more: Partial<DayWish> = {}): DayWish => ({
	wishes,
	tools: TOOLS,
	people: 2,
	helpers: [],
	earliest_min: null,
	nights: [],
	reckoning: 'usual',
	pins: {},
	...more
});
