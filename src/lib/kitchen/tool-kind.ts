import type { ToolKind } from '$core/planning/making.ts';

const WORDS: readonly [ToolKind, RegExp][] = [
	['bowl', /bowl|tub|basin/i],
	['griddle', /griddle|pan|plate|tawa|comal|skillet/i],
	['oven', /oven/i],
	['board', /board|slab|press|table|bench/i],
	['fridge', /fridge|refrigerator|cooler/i]
];

/** What a piece of equipment is taken for until somebody says otherwise: mostly its name says it. */
export const toolKindOf = (name: string): ToolKind =>
	WORDS.find(([, words]) => words.test(name))?.[0] ?? 'other';
