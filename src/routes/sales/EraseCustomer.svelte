<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** Takes a customer's name off the ledger, which stays otherwise as it is. */
	let customer = $state('');
	const form = draftForm<never>({
		saved: 'Erased',
		sends: () => ({ customer }),
		onsaved: () => (customer = '')
	});
</script>

<details class="mt-6">
	<summary class="min-h-11 cursor-pointer py-2 text-sm">Erase a customer’s name</summary>
	<form
		method="POST"
		action="?/erase"
		class="flex max-w-xl flex-wrap items-start gap-3"
		use:enhance={form.enhance}
	>
		<Field
			label="Customer’s name, as it stands in the ledger"
			bind:value={customer}
			error={form.at('customer')}
			maxlength={120}
			hint="It cannot be brought back. What they bought stays, and can still be traced to its batch."
			class="min-w-60 flex-1"
		/>
		<button class="button mt-6" disabled={form.saving}>Erase the name</button>
	</form>
	<Problems problems={form.problems.filter((problem) => problem.path === '')} />
</details>
