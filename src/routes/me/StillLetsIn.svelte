<script lang="ts">
	import { enhance } from '$app/forms';
	import { goto } from '$app/navigation';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { MyPasskey } from '$lib/people/passkey.ts';
	import Problems from '$lib/ui/Problems.svelte';

	/** After a password was changed or recovered: what else lets somebody in as this person, to be kept or dropped. */
	interface Props {
		passkeys: MyPasskey[];
		shortCodes: { id: string; kitchen: string }[];
	}
	let { passkeys, shortCodes }: Props = $props();
	const dropping = draftForm<never>({ saved: 'Removed' });
	const keys = $derived([
		...passkeys.map(({ id, name }) => ({ id, name: `Passkey: ${name}`, action: '?/forgetKey' })),
		...shortCodes.map(({ id, kitchen }) => ({ id, name: `Short code at ${kitchen}`, action: '?/dropCode' }))
	]);
</script>

<section
	class="border-attention bg-attention-pale mt-4 max-w-3xl border-l-4 px-4 py-3"
	aria-labelledby="still"
>
	<h2 id="still">Your password is changed</h2>
	<p>All your other sessions ended, and invitations and codes for devices that you made count no more.</p>
	{#if keys.length > 0}
		<p class="mt-2">These still let somebody in as you. Remove what you do not know.</p>
		<ul class="divide-rule border-rule mt-2 divide-y border-y">
			{#each keys as key (key.id)}
				<li class="flex min-h-12 items-center gap-3 py-1">
					<span class="min-w-0 flex-1 break-words">{key.name}</span>
					<form method="POST" action={key.action} use:enhance={dropping.enhance}>
						<input type="hidden" name="draft" value={JSON.stringify({ id: key.id })} />
						<button class="button" disabled={dropping.saving} aria-label="Remove {key.name}">Remove</button>
					</form>
				</li>
			{/each}
		</ul>
		<Problems problems={dropping.problems} />
		<button type="button" class="button mt-3" onclick={() => goto('/me')}>Keep these</button>
	{:else}
		<p class="mt-2">No passkey and no short code lets anybody in as you.</p>
	{/if}
</section>
