<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	let draft = $state({ login: '', code: '', password: '' });
	const form = draftForm<never>({ saved: 'You are in', sends: () => draft });
</script>

<svelte:head><title>Come in again · Square Batch</title></svelte:head>
<div class="mx-auto max-w-xl">
	<p class="text-sm"><a href="/door">Come in</a></p>
	<h1>Come in again</h1>
	<p class="text-quiet mt-1">
		A recovery code counts once. All that you were in on elsewhere ends, and you choose another password.
	</p>
	<form method="POST" class="mt-4" use:enhance={form.enhance}>
		<Problems problems={form.problems.filter((problem) => problem.path === '')} />
		<Field
			label="Name you come in by"
			bind:value={draft.login}
			error={form.at('login')}
			maxlength={60}
			autocomplete="username"
			autocapitalize="none"
			spellcheck={false}
		/>
		<Field
			label="Recovery code"
			bind:value={draft.code}
			error={form.at('code')}
			maxlength={60}
			hint="One of the eight you kept: four groups of five"
			class="mt-3"
		/>
		<Field
			label="New password"
			type="password"
			bind:value={draft.password}
			error={form.at('password')}
			maxlength={128}
			autocomplete="new-password"
			hint="At least 12 characters: three or four words are easier than signs"
			class="mt-3"
		/>
		<button class="button button-main mt-4" disabled={form.saving}>Come in</button>
	</form>
	<p class="text-quiet mt-6 max-w-prose text-sm">
		No code left? Whoever keeps the machine can let you in: <code>npm run people -- again NAME</code> prints an
		address that counts once.
	</p>
</div>
