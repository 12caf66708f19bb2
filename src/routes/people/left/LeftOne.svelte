<script lang="ts">
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { LeftEntry } from '$lib/left/types.ts';
	import { moment } from '$lib/people/moment.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** One entry that waits for the owner. */
	let { entry }: { entry: LeftEntry } = $props();
	const keeping = draftForm<never>({ saved: 'Recorded' });
	const lettingGo = draftForm<never>({ saved: 'Let go' });
	let reason = $state('');
	const problems = $derived([...keeping.problems, ...lettingGo.problems]);
</script>

<li class="py-3">
	<p class="break-words">
		<b>{entry.what}</b>
		<span class="text-quiet block text-sm"
			>{entry.by}, {moment(entry.madeAt, page.data.kitchen)}{entry.device
				? `, left on ${entry.device}`
				: ''}{entry.message ? `: ${entry.message}` : ''}</span
		>
	</p>
	<div class="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2">
		<form method="POST" action="?/record" use:enhance={keeping.enhance}>
			<input type="hidden" name="draft" value={JSON.stringify({ id: entry.id })} />
			<button class="button" disabled={keeping.saving} aria-label="Record {entry.what}">Record it</button>
		</form>
		<form
			method="POST"
			action="?/letGo"
			use:enhance={lettingGo.enhance}
			class="flex min-w-full flex-1 flex-wrap items-end gap-3 sm:min-w-0"
		>
			<input type="hidden" name="draft" value={JSON.stringify({ id: entry.id, reason })} />
			<Field label="Why it is let go" class="min-w-48 flex-1" maxlength={300} bind:value={reason} />
			<button
				class="button"
				disabled={lettingGo.saving || reason.trim() === ''}
				aria-label="Let go of {entry.what}">Let it go</button
			>
		</form>
	</div>
	<Problems {problems} />
</li>
