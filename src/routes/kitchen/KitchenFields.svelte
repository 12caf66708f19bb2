<script lang="ts">
	import type { DraftForm } from '$lib/form/draft-form.svelte.ts';
	import { localeChoices } from '$lib/kitchen/locale.ts';
	import Check from '$lib/ui/control/Check.svelte';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import type { Snippet } from 'svelte';

	/** What a kitchen is asked when it begins and may change later; `children` is asked only once. */
	interface Props {
		draft: {
			name: string;
			town: string;
			address: string;
			rules: string;
			measureSet: string;
			scaleDivision: string;
			locale: string;
			weekStarts: string;
			sellsShort: boolean;
		};
		form: DraftForm<never>;
		children?: Snippet;
	}
	let { draft = $bindable(), form, children }: Props = $props();
</script>

<div class="grid items-start gap-4 sm:grid-cols-2">
	<Field label="Name" bind:value={draft.name} error={form.at('name')} maxlength={120} />
	<Field label="Town" bind:value={draft.town} error={form.at('town')} maxlength={120} />
	<Field
		label="Street and number"
		bind:value={draft.address}
		error={form.at('address')}
		maxlength={200}
		hint="Stands on every label"
	/>
	<Choice
		label="Labels follow the rules of"
		bind:value={draft.rules}
		options={[
			{ value: 'us', text: 'the United States' },
			{ value: 'eu', text: 'the European Union or the United Kingdom' }
		]}
		hint="Panel, list, allergens and net quantity; local law may ask for more"
	/>
	{@render children?.()}
	<Choice
		label="Cups and spoons"
		bind:value={draft.measureSet}
		options={[
			{ value: 'us', text: 'US: cup 236.6 mL, tablespoon 14.8, teaspoon 4.9' },
			{ value: 'metric', text: 'metric: cup 250 mL, tablespoon 15, teaspoon 5' }
		]}
		hint="Chosen once: measures already noted keep their grams"
	/>
	<Field
		label="The scale shows steps of"
		unit="g"
		bind:value={draft.scaleDivision}
		error={form.at('scaleDivision')}
		inputmode="decimal"
		hint="Scaled formulas are rounded to it"
	/>
	<Choice
		label="Days and times are written"
		bind:value={draft.locale}
		options={localeChoices()}
		error={form.at('locale')}
	/>
	<Choice
		label="The week begins on"
		bind:value={draft.weekStarts}
		options={[
			{ value: '1', text: 'Monday' },
			{ value: '0', text: 'Sunday' },
			{ value: '6', text: 'Saturday' }
		]}
		error={form.at('weekStarts')}
	/>
	<div class="sm:col-span-2">
		<Check bind:checked={draft.sellsShort}
			>Loose pieces are made up into short packs and sold for their share of the price</Check
		>
		<p class="text-quiet text-sm">
			A short pack is not what its label says: mark how many are in it and what it weighs, or sell it open
			where your local rules let you.
		</p>
	</div>
</div>
