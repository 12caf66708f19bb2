import { expose } from 'comlink';
import loadHighs from 'highs';
import wasmAddress from 'highs/runtime?url';
import type { Recipe } from '$core/formula/types.ts';
import { choicesBeside, type Choice } from '$core/reformulate/choices.ts';
import { LIVE_LIMIT_S, solverBy, type Solver } from '$core/reformulate/program.ts';
import { reformulate, type Reformulated } from '$core/reformulate/reformulate.ts';
import { reformulateToSurvive } from '$core/reformulate/surviving.ts';
import type { Wish } from '$core/reformulate/wish.ts';
import type { Assumptions } from '$core/sure/assumptions.ts';
import type { Outcome } from '$core/problem.ts';

/** The solver comes with the application: its code is fetched from where the page came from. */
const solver: Promise<Solver> = loadHighs({ locateFile: () => wasmAddress }).then((highs) =>
	solverBy((text, options) => highs.solve(text, options), { whole_s: LIVE_LIMIT_S })
);

/** So that what prints survives as often as this, where it is asked for. */
export interface ToSurvive {
	given: Assumptions;
	chance: number;
}

const api = {
	/** The nearest formula that grants a wish, or what is in the way. */
	async nearest(recipe: Recipe, wish: Wish, survive: ToSurvive | null): Promise<Outcome<Reformulated>> {
		const solve = await solver;
		return survive
			? reformulateToSurvive(recipe, wish, solve, { ...survive, mayGive: true })
			: reformulate(recipe, wish, solve, { mayGive: true });
	},

	/** Others that grant it nearly as well. */
	async beside(recipe: Recipe, wish: Wish, granted: Parameters<typeof choicesBeside>[2]): Promise<Choice[]> {
		return choicesBeside(recipe, wish, granted, await solver);
	}
};

export type ReformulatingWorker = typeof api;
expose(api);
