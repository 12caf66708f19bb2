import { wrap, type Remote } from 'comlink';
import type { Recipe } from '$core/formula/types.ts';
import type { Problem } from '$core/problem.ts';
import type { Choice } from '$core/reformulate/choices.ts';
import type { Reformulated } from '$core/reformulate/reformulate.ts';
import type { Wish } from '$core/reformulate/wish.ts';
import { newReformulatingWorker } from './new-worker.ts';
import type { ReformulatingWorker, ToSurvive } from './reformulating.worker.ts';

/** What is asked of the worker. */
interface Asked {
	recipe: Recipe;
	wish: Wish;
	survive: ToSurvive | null;
}

/** The reformulating of a page, in a worker: the last wish is answered, those in between are passed over. */
export class Reformulating {
	found = $state.raw<Reformulated | null>(null);
	problems = $state.raw<readonly Problem[]>([]);
	/** Others that grant it nearly as well; null until they are looked for. */
	choices = $state.raw<Choice[] | null>(null);
	isThinking = $state(false);
	#worker: Worker | null = null;
	#remote: Remote<ReformulatingWorker> | null = null;
	#waiting: Asked | null = null;
	#isBusy = false;

	ask(recipe: Recipe, wish: Wish, survive: ToSurvive | null): void {
		this.#waiting = { recipe, wish, survive };
		this.isThinking = true;
		void this.#work();
	}

	end(): void {
		this.#worker?.terminate();
		[this.#worker, this.#remote, this.#waiting] = [null, null, null];
	}

	async #work(): Promise<void> {
		if (this.#isBusy) return;
		this.#isBusy = true;
		try {
			for (let asked = this.#next(); asked; asked = this.#next())
				await this.#answer(asked).catch(() => this.#couldNotTell());
		} finally {
			this.#isBusy = false;
			this.isThinking = false;
		}
	}

	/** The solver gave up, or could not be fetched: nothing that was found before is shown as if it were the answer. */
	#couldNotTell(): void {
		if (this.#waiting) return;
		const message = 'it could not be worked out: change the wish a little, or read the page again';
		[this.found, this.problems, this.choices] = [null, [{ path: '', message }], []];
	}

	#next(): Asked | null {
		const next = this.#waiting;
		this.#waiting = null;
		return next;
	}

	async #answer({ recipe, wish, survive }: Asked): Promise<void> {
		if (!this.#remote) {
			this.#worker = newReformulatingWorker();
			this.#remote = wrap<ReformulatingWorker>(this.#worker);
		}
		const remote = this.#remote;
		const outcome = await remote.nearest(recipe, wish, survive);
		if (this.#waiting) return;
		[this.found, this.problems, this.choices] = outcome.ok
			? [outcome.value, [], null]
			: [null, outcome.problems, []];
		if (!outcome.ok || outcome.value.status !== 'met') return;
		// What was found stands, whatever becomes of looking for others.
		const choices = await remote.beside(recipe, wish, outcome.value).catch(() => []);
		if (!this.#waiting) this.choices = choices;
	}
}
