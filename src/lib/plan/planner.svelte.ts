import { proxy, wrap, type Remote } from 'comlink';
import type { DayWish } from '$core/planning/assemble.ts';
import type { PlannedDay } from '$core/planning/plan.ts';
import type { WayOut } from '$core/planning/ways-out.ts';
import type { Simulated } from '$core/planning/simulate.ts';
import type { Problem } from '$core/problem.ts';
import { newPlanningWorker } from './new-worker.ts';
import type { Evening, PlanningWorker } from './planning.worker.ts';

/** A worker and how to talk to it. */
interface Hand {
	worker: Worker;
	remote: Remote<PlanningWorker>;
	isBusy: boolean;
}

function newHand(): Hand {
	const worker = newPlanningWorker();
	return { worker, remote: wrap<PlanningWorker>(worker), isBusy: false };
}

/**
 * The planning of a page, in two workers: one answers at once, the other thinks longer and is let go where something
 * else is asked meanwhile. Each plan goes on from the last.
 */
export class Planner {
	planned = $state.raw<PlannedDay | null>(null);
	problems = $state.raw<readonly Problem[]>([]);
	sure = $state.raw<Simulated | null>(null);
	ways = $state.raw<WayOut[] | null>(null);
	/** What is planned is not the last answer yet. */
	isThinking = $state(false);
	#quick: Hand | null = null;
	#thorough: Hand | null = null;
	#asked = 0;

	ask(wish: DayWish, evening: Evening): void {
		const mine = ++this.#asked;
		[this.isThinking, this.sure, this.ways] = [true, null, null];
		if (this.#thorough?.isBusy) {
			this.#thorough.worker.terminate();
			this.#thorough = null;
		}
		this.#quick ??= newHand();
		void this.#quick.remote.quick(wish, this.planned).then((outcome) => {
			if (mine !== this.#asked) return;
			// What finds no way at once may find one with more time: only then it is said that there is none.
			if (outcome.ok) [this.planned, this.problems] = [outcome.value, []];
			this.#think(wish, evening, mine, outcome.ok);
		});
	}

	#think(wish: DayWish, evening: Evening, mine: number, isPlanned: boolean): void {
		const hand = (this.#thorough ??= newHand());
		const isMine = () => mine === this.#asked;
		hand.isBusy = true;
		void hand.remote
			.thorough(
				wish,
				evening,
				isPlanned ? this.planned : null,
				proxy((outcome) => {
					if (!isMine()) return;
					[this.planned, this.problems] = outcome.ok ? [outcome.value, []] : [null, outcome.problems];
					this.isThinking = false;
				}),
				proxy((sure) => {
					if (isMine()) this.sure = sure;
				}),
				proxy((ways) => {
					if (isMine()) this.ways = ways;
				})
			)
			.finally(() => (hand.isBusy = false));
	}

	/** There is nothing to plan. */
	nothing(): void {
		this.#asked++;
		[this.planned, this.problems, this.sure, this.ways, this.isThinking] = [null, [], null, [], false];
	}

	end(): void {
		this.#asked++;
		for (const hand of [this.#quick, this.#thorough]) hand?.worker.terminate();
		[this.#quick, this.#thorough] = [null, null];
	}
}
