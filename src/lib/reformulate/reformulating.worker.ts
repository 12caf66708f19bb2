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
const solvers: Promise<{ live: Solver; patient: Solver }> = loadHighs({
	locateFile: () => wasmAddress
}).then((highs) => {
	const solve = (...[text, options]: Parameters<typeof highs.solve>) => highs.solve(text, options);
	return { live: solverBy(solve, { whole_s: LIVE_LIMIT_S }), patient: solverBy(solve) };
});

/** So that what prints survives as often as this, where it is asked for. */
export interface ToSurvive {
	given: Assumptions;
	chance: number;
}

const api = {
	/** The nearest formula that grants a wish, or what is in the way. */
	async nearest(recipe: Recipe, wish: Wish, survive: ToSurvive | null): Promise<Outcome<Reformulated>> {
		const { live, patient } = await solvers;
		const by = (solve: Solver) =>
			survive
				? reformulateToSurvive(recipe, wish, solve, { ...survive, mayGive: true })
				: reformulate(recipe, wish, solve, { mayGive: true });
		const soon = by(live);
		// That no whole steps of the scale grant it is not said after a moment’s search alone.
		const seemsTooCoarse = soon.ok && soon.value.status === 'impossible' && soon.value.isTooCoarse;
		return seemsTooCoarse ? by(patient) : soon;
	},

	/** Others that grant it nearly as well. */
	async beside(recipe: Recipe, wish: Wish, granted: Parameters<typeof choicesBeside>[2]): Promise<Choice[]> {
		return choicesBeside(recipe, wish, granted, (await solvers).live);
	}
};

export type ReformulatingWorker = typeof api;
expose(api);
