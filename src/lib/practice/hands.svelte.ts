import type { Move } from '$core/practice/move.ts';
import type { HandsNow } from './types.ts';

const ADDRESS = '/practice/hands.json';

/** Hands and eyes in the story's kitchen, as this page has them: the server alone knows what is hidden. */
class Hands {
	now = $state.raw<HandsNow | null>(null);
	trouble = $state('');
	isBusy = $state(false);

	async read(): Promise<void> {
		await this.#ask();
	}
	async move(move: Move): Promise<void> {
		if (this.isBusy) return;
		await this.#ask({
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(move)
		});
	}
	async #ask(request?: RequestInit): Promise<void> {
		this.isBusy = true;
		try {
			const answer = await fetch(ADDRESS, request);
			const said = (await answer.json()) as HandsNow & { message?: string };
			if (answer.ok) this.now = said;
			this.trouble = answer.ok ? '' : (said.message ?? 'the server would not take it');
		} catch {
			this.trouble = 'the server does not answer: try again';
		} finally {
			this.isBusy = false;
		}
	}
}

export const hands = new Hands();
