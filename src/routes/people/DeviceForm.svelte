<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { Device } from '$lib/people/member.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	let { device }: { device: Device } = $props();
	let name = $state(untrack(() => device.name));
	let idle = $state(untrack(() => String(device.idle_min)));
	const form = draftForm<never>({ saved: 'Saved', sends: () => ({ id: device.id, name, idle }) });
</script>

<form
	method="POST"
	action="?/device"
	class="flex max-w-2xl flex-wrap items-end gap-3 pb-3"
	use:enhance={form.enhance}
>
	<Field
		label="Name of the device"
		bind:value={name}
		error={form.at('name')}
		maxlength={80}
		class="min-w-48 flex-1"
	/>
	{#if device.kind === 'shared'}
		<Field
			label="Locked after"
			bind:value={idle}
			unit="min"
			inputmode="numeric"
			maxlength={3}
			error={form.at('idle')}
			class="w-32"
		/>
	{/if}
	<button class="button" disabled={form.saving}>Save the device</button>
	<Problems problems={form.problems.filter((problem) => problem.path === '')} />
</form>
