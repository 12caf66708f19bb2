<script lang="ts">
	import { untrack } from 'svelte';
	import TimeField from '$lib/ui/control/TimeField.svelte';

	/** A time that is said of a day: while it is being typed, and has no value, what was said before stands. */
	let { label, value, onsay }: { label: string; value: string; onsay: (value: string) => void } = $props();
	let typed = $state(untrack(() => value));
	$effect(() => {
		const said = value;
		untrack(() => {
			if (typed !== '') typed = said;
		});
	});
	const take = (next: string) => {
		typed = next;
		if (next !== '' && next !== value) onsay(next);
	};
</script>

<TimeField {label} bind:value={() => typed, take} />
