<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { startRegistration } from '@simplewebauthn/browser';
	import { fetchProved } from '$lib/people/proving.svelte.ts';
	import Field from '../control/Field.svelte';

	/** Makes a passkey on this device. */
	let name = $state('This device');
	let problem = $state('');
	let going = $state(false);

	async function add(): Promise<void> {
		[problem, going] = ['', true];
		try {
			const asked = await fetchProved('/me/passkey.json');
			const optionsJSON = await asked.json();
			const response = await startRegistration({ optionsJSON });
			const answer = await fetchProved('/me/passkey.json', {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ name: name.trim() || 'A passkey', response })
			});
			if (answer.ok) await invalidateAll();
			else ({ message: problem } = (await answer.json()) as { message: string });
		} catch {
			problem = 'no passkey was made';
		} finally {
			going = false;
		}
	}
</script>

<div class="mt-3 flex flex-wrap items-end gap-3">
	<Field label="Called" bind:value={name} maxlength={80} class="min-w-40 flex-1" />
	<button type="button" class="button" disabled={going} onclick={add}>Add a passkey</button>
</div>
{#if problem}<p class="text-loss mt-2 text-sm font-semibold" role="alert">{problem}</p>{/if}
