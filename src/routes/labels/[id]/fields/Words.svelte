<script lang="ts">
	import type { Choices } from '$core/formula/process.ts';
	import { DATE_KINDS } from '$core/label/content.ts';
	import type { LabelPartName } from '$core/label/parts.ts';
	import { profileSentence, type LocalProfile } from '$core/profile/profile.ts';
	import type { LabelDraft } from '$lib/label/draft.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';

	/** The parts of a label that are the maker's own words. */
	interface Props {
		part: LabelPartName;
		draft: LabelDraft;
		at: (path: string) => string;
		/** What the kitchen's own authority asks; null while nothing is noted. */
		profile: LocalProfile | null;
		/** How it is kept. */
		storage: Choices['storage'];
	}
	let { part, draft = $bindable(), at, profile, storage }: Props = $props();
	const sentence = $derived(profile ? profileSentence(profile) : '');
</script>

{#if part === 'name'}
	<div data-field="name">
		<Field label="Name on the label" bind:value={draft.name} error={at('name')} maxlength={160} />
	</div>
	{#if storage === 'frozen' || draft.defrosted !== null}
		<div data-field="defrosted">
			<Choice
				label="Is it sold defrosted?"
				bind:value={
					() => (draft.defrosted === null ? '' : draft.defrosted ? 'yes' : 'no'),
					(said) => (draft.defrosted = said === '' ? null : said === 'yes')
				}
				options={[
					{ value: '', text: 'nobody said' },
					{ value: 'yes', text: 'yes: its name says so' },
					{ value: 'no', text: 'no: it is frozen when it is sold' }
				]}
				hint="What was frozen and thawed is not frozen again: say so where you say how to keep it"
			/>
		</div>
	{/if}
{:else if part === 'maker'}
	<div data-field="maker">
		<Field label="Maker" bind:value={draft.maker} error={at('maker')} maxlength={160} />
	</div>
	<div data-field="address">
		<Field label="Address" bind:value={draft.address} error={at('address')} maxlength={200} />
	</div>
{:else if part === 'keeping'}
	<div data-field="storage">
		<Field label="How to keep it" bind:value={draft.storage} error={at('storage')} maxlength={300} />
	</div>
	<div data-field="finishing">
		<Field
			label="How to finish it"
			bind:value={draft.finishing}
			error={at('finishing')}
			maxlength={400}
			hint="Where it is part-cooked: how hot, how long, and that it is not eaten before"
		/>
	</div>
{:else if part === 'date'}
	<div data-field="bestBeforeDays">
		<Field
			label="{draft.dateKind === 'use by' ? 'Use by' : 'Best before'}, days from making"
			bind:value={draft.bestBeforeDays}
			error={at('bestBeforeDays')}
			inputmode="numeric"
			hint="What your own test bears out; empty prints none"
		/>
	</div>
	<div data-field="dateKind">
		<Choice
			label="The day is called"
			bind:value={
				() => draft.dateKind ?? '',
				(said) => (draft.dateKind = DATE_KINDS.find((kind) => kind === said) ?? null)
			}
			options={[
				{ value: '', text: 'nobody said: best before' },
				{ value: 'best before', text: 'best before' },
				{ value: 'use by', text: 'use by: it spoils fast' }
			]}
			hint="What spoils fast may be unsafe before it looks so, and is not sold after its day: your authority says which it is"
		/>
	</div>
	<div data-field="shelfLifeTest">
		<Field
			label="Your shelf-life test"
			bind:value={draft.shelfLifeTest}
			error={at('shelfLifeTest')}
			maxlength={400}
			hint="When, how it was kept, what you found each day; it stays here, not on the label"
		/>
	</div>
	<p class="text-sm">
		Or note it day by day, as <a href="#shelf-tests">a test of your own</a>: the days come from it.
	</p>
{:else if part === 'sentence'}
	<div data-field="localSentence">
		<Field
			label="What else your authority asks to stand there"
			bind:value={draft.localSentence}
			error={at('localSentence')}
			maxlength={400}
			hint={sentence === ''
				? 'A sentence for every label belongs in the local profile'
				: `Besides “${sentence}”, from your local profile`}
		/>
	</div>
	{#if profile && profile.foods.length > 0}
		<div data-field="food">
			<Choice
				label="Which of the foods your profile allows"
				bind:value={draft.food}
				options={[
					{ value: '', text: 'choose…' },
					...profile.foods.map((food) => ({ value: food, text: food })),
					...(draft.food === '' || profile.foods.includes(draft.food)
						? []
						: [{ value: draft.food, text: `${draft.food} (no longer listed)` }])
				]}
				error={at('food')}
			/>
		</div>
	{/if}
	<p class="text-sm"><a href="/kitchen/profile">Your local profile</a> says the rest of it.</p>
{:else if part === 'barcode'}
	<div data-field="price">
		<Field label="Price, if it is to print" bind:value={draft.price} error={at('price')} maxlength={20} />
	</div>
	<div data-field="barcode">
		<Field
			label="Barcode number, if it is to print"
			bind:value={draft.barcode}
			error={at('barcode')}
			inputmode="numeric"
			maxlength={20}
			hint="The 12 or 13 digits you were given; none is made up here"
		/>
	</div>
{/if}
