<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Code from '$lib/ui/people/Code.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import AsWhat from './AsWhat.svelte';

	const blank = () => ({ name: '', role: 'maker', from: '', to: '', until: '' });
	const noHelper = () => ({ name: '', role: 'maker', code: '' });
	let draft = $state(blank());
	let helper = $state(noHelper());
	let code = $state.raw<{ address: string; picture: string } | null>(null);
	const form = draftForm<never>({
		saved: 'Invited',
		sends: (): object => ({ id: form.key, ...draft }),
		onsaved: (data) => {
			code = data.code as typeof code;
			draft = blank();
		}
	});
	const adding = draftForm<never>({
		saved: 'Added',
		sends: (): object => ({ id: adding.key, ...helper }),
		onsaved: () => (helper = noHelper())
	});
</script>

<details class="mt-3">
	<summary class="min-h-11 cursor-pointer py-2 font-semibold"
		>Invite somebody with a device of their own</summary
	>
	<form method="POST" action="?/invite" class="max-w-2xl" use:enhance={form.enhance}>
		<Problems problems={form.problems.filter((problem) => problem.path === '')} />
		<Field
			label="Whom it is for"
			bind:value={draft.name}
			error={form.at('name')}
			maxlength={80}
			class="mb-3"
		/>
		<AsWhat bind:draft at={form.at} />
		<button class="button button-main mt-3" disabled={form.saving}>Invite</button>
	</form>
	{#if code}
		<Code
			{...code}
			words="Have them point a camera here, or send them the address. It counts once, for 48 hours."
		/>
	{/if}
</details>
<details>
	<summary class="min-h-11 cursor-pointer py-2 font-semibold">Add a helper at the shared tablet</summary>
	<p class="text-quiet max-w-prose">
		They need no password: they come in at a shared device by a short code alone.
	</p>
	<form
		method="POST"
		action="?/helper"
		class="mt-2 grid max-w-2xl gap-3 sm:grid-cols-3"
		use:enhance={adding.enhance}
	>
		<Field label="Name of the helper" bind:value={helper.name} error={adding.at('name')} maxlength={80} />
		<Choice
			label="Helper as"
			bind:value={helper.role}
			options={[
				{ value: 'maker', text: 'maker' },
				{ value: 'seller', text: 'seller' }
			]}
		/>
		<Field
			label="Short code"
			bind:value={helper.code}
			type="password"
			inputmode="numeric"
			maxlength={8}
			error={adding.at('code')}
			hint="4 to 8 digits"
		/>
		<div class="sm:col-span-3">
			<Problems problems={adding.problems.filter((problem) => problem.path === '')} />
			<button class="button button-main" disabled={adding.saving}>Add the helper</button>
		</div>
	</form>
</details>
