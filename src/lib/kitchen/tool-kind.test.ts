import { expect, it } from 'vitest';
import { toolKindOf } from './tool-kind.ts';

it.each([
	['Large bowl', 'bowl'],
	['Second griddle', 'griddle'],
	['Cast-iron pan', 'griddle'],
	['Oven', 'oven'],
	['Marble slab', 'board'],
	['Tortilla press', 'board'],
	['Fridge in the hall', 'fridge'],
	['Scale', 'other']
])('%s is taken for: %s', (name, kind) => expect(toolKindOf(name)).toBe(kind));
