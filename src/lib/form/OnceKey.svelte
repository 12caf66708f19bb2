<script lang="ts">
	import { onMount } from 'svelte';
	import { ulid } from 'ulid';

	/** Makes what a form begins begin once, however often it is sent: a button pressed twice, or an answer that was lost. */
	let key = $state('');
	// Only in the browser: a page's answer is kept for all who ask for it, and two of them are two.
	onMount(() => (key = ulid()));
</script>

{#if key}<input type="hidden" name="key" value={key} />{/if}
