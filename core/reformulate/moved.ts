import type { Facts } from '../facts.ts';
import { settled } from '../measure/round.ts';

/** Allergens that are declared now and were not, and the other way. */
export interface AllergensMoved {
	gained: string[];
	lost: string[];
}

/** What of declared allergens one formula has and the other has not. */
export function allergensMoved(before: Facts, after: Facts): AllergensMoved {
	const [had, has] = [before.allergens.contains, after.allergens.contains];
	return {
		gained: has.filter((each) => !had.includes(each)),
		lost: had.filter((each) => !has.includes(each))
	};
}

/** Hydration that moves by more than so many points moves the loss in cooking with it (section 18). */
const MOVED_POINTS = 2;

/** Whether the loss in cooking will move, so that it has to be weighed. */
export function lossMoves(before: Facts, after: Facts): boolean {
	const [was, is] = [before.formula.hydration ?? 0, after.formula.hydration ?? 0];
	return settled(Math.abs(is - was)) > MOVED_POINTS;
}
