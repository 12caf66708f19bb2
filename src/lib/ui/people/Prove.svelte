<script lang="ts">
	import { startAuthentication } from '@simplewebauthn/browser';
	import { onMount } from 'svelte';
	import Field from '../control/Field.svelte';
	import Problems from '../Problems.svelte';

	/** Proves once more who is in: by the password, or by a passkey where there is one. */
	interface Props {
		onproved: () => void;
		oncancel?: () => void;
	}
	let { onproved, oncancel }: Props = $props();
	let now = $state('');
	let problem = $state('');
	let sending = $state(false);
	let by = $state<{ hasPassword: boolean; hasPasskey: boolean }>({ hasPassword: true, hasPasskey: false });

	onMount(async () => {
		const answer = await fetch('/me/prove.json').catch(() => null);
		if (answer?.ok) by = (await answer.json()) as typeof by;
	});

	async function send(proof: object): Promise<void> {
		[sending, problem] = [true, ''];
		const answer = await fetch('/me/prove.json', {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(proof)
		}).catch(() => null);
		const said = (await answer?.json().catch(() => null)) as { message?: string } | null;
		sending = false;
		now = '';
		if (answer?.ok) onproved();
		else problem = said?.message ?? 'the server does not answer: try again once it does';
	}
	function byPassword(event: SubmitEvent): void {
		event.preventDefault();
		void send({ now });
	}
	async function byPasskey(): Promise<void> {
		try {
			const asked = await fetch('/me/prove.json?passkey');
			const optionsJSON = (await asked.json()) as Parameters<typeof startAuthentication>[0]['optionsJSON'];
			await send({ response: await startAuthentication({ optionsJSON }) });
		} catch {
			problem = 'no passkey was used';
		}
	}
</script>

<Problems problems={problem === '' ? [] : [{ path: '', message: problem }]} />
{#if by.hasPassword}
	<form onsubmit={byPassword}>
		<Field
			label="Your password"
			type="password"
			bind:value={now}
			autocomplete="current-password"
			maxlength={128}
			class="mt-3"
		/>
		<div class="mt-4 flex flex-wrap gap-2">
			<button class="button button-main" disabled={sending || now === ''}>Confirm</button>
			{#if by.hasPasskey}
				<button type="button" class="button" disabled={sending} onclick={byPasskey}>Use a passkey</button>
			{/if}
			{#if oncancel}<button type="button" class="button" onclick={oncancel}>Cancel</button>{/if}
		</div>
	</form>
{:else}
	<p class="mt-3">You have no password here, so there is nothing to confirm.</p>
	{#if oncancel}<button type="button" class="button mt-4" onclick={oncancel}>Cancel</button>{/if}
{/if}
