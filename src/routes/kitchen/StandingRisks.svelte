<script lang="ts">
	import { enhance } from '$app/forms';
	import { NAMED_TAGS, PLAIN_TAGS } from '$core/allergens/tags.ts';
	import { allergenName } from '$core/allergens/contact-words.ts';
	import type { StandingRisk } from '$lib/kitchen/types.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** Allergens that are about whatever is made. */
	let { risks }: { risks: StandingRisk[] } = $props();
	const blank = { group: 'sesame', species: '', why: '' };
	let typed = $state({ ...blank });
	const isNamed = $derived((NAMED_TAGS as readonly string[]).includes(typed.group));
	const allergen = $derived(isNamed ? `${typed.group}:${typed.species.trim().toLowerCase()}` : typed.group);
	const add = draftForm<never>({ saved: 'Noted', onsaved: () => (typed = { ...blank }) });
	const end = draftForm<never>({ saved: 'Ended' });
</script>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="risks-heading">
	<h2 id="risks-heading">Allergens always about</h2>
	<p class="text-quiet max-w-prose text-sm">
		What is in the room whatever is made: seed on the shelf above the bench, flour in the air, the household’s
		own cooking. Each is proposed for every label that does not declare it already.
	</p>
	{#if risks.length > 0}
		<ul class="mt-2 max-w-3xl space-y-1">
			{#each risks as risk (risk.id)}
				<li class="flex flex-wrap items-center gap-x-3">
					<span><b>{allergenName(risk.allergen)}</b>: {risk.why}</span>
					<form method="POST" action="?/endRisk" use:enhance={end.enhance}>
						<input type="hidden" name="draft" value={JSON.stringify({ id: risk.id })} />
						<button
							class="min-h-9 px-1 text-sm underline"
							aria-label="{allergenName(risk.allergen)} no longer about">no longer so</button
						>
					</form>
				</li>
			{/each}
		</ul>
	{/if}
	<form
		method="POST"
		action="?/risk"
		use:enhance={add.enhance}
		class="mt-2 flex max-w-3xl flex-wrap items-end gap-2"
	>
		<input type="hidden" name="draft" value={JSON.stringify({ id: add.key, allergen, why: typed.why })} />
		<Choice
			label="Allergen"
			bind:value={typed.group}
			options={[...PLAIN_TAGS, ...NAMED_TAGS].map((tag) => ({
				value: tag,
				text: tag === 'treenut' ? 'tree nut' : tag
			}))}
			class="w-40"
		/>
		{#if isNamed}<Field
				label="Which kind"
				bind:value={typed.species}
				placeholder="almond"
				class="w-40"
			/>{/if}
		<Field
			label="Why it is about"
			bind:value={typed.why}
			error={add.at('why')}
			maxlength={200}
			class="min-w-60 flex-1"
		/>
		<button class="button" disabled={add.saving}>Note it</button>
	</form>
	<Problems problems={[...add.problems, ...end.problems].filter((problem) => problem.path !== 'why')} />
</section>
