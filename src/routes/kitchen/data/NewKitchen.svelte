<script lang="ts">
	import { enhance } from '$app/forms';
	import type { RulesName } from '$core/formula/types.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import { onMount, untrack } from 'svelte';
	import KitchenFields from '../KitchenFields.svelte';

	/** An empty kitchen, opened at once; the one open now stays as it is. */
	interface Props {
		timeZones: string[];
		currencies: string[];
		currency: string;
		rules: RulesName;
		/** Entries of the open kitchen are still on their way. */
		blocked: boolean;
	}
	let { timeZones, currencies, currency, rules, blocked }: Props = $props();
	const blank = () => ({
		name: '',
		town: '',
		address: '',
		timeZone: 'UTC',
		currency,
		rules: rules as string,
		measureSet: 'us',
		scaleDivision: '1',
		locale: rulesOf(rules).usualDays.locale as string,
		weekStarts: String(rulesOf(rules).usualDays.weekStarts),
		sellsShort: false
	});
	let draft = $state(untrack(blank));
	onMount(() => {
		const here = new Intl.DateTimeFormat().resolvedOptions().timeZone;
		if (timeZones.includes(here)) draft.timeZone = here;
	});
	const form = draftForm<never>({ saved: 'Begun and opened', onsaved: () => (draft = blank()) });
</script>

<form method="POST" action="?/begin" use:enhance={form.enhance} class="mt-2 max-w-3xl">
	<input type="hidden" name="draft" value={JSON.stringify({ id: form.key, ...draft })} />
	<Problems problems={form.problems.filter((problem) => problem.path === '')} />
	<KitchenFields bind:draft {form}>
		<Choice
			label="Money"
			bind:value={draft.currency}
			options={currencies.map((code) => ({ value: code, text: code }))}
			hint="Chosen once, for every price in it"
		/>
		<Choice
			label="Time zone"
			bind:value={draft.timeZone}
			options={[...new Set(['UTC', ...timeZones])].map((zone) => ({ value: zone, text: zone }))}
			hint="Its days begin and end there"
		/>
	</KitchenFields>
	<button class="button button-main mt-4" disabled={form.saving || blocked}>Begin it and open it</button>
</form>
