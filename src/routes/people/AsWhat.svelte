<script lang="ts">
	import { ROLE_WORDS, ROLES } from '$lib/people/roles.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import DayField from '$lib/ui/control/DayField.svelte';

	/** As what somebody comes in; of an inspector also which days they see. */
	interface Props {
		draft: { role: string; from: string; to: string; until: string };
		at: (path: string) => string;
	}
	let { draft = $bindable(), at }: Props = $props();
</script>

<Choice
	label="As"
	bind:value={draft.role}
	options={ROLES.map((role) => ({ value: role, text: `${role}: ${ROLE_WORDS[role]}` }))}
	error={at('role')}
/>
{#if draft.role === 'inspector'}
	<div class="mt-3 grid gap-3 sm:grid-cols-3">
		<DayField label="Sees from" bind:value={draft.from} error={at('from')} />
		<DayField label="Sees to" bind:value={draft.to} error={at('to')} />
		<DayField label="May look until" bind:value={draft.until} error={at('until')} />
	</div>
{/if}
