<script lang="ts">
	import { enhance } from '$app/forms';
	import type { RulesName } from '$core/formula/types.ts';
	import Choice from '$lib/ui/Choice.svelte';
	import { draftForm } from '$lib/ui/draft-form.svelte.ts';
	import Field from '$lib/ui/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { onMount, untrack } from 'svelte';

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
		scaleDivision: '1'
	});
	let draft = $state(untrack(blank));
	onMount(() => {
		const here = new Intl.DateTimeFormat().resolvedOptions().timeZone;
		if (timeZones.includes(here)) draft.timeZone = here;
	});
	const form = draftForm<never>({ saved: 'Begun and opened', onsaved: () => (draft = blank()) });
</script>

<form method="POST" action="?/begin" use:enhance={form.enhance} class="mt-2 max-w-3xl">
	<input type="hidden" name="draft" value={JSON.stringify(draft)} />
	<Problems problems={form.problems.filter((problem) => problem.path === '')} />
	<div class="grid items-start gap-4 sm:grid-cols-2">
		<Field label="Its name" bind:value={draft.name} error={form.at('name')} maxlength={120} />
		<Field label="Its town" bind:value={draft.town} error={form.at('town')} maxlength={120} />
		<Field
			label="Street and number"
			bind:value={draft.address}
			error={form.at('address')}
			maxlength={200}
			hint="Stands on every label"
		/>
		<Choice
			label="Its labels follow the rules of"
			bind:value={draft.rules}
			options={[
				{ value: 'us', text: 'the United States' },
				{ value: 'eu', text: 'the European Union or the United Kingdom' }
			]}
		/>
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
		<Choice
			label="Its cups and spoons"
			bind:value={draft.measureSet}
			options={[
				{ value: 'us', text: 'US: cup 236.6 mL' },
				{ value: 'metric', text: 'metric: cup 250 mL' }
			]}
		/>
		<Field
			label="Its scale shows steps of"
			unit="g"
			bind:value={draft.scaleDivision}
			error={form.at('scaleDivision')}
			inputmode="decimal"
		/>
	</div>
	<button class="button button-main mt-4" disabled={form.saving || blocked}>Begin it and open it</button>
</form>
