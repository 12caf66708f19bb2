import { deserialize } from '$app/forms';
import type { KeptPlan, PlanWish } from './types.ts';

/** Kept so long after the last change. */
const PAUSE_MS = 700;

/** Keeps what is said of a day while it is said, without a press; what somebody else kept meanwhile is told. */
export class Keeping {
	state = $state<'kept' | 'changed' | 'failed'>('kept');
	problem = $state('');
	/** What somebody else kept meanwhile. */
	stale = $state.raw<KeptPlan | null>(null);
	version: number;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#path: string;
	#sending: Promise<void> = Promise.resolve();
	#wish: PlanWish | null = null;

	constructor(path: string, version: number) {
		this.#path = path;
		this.version = version;
	}

	/** It was changed to this: it is kept after a pause. */
	changed(wish: PlanWish): void {
		this.#wish = wish;
		this.state = 'changed';
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.now(), PAUSE_MS);
	}

	/** Keeps what waits to be kept; resolves once it is. */
	now(): Promise<void> {
		clearTimeout(this.#timer);
		this.#sending = this.#sending.then(() => this.#send());
		return this.#sending;
	}

	async #send(): Promise<void> {
		const wish = this.#wish;
		if (!wish) return;
		this.#wish = null;
		const body = new FormData();
		body.set('draft', JSON.stringify({ version: this.version, wish }));
		try {
			const answer = await fetch(this.#path, {
				method: 'POST',
				body,
				headers: { 'x-sveltekit-action': 'true' }
			});
			const result = deserialize(await answer.text());
			if (result.type === 'success') {
				this.version += 1;
				[this.state, this.problem] = [this.#wish ? 'changed' : 'kept', ''];
				return;
			}
			if (result.type === 'failure') {
				const data = result.data as { stale?: KeptPlan; problems?: { message: string }[] } | undefined;
				this.stale = data?.stale ?? null;
				this.problem = data?.problems?.[0]?.message ?? 'it could not be kept';
			} else this.problem = 'it could not be kept';
		} catch {
			this.problem = 'the server does not answer: it is kept with the next change';
		}
		// Said again with the next change, unless something newer waits already.
		this.#wish ??= wish;
		this.state = 'failed';
	}

	/** Goes on from what somebody else kept, or over it. */
	resolve(version: number): void {
		this.version = version;
		[this.stale, this.problem] = [null, ''];
	}

	end(): void {
		clearTimeout(this.#timer);
	}
}
