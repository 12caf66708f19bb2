import { UNPROVED } from './unproved.ts';

/** Asks who is in to prove once more who they are: one dialog for all that asks for it. */
class Proving {
	isAsked = $state(false);
	#answer: ((isProved: boolean) => void) | null = null;

	/** Whether they did; what was being done may then be sent again. */
	ask(): Promise<boolean> {
		this.#answer?.(false);
		this.isAsked = true;
		return new Promise((resolve) => (this.#answer = resolve));
	}

	settle(isProved: boolean): void {
		this.isAsked = false;
		this.#answer?.(isProved);
		this.#answer = null;
	}
}

export const proving = new Proving();

/** `fetch` that asks for a proof where the server wants one, and then asks once more. */
export async function fetchProved(url: string, init?: RequestInit): Promise<Response> {
	const answer = await fetch(url, init);
	return answer.status === UNPROVED && (await proving.ask()) ? fetch(url, init) : answer;
}

/** Has a link to a file ask for a proof first, where the server would. */
export function provedFirst(link: HTMLAnchorElement): { destroy(): void } {
	const take = async () => {
		const answer = await fetch('/me/prove.json').catch(() => null);
		const { isProved } = ((await answer?.json().catch(() => null)) ?? {}) as { isProved?: boolean };
		// Whatever else is wrong the file's own address says.
		if (isProved === false && !(await proving.ask())) return;
		location.assign(link.href);
	};
	const onclick = (event: MouseEvent) => {
		event.preventDefault();
		void take();
	};
	link.addEventListener('click', onclick);
	return { destroy: () => link.removeEventListener('click', onclick) };
}
