<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import NewcomerFields from '$lib/ui/people/NewcomerFields.svelte';
	import { untrack } from 'svelte';

	let { data } = $props();
	let draft = $state({
		name: '',
		login: '',
		password: '',
		kitchen: '',
		take: untrack(() => data.takeable[0]?.id ?? ''),
		timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
		key: untrack(() => data.key)
	});
	const form = draftForm<never>({ saved: 'Begun', sends: () => draft });
</script>

<svelte:head><title>A kitchen of your own · Square Batch</title></svelte:head>
<div class="mx-auto max-w-xl">
	<p class="text-sm"><a href="/door">Come in</a></p>
	<h1>A kitchen of your own</h1>
	{#if data.mayBegin}
		<p class="text-quiet mt-1">
			You become its owner, and decide who else comes in, as what, and on which device.
		</p>
		<form method="POST" class="mt-4" use:enhance={form.enhance}>
			<Problems problems={form.problems.filter((problem) => problem.path === '')} />
			<NewcomerFields bind:draft at={form.at} />
			{#if data.takeable.length > 0}
				<Choice
					label="Kitchen"
					bind:value={draft.take}
					options={[
						...data.takeable.map(({ id, name }) => ({ value: id, text: name })),
						{ value: '', text: 'A new one' }
					]}
					hint="One that is here and has no owner, or a new one"
					class="mt-3"
				/>
			{/if}
			{#if draft.take === ''}
				<Field
					label="What the kitchen is called"
					bind:value={draft.kitchen}
					error={form.at('kitchen')}
					maxlength={120}
					hint="Money, measures and rules are chosen under Kitchen"
					class="mt-3"
				/>
			{/if}
			<button class="button button-main mt-4" disabled={form.saving}>Begin</button>
		</form>
	{:else}
		<p class="mt-4">
			Square Batch can be reached from other machines here. The first owner opens the address that was printed
			where it was started: nobody else on the network can be first.
		</p>
	{/if}
</div>
