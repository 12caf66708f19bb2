<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Code from '$lib/ui/people/Code.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	let draft = $state({ name: 'Tablet at the griddle', kind: 'shared' });
	let code = $state.raw<{ address: string; picture: string } | null>(null);
	const form = draftForm<never>({
		saved: 'Point the camera at it',
		sends: (): object => ({ id: form.key, ...draft }),
		onsaved: (data) => (code = data.code as typeof code)
	});
</script>

<details class="mt-3">
	<summary class="min-h-11 cursor-pointer py-2 font-semibold">Let a device in</summary>
	<form method="POST" action="?/letIn" class="grid max-w-2xl gap-3 sm:grid-cols-2" use:enhance={form.enhance}>
		<Field label="What the device is called" bind:value={draft.name} error={form.at('name')} maxlength={80} />
		<Choice
			label="Who works at it"
			bind:value={draft.kind}
			options={[
				{ value: 'shared', text: 'several people, each by a short code' },
				{ value: 'own', text: 'I alone: it is in as me' }
			]}
		/>
		<div class="sm:col-span-2">
			<Problems problems={form.problems.filter((problem) => problem.path === '')} />
			<button class="button button-main" disabled={form.saving}>Show the code</button>
		</div>
	</form>
	{#if code}
		<Code
			{...code}
			words="Point the device's camera here and press the one button it shows. It counts once, for ten minutes."
		/>
	{/if}
</details>
