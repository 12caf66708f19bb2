<script lang="ts">
	import { enhance } from '$app/forms';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { plural } from '$lib/format.ts';
	import { clearOf } from '$lib/people/clear.ts';
	import { isAnythingWaiting } from '$lib/queue/store.ts';
	import { till } from '$lib/sales/till.svelte.ts';
	import { lock } from './lock.svelte.ts';

	/** Who is in on this device, and how to leave. */
	interface Props {
		who: { name: string; as: string | null; byCode: boolean; isShared: boolean; role: string | null };
	}
	let { who }: Props = $props();
	const waiting = $derived(outbox.waiting.length + till.waiting.length);
</script>

<div class="flex items-center gap-x-4 md:mt-2 md:block">
	{#if who.byCode}
		<p class="break-words"><b class="text-ink">{who.name}</b>, {who.role}</p>
	{:else}
		<p class="break-words">
			<a href="/me" class="inline-flex min-h-8 items-center"><b>{who.name}</b></a>{who.role
				? `, ${who.role}`
				: ''}
		</p>
	{/if}
	{#if who.isShared}
		<button type="button" class="min-h-8 underline" onclick={() => lock.now()}>Change person</button>
	{/if}
	<form
		method="POST"
		action="/door?/out"
		use:enhance={async ({ formData }) => {
			const { as } = who;
			// What anybody entered here and is not sent yet is not cleared with the rest.
			formData.set('waits', (await isAnythingWaiting()) ? 'some' : 'none');
			return async ({ update }) => {
				await clearOf(as);
				await update();
			};
		}}
	>
		<button class="min-h-8 underline">Leave</button>
		{#if waiting > 0}<span class="block" role="note"
				>{plural(waiting, 'entry', 'entries')} not sent yet: kept here until you are back</span
			>{/if}
	</form>
</div>
