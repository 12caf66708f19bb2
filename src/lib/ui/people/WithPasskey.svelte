<script lang="ts">
	import { goto, invalidateAll } from '$app/navigation';
	import { startAuthentication } from '@simplewebauthn/browser';

	/** Comes in with a passkey of this device. */
	let { to }: { to: string } = $props();
	let problem = $state('');
	let going = $state(false);

	async function come(): Promise<void> {
		[problem, going] = ['', true];
		try {
			const asked = await fetch('/door/passkey.json');
			const optionsJSON = await asked.json();
			const response = await startAuthentication({ optionsJSON });
			const answer = await fetch('/door/passkey.json', {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ response })
			});
			if (answer.ok) {
				await invalidateAll();
				await goto(to);
				return;
			}
			const { message } = (await answer.json()) as { message: string };
			problem = message;
		} catch {
			problem = 'no passkey was used: try again, or type your password';
		} finally {
			going = false;
		}
	}
</script>

<button type="button" class="button" disabled={going} onclick={come}>Use a passkey</button>
{#if problem}<p class="text-loss basis-full text-sm font-semibold" role="alert">{problem}</p>{/if}
