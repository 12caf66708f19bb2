<script lang="ts">
	import { enhance } from '$app/forms';
	import { untrack } from 'svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { PlanBasis } from '$lib/plan/types.ts';
	import TimeField from '$lib/ui/control/TimeField.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** The hours a place sells: when everything has to be packed, and how early something ran out, go by them. */
	let { basis, action }: { basis: PlanBasis; action: string } = $props();
	const hours = draftForm<never>({ saved: 'Hours kept' });
	let opens = $state(untrack(() => basis.hours?.opens ?? '09:00'));
	let closes = $state(untrack(() => basis.hours?.closes ?? '13:00'));
</script>

<form method="POST" {action} use:enhance={hours.enhance} class="mt-3 flex flex-wrap items-end gap-2">
	<input type="hidden" name="draft" value={JSON.stringify({ opens, closes })} />
	<TimeField label="{basis.place} sells from" bind:value={opens} error={hours.at('opens')} />
	<TimeField label="to" bind:value={closes} error={hours.at('closes')} />
	<button class="button" disabled={hours.saving}>Keep the hours</button>
	<Problems problems={hours.problems.filter(({ path }) => path === '')} />
</form>
