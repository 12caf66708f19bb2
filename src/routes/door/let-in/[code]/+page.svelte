<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	let { data } = $props();
	let name = $state(untrack(() => data.name));
	const form = draftForm<never>({ saved: 'This device is in', sends: () => ({ name }) });
</script>

<svelte:head><title>Let this device in · Square Batch</title></svelte:head>
<div class="mx-auto max-w-xl">
	<h1>Let this device in</h1>
	<p class="mt-2">
		{data.by} lets it into <b>{data.kitchen}</b>,
		{data.kind === 'shared'
			? 'as a shared device: each person comes in at it by a short code.'
			: `as ${data.by}'s own: whoever holds it is ${data.by}.`}
	</p>
	<form method="POST" class="mt-4" use:enhance={form.enhance}>
		<Problems problems={form.problems.filter((problem) => problem.path === '')} />
		<button class="button button-main min-h-16 w-full text-lg" disabled={form.saving}>Let it in</button>
		<details class="mt-4">
			<summary class="min-h-11 cursor-pointer py-2">Call it something else</summary>
			<Field label="What the device is called" bind:value={name} error={form.at('name')} maxlength={80} />
		</details>
	</form>
</div>
