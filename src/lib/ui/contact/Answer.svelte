<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '../../form/draft-form.svelte.ts';
	import Field from '../control/Field.svelte';
	import Problems from '../Problems.svelte';

	/** A reason, and the buttons that send it with an answer. */
	interface Props {
		allergen: string;
		/** What it is about, for the reason's label. */
		about: string;
		/** Key of the proposal's source; '' for a withdrawal. */
		source: string;
		/** What the address of the form carries besides the action. */
		asked: string;
		answers: { answer: 'accepted' | 'declined' | 'withdrawn'; text: string; hint: string }[];
	}
	let { allergen, about, source, answers, asked }: Props = $props();
	let reason = $state('');
	const form = draftForm<never>({ saved: 'Decided', onsaved: () => (reason = '') });
	/** The button that was pressed is the answer. */
	const send: typeof form.enhance = (input) => {
		const answer = (input.submitter as HTMLButtonElement | null)?.value ?? answers[0]?.answer;
		input.formData.set('draft', JSON.stringify({ allergen, answer, source, reason }));
		return form.enhance(input);
	};
</script>

<form method="POST" action="?/decide{asked}" use:enhance={send} class="mt-2">
	<Problems problems={form.problems.filter((problem) => problem.path !== 'reason')} />
	<div class="flex flex-wrap items-end gap-2">
		<Field
			label="Reason, for {about}"
			bind:value={reason}
			error={form.at('reason')}
			maxlength={300}
			class="min-w-60 flex-1"
		/>
		{#each answers as each (each.answer)}
			<button class="button" value={each.answer} title={each.hint} disabled={form.saving}>{each.text}</button>
		{/each}
	</div>
</form>
