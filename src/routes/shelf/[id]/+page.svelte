<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { onMount, tick } from 'svelte';
	import { ingredientDraft, type IngredientDraft } from '$lib/shelf/ingredient-draft.ts';
	import type { ShelfIngredient } from '$lib/shelf/ingredient.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import { recordForm } from '$lib/form/record-form.svelte.ts';
	import Stale from '$lib/ui/Stale.svelte';
	import Allergens from './Allergens.svelte';
	import Composition from './Composition.svelte';
	import { ingredientDifferences } from './differences.ts';
	import Jars from './Jars.svelte';
	import History from './History.svelte';
	import Measures from './Measures.svelte';
	import MixLines from './MixLines.svelte';
	import Names from './Names.svelte';
	import Prices from './Prices.svelte';

	let { data } = $props();
	const form = recordForm<ShelfIngredient, IngredientDraft>({
		saved: 'Saved',
		fresh: () => data.draft,
		draftOf: ingredientDraft
	});
	const differences = $derived(form.theirs ? ingredientDifferences(form.draft, form.theirs) : []);
	const rules = $derived(data.kitchen.rules);
	/** A line of a mix that nobody filled is not asked about. */
	function withoutBlankLines() {
		const filled = form.draft.mix?.filter((line) => line.ingredient !== '' || line.grams.trim() !== '');
		if (filled && filled.length > 0) form.draft.mix = filled;
	}
	/** Somebody was sent here to take a better source's figures: it is opened at them, nothing of it saved yet. */
	onMount(async () => {
		const from = page.url.searchParams.get('from');
		if (form.draft.mix || (from !== 'pack' && from !== 'laboratory')) return;
		form.draft.source = from;
		if (from === 'pack' && form.draft.label.kind === '') form.draft.label.kind = rules;
		await tick();
		document.getElementById('composition-heading')?.scrollIntoView();
	});
	const heading = $derived(
		data.isNew ? (form.draft.mix ? 'New mix of your own' : 'New ingredient') : data.draft.name
	);
</script>

<svelte:head><title>{heading} · Square Batch</title></svelte:head>
<svelte:window onkeydown={form.saveByKey} />

<p class="text-sm"><a href="/shelf">Shelf</a></p>
<h1 class="break-words">{heading}</h1>

<form
	method="POST"
	action="?/save"
	use:enhance={form.enhance}
	bind:this={form.element}
	onsubmit={withoutBlankLines}
	class="max-w-4xl"
>
	<input type="hidden" name="draft" value={JSON.stringify(form.draft)} />
	<Problems problems={form.problems} />
	{#if form.theirs}<Stale {differences} ontake={form.takeTheirs} onkeep={form.saveMine} />{/if}
	<Names bind:draft={form.draft} at={form.at} />
	{#if form.draft.mix}
		<MixLines
			bind:draft={form.draft}
			ingredients={data.others}
			{rules}
			currency={data.kitchen.currency}
			at={form.at}
		/>
	{:else}
		<Allergens bind:draft={form.draft} confirmedOn={data.confirmedOn} {rules} at={form.at} />
		<Composition bind:draft={form.draft} {rules} at={form.at} />
	{/if}
	<div class="bg-ground border-rule sticky bottom-0 mt-6 flex items-center gap-3 border-t py-3">
		<button class="button button-main" disabled={form.saving}
			>{data.isNew ? 'Put it on the shelf' : 'Save'}</button
		>
		<a href="/shelf" class="px-2">Back to the shelf</a>
	</div>
</form>

{#if !data.isNew}
	{#if data.draft.mix}<Jars portion_g={data.portion_g} lots={data.lots} today={data.today} />{/if}
	{#if mayHere('costs')}
		<Prices
			notedBy={data.notedBy}
			id={data.draft.id}
			packs={data.packs}
			today={data.today}
			currency={data.kitchen.currency}
			follows={data.draft.mix !== null}
		/>
	{/if}
	<Measures id={data.draft.id} measures={data.measures} set={data.measureSet} />
	<History history={data.history} />
{/if}
