<script lang="ts">
	import { KINDS } from '$core/composition/kinds.ts';
	import type { IngredientDraft } from '$lib/shelf/ingredient-draft.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';

	/** What it is called here and on a label, and what it is to a formula. */
	let { draft = $bindable(), at }: { draft: IngredientDraft; at: (path: string) => string } = $props();
</script>

<section class="border-rule mt-4 grid gap-4 border-t pt-4 sm:grid-cols-3" aria-label="Names">
	<Field
		label="Name, as you call it"
		bind:value={draft.name}
		error={at('name')}
		class="sm:col-span-2"
		maxlength={160}
	/>
	<Choice
		label="Kind"
		bind:value={draft.kind}
		options={KINDS.map((kind) => ({ value: kind, text: kind }))}
		error={at('kind')}
		hint={draft.mix ? 'Baker’s percentages look into it whatever it is' : 'Decides baker’s percentages'}
	/>
	<Field
		label="Name on a US label"
		bind:value={draft.labelUs}
		error={at('labelUs')}
		hint="Left empty: the name in small letters"
		class="sm:col-span-2"
	/>
	<Field label="Name on an EU or UK label" bind:value={draft.labelEu} error={at('labelEu')} />
	{#if !draft.mix}
		<Field
			label="Its own parts, if it is a compound, as its pack lists them"
			bind:value={draft.parts}
			error={at('parts')}
			hint="They follow the name in parentheses, such as: wheat flour, butter (cream, salt)"
			class="sm:col-span-3"
		/>
	{/if}
</section>
