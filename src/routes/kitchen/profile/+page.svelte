<script lang="ts">
	import Check from '$lib/ui/control/Check.svelte';
	import { enhance } from '$app/forms';
	import { checklistOf } from '$core/profile/checklist.ts';
	import { EXAMPLE_PROFILES } from '$core/profile/examples.ts';
	import { profileDraft, type ProfileDraft } from '$lib/kitchen/profile-draft.ts';
	import type { KeptProfile } from '$lib/kitchen/types.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import Stale from '$lib/ui/Stale.svelte';
	import { recordForm } from '$lib/form/record-form.svelte.ts';
	import { profileDifferences } from './differences.ts';

	let { data } = $props();
	const form = recordForm<KeptProfile, ProfileDraft>({
		saved: 'Profile saved',
		fresh: () => data.draft,
		draftOf: ({ profile, version }) => profileDraft(data.draft.id, version, profile)
	});
	const touched = $derived(JSON.stringify(form.draft) !== JSON.stringify(data.draft));
	const questions = $derived(checklistOf(data.kitchen.rules));
	const asked = $derived(questions.filter(({ key }) => form.draft.answers[key].trim() !== '').length);
	/** Puts an example, or nothing, in place of what is typed; the answers already noted stay. */
	function beginFrom(id: string) {
		const example = EXAMPLE_PROFILES.find((each) => each.id === id);
		if (!example && id !== 'blank') return;
		form.draft = {
			...profileDraft(form.draft.id, form.draft.version, example?.profile ?? null),
			answers: form.draft.answers
		};
	}
</script>

<svelte:head><title>Local profile · Square Batch</title></svelte:head>
<svelte:window onkeydown={form.saveByKey} />
<p class="text-sm"><a href="/kitchen">Kitchen</a></p>
<h1>Local profile</h1>
<p class="text-quiet max-w-prose">
	What your own authority asks of a home kitchen: it goes on every label, holds back one that says too little,
	and stands beside your sales.
</p>
<p class="caution mt-3 max-w-3xl">
	Local law decides, not this page. The examples are made up and are the law of no place; what you write here
	is what you were told. When in doubt, ask your authority or a licensed professional.
</p>
{#if form.theirs}
	<Stale
		differences={profileDifferences(form.draft, form.theirs)}
		ontake={form.takeTheirs}
		onkeep={form.saveMine}
	/>
{/if}

<form
	method="POST"
	action="?/save"
	use:enhance={form.enhance}
	bind:this={form.element}
	class="mt-4 max-w-3xl"
	aria-label="Local profile"
>
	<input type="hidden" name="draft" value={JSON.stringify(form.draft)} />
	<Problems problems={form.problems} />
	<div class="grid items-start gap-4 sm:grid-cols-2">
		<Choice
			label="Begin from"
			bind:value={() => '', beginFrom}
			options={[
				{ value: '', text: 'keep what is here' },
				{ value: 'blank', text: 'blank: only the questions' },
				...EXAMPLE_PROFILES.map(({ id, text }) => ({ value: id, text }))
			]}
			class="sm:col-span-2"
			hint="Takes the place of what is typed; the answers below stay. Nothing is kept until you save."
		/>
		<Field
			label="What the rules are called"
			bind:value={form.draft.name}
			error={form.at('name')}
			maxlength={120}
			class="sm:col-span-2"
		/>
		<Field
			label="Sentence on every label"
			bind:value={form.draft.sentence}
			error={form.at('sentence')}
			maxlength={300}
			hint="Exactly as it was given to you; empty prints none"
		/>
		<Field
			label="Its least type size"
			unit="pt"
			bind:value={form.draft.sentenceLeast}
			error={form.at('sentenceLeast')}
			inputmode="decimal"
			hint="Empty: as the other words"
		/>
		<div>
			<Check bind:checked={form.draft.permitAsked} class="font-medium"
				>A permit number has to stand on the label</Check
			>
		</div>
		<Field
			label="Permit or registration number"
			bind:value={form.draft.permit}
			error={form.at('permit')}
			maxlength={60}
		/>
		<Field
			label="Foods that may be made and sold, one a line"
			prose
			bind:value={form.draft.foods}
			error={form.at('foods')}
			hint="Every product then says which it is; empty: no list is known"
		/>
		<Field
			label="Ways they may be sold, one a line"
			prose
			bind:value={form.draft.channels}
			error={form.at('channels')}
			hint="A sale by another way is pointed out; empty: no list is known"
		/>
		<Field
			label="Most that may be sold in a year"
			unit={data.kitchen.currency}
			bind:value={form.draft.yearlyLimit}
			error={form.at('yearlyLimit')}
			inputmode="decimal"
		/>
		<div>
			<Check bind:checked={form.draft.panelExempt} class="font-medium"
				>The nutrition panel may be left out</Check
			>
			{#if form.draft.panelExempt}
				<Field
					label="On what condition"
					prose
					bind:value={form.draft.panelCondition}
					error={form.at('panelCondition')}
					maxlength={300}
					hint="Allergens are never left out"
				/>
			{/if}
		</div>
	</div>

	<h2 class="mt-8">What to ask your authority</h2>
	<p class="text-quiet text-sm">
		{asked} of {questions.length} answered. Note who said it and when: an answer is worth what stands behind it.
	</p>
	<ol class="mt-2 space-y-4">
		{#each questions as { key, question }, index (key)}
			<li>
				<Field
					label="{index + 1}. {question}"
					prose
					bind:value={form.draft.answers[key]}
					error={form.at(`answers.${key}`)}
				/>
			</li>
		{/each}
	</ol>
	<div class="bg-ground border-rule sticky bottom-0 flex items-center gap-3 border-t py-3">
		<button class="button button-main" disabled={form.saving}>Save</button>
		{#if touched}<span class="text-quiet text-sm">not saved yet</span>{/if}
	</div>
</form>
