<script lang="ts">
	import { page } from '$app/state';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { till } from '$lib/sales/till.svelte.ts';
	import { plain, plural } from '$lib/format.ts';
	import { isOut } from '$lib/people/here.svelte.ts';

	/** What the server does not have yet, and what it would not take. */
	const waiting = $derived(
		(outbox.reached ? 0 : outbox.waiting.length) + (till.reached ? 0 : till.waiting.length)
	);
	const isUnsafe = $derived(
		(!outbox.isKept && outbox.waiting.length > 0) || (!till.isKept && till.waiting.length > 0)
	);
	function words({ item: { entry } }: (typeof outbox.refused)[number]): string {
		if (entry.kind === 'event') return entry.happening.name;
		return entry.grams === null ? 'taking a reading back' : `a reading of ${plain(entry.grams, 1)} g`;
	}
</script>

{#if waiting > 0 || isOut()}
	<p
		class="border-attention bg-attention-pale mb-3 border-l-4 px-4 py-2 font-semibold"
		role="status"
		data-testid="waiting"
	>
		{#if isOut()}
			You are not in any more. {waiting > 0
				? `${plural(waiting, 'entry is', 'entries are')} kept on this device and will be sent once you are back.`
				: 'What stands here stays as long as this page is open.'}
			<a href="/door?to={encodeURIComponent(page.url.pathname)}">Come in again</a>
		{:else}
			The server does not answer: {plural(waiting, 'entry is', 'entries are')} kept on this device and will be sent
			in order. Go on working.
		{/if}
	</p>
{/if}
{#if isUnsafe}
	<p class="border-loss bg-loss-pale mb-3 border-l-4 px-4 py-2 font-semibold" role="alert">
		This browser keeps nothing (its storage is full, or closed to pages): leave this page open until all is
		sent.
	</p>
{/if}
{#each outbox.refused as refusal (refusal.item.entry.id)}
	<p
		class="border-loss bg-loss-pale mb-3 flex flex-wrap items-center gap-3 border-l-4 px-4 py-2"
		role="alert"
	>
		<span class="flex-1">Not kept, {words(refusal)}: {refusal.message}.</span>
		<button type="button" class="button" onclick={() => outbox.dismiss(refusal.item.entry.id)}
			>I have seen it</button
		>
	</p>
{/each}
{#if till.refused.length > 0 && page.url.pathname !== '/sales/stall'}
	<p class="border-loss bg-loss-pale mb-3 border-l-4 px-4 py-2" role="alert">
		{till.refused.length === 1 ? 'A sale was' : `${till.refused.length} sales were`} not recorded:
		<a href="/sales/stall">say at the stall which batch it was</a>.
	</p>
{/if}
