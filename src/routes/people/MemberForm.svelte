<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { Member } from '$lib/people/member.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';
	import AsWhat from './AsWhat.svelte';

	let { member }: { member: Member } = $props();
	let draft = $state(
		untrack(() => ({
			role: member.role as string,
			from: member.span?.from ?? '',
			to: member.span?.to ?? '',
			until: member.span?.until ?? ''
		}))
	);
	let code = $state('');
	const form = draftForm<never>({
		saved: 'Changed: it counts at once',
		sends: () => ({ id: member.id, version: member.version, ...draft })
	});
	const coding = draftForm<never>({
		saved: 'Saved',
		sends: () => ({ id: member.id, code }),
		onsaved: () => (code = '')
	});
</script>

<form method="POST" action="?/change" class="max-w-2xl pb-3" use:enhance={form.enhance}>
	<Problems problems={form.problems.filter((problem) => problem.path === '')} />
	<AsWhat bind:draft at={form.at} />
	<button class="button mt-3" disabled={form.saving}>Change it</button>
</form>
{#if draft.role !== 'inspector'}
	<form
		method="POST"
		action="?/code"
		class="flex max-w-2xl flex-wrap items-start gap-3 pb-3"
		use:enhance={coding.enhance}
	>
		<Field
			label="Short code of {member.name}"
			bind:value={code}
			type="password"
			inputmode="numeric"
			maxlength={8}
			error={coding.at('code')}
			hint="4 to 8 digits, at shared devices alone; empty takes it away"
			class="min-w-60 flex-1"
		/>
		<button class="button mt-6" disabled={coding.saving}>Give the code</button>
	</form>
	<Problems problems={coding.problems.filter((problem) => problem.path === '')} />
{/if}
