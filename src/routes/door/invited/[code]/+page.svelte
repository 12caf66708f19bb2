<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { dayText } from '$lib/format.ts';
	import { ROLE_WORDS } from '$lib/people/roles.ts';
	import NewcomerFields from '$lib/ui/people/NewcomerFields.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	let { data } = $props();
	let draft = $state({ name: untrack(() => data.invitation.name), login: '', password: '' });
	const form = draftForm<never>({ saved: 'You are in', sends: () => draft });
	const join = draftForm<never>({ saved: 'You belong to it now' });
	const span = $derived(data.invitation.span);
</script>

<svelte:head><title>Invited · Square Batch</title></svelte:head>
<div class="mx-auto max-w-xl">
	<h1>You are invited</h1>
	<p class="mt-2">
		{data.invitation.by} invites you into <b>{data.invitation.kitchen}</b> as <b>{data.invitation.role}</b>:
		{ROLE_WORDS[data.invitation.role]}{#if span}, of {dayText(span.from)} to {dayText(span.to)}, until {dayText(
				span.until
			)}{/if}.
	</p>
	{#if data.who}
		<form method="POST" action="?/join" use:enhance={join.enhance} class="mt-4">
			<input type="hidden" name="draft" value={JSON.stringify({})} />
			<Problems problems={join.problems} />
			<button class="button button-main button-name" disabled={join.saving}>Take it as {data.who.name}</button
			>
		</form>
		<h2 class="mt-8">Somebody else?</h2>
	{:else}
		<p class="text-quiet mt-2 text-sm">
			Here already, in another kitchen? <a href="/door">Come in</a> first, and open this address again.
		</p>
	{/if}
	<form method="POST" action="?/new" class="mt-4" use:enhance={form.enhance}>
		<Problems problems={form.problems.filter((problem) => problem.path === '')} />
		<NewcomerFields bind:draft at={form.at} />
		<button class="button button-main mt-4" disabled={form.saving}>Come in</button>
	</form>
</div>
