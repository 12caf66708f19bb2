<script lang="ts">
	import { onMount } from 'svelte';
	import { clearOf } from '$lib/people/clear.ts';
	import { isAnythingWaiting } from '$lib/queue/store.ts';

	/** Pages and drafts go at once; what was entered and not sent stays until somebody of the kitchen is in here again. */
	let state = $state<'looking' | 'cleared' | 'waits'>('looking');
	onMount(() => void clear());
	async function clear(): Promise<void> {
		await clearOf(null);
		const waits = await isAnythingWaiting();
		const body = new FormData();
		body.set('waits', waits ? 'some' : 'none');
		const headers = { 'x-sveltekit-action': 'true' };
		const response = await fetch('?/clear', { method: 'POST', headers, body }).catch(() => null);
		// Without an answer it is asked for again when the page is opened the next time.
		if (response?.ok) state = waits ? 'waits' : 'cleared';
	}
</script>

<svelte:head><title>This device was put out · Square Batch</title></svelte:head>
<div class="mx-auto max-w-xl" role="status">
	<h1>This device was put out.</h1>
	{#if state === 'cleared'}
		<p class="mt-3">What it kept is cleared. The owner of the kitchen can let it in again.</p>
	{:else if state === 'waits'}
		<p class="mt-3">
			<b>What was entered on it and not sent is still here.</b> Once anybody of the kitchen comes in on it again,
			it is handed to the owner. Until then clear nothing in this browser.
		</p>
		<p class="mt-3"><a href="/door" class="button">Come in</a></p>
	{:else}
		<p class="mt-3">The owner of the kitchen can let it in again.</p>
	{/if}
</div>
