import type { SubmitFunction } from '@sveltejs/kit';

/** A form whose fields stay as they were typed, and that says whether it waits for its answer. */
export function keptForm(onanswer: () => void = () => {}): {
	readonly waits: boolean;
	enhance: SubmitFunction;
} {
	let waits = $state(false);
	return {
		get waits() {
			return waits;
		},
		enhance: () => {
			waits = true;
			return async ({ update }) => {
				await update({ reset: false });
				waits = false;
				onanswer();
			};
		}
	};
}
