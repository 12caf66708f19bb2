import { onMount } from 'svelte';
import { isoNow } from './time.ts';

/** The present, to the second; it stands still on the server. */
export function clock(): { readonly now: string } {
	let now = $state(isoNow());
	onMount(() => {
		const timer = setInterval(() => (now = isoNow()), 1000);
		return () => clearInterval(timer);
	});
	return {
		get now() {
			return now;
		}
	};
}
