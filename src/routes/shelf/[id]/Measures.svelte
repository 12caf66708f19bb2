<script lang="ts">
	import { enhance } from '$app/forms';
	import { millilitresOf, type MeasureSet } from '$core/measure/units.ts';
	import { plain } from '$lib/format.ts';
	import type { StoredMeasure } from '$lib/shelf/ingredient.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** What a cup, a spoon or one of it weighs here, best by the maker's own weighings. */
	let { id, measures, set }: { id: string; measures: StoredMeasure[]; set: MeasureSet } = $props();

	const WORDS = {
		reference: 'typical, from a table',
		typed: 'as typed',
		weighed: 'weighed here'
	};
	const NAMES: Record<string, string> = $derived({
		cup: `cup (${plain(millilitresOf('cup', set) ?? 0, 1)} mL)`,
		tbsp: 'tablespoon',
		tsp: 'teaspoon',
		packet: 'packet',
		each: 'one of it',
		clove: 'clove',
		cake: 'cake',
		stick: 'stick',
		jar: 'jar'
	});
	let how = $state<'weigh' | 'type'>('weigh');
	const blank = () => ({ measure: 'cup', grams: '', low: '', high: '', readings: ['', '', ''] });
	let draft = $state(blank());
	const form = draftForm<never>({
		saved: 'Noted',
		onsaved: () => (draft = { ...blank(), measure: draft.measure })
	});
	const sent = $derived(
		how === 'weigh' ? { ...draft, grams: '', low: '', high: '' } : { ...draft, readings: [] }
	);
	const forget = draftForm<never>({ saved: 'Forgotten' });
</script>

<section class="border-rule mt-6 max-w-4xl border-t pt-4" aria-labelledby="measures-heading">
	<h2 id="measures-heading">Cups and spoons of it</h2>
	<p class="text-quiet mt-1 text-sm">
		A scooped cup weighs a fifth more than a spooned one. Fill yours three times as you always do and weigh
		each: lines said in cups then come to your grams.
	</p>
	{#if measures.length > 0}
		<table class="ledger mt-2 max-w-2xl">
			<thead
				><tr
					><th>Measure</th><th class="number">Weighs</th><th class="number">From–to</th><th
						>How it is known</th
					><td></td></tr
				></thead
			>
			<tbody>
				{#each measures as measure (measure.measure)}
					<tr>
						<td>{NAMES[measure.measure] ?? measure.measure}</td>
						<td class="number">{plain(measure.grams, 2)}<span class="unit">g</span></td>
						<td class="number text-quiet">{plain(measure.low, 2)}–{plain(measure.high, 2)}</td>
						<td class="text-quiet"
							>{WORDS[measure.basis]}{measure.readings.length > 0
								? `: ${measure.readings.map((grams) => plain(grams, 1)).join(', ')}`
								: ''}</td
						>
						<td class="py-1! text-right">
							<form method="POST" action="/shelf/{id}?/forget" use:enhance={forget.enhance}>
								<input type="hidden" name="draft" value={JSON.stringify({ measure: measure.measure })} />
								<button
									class="min-h-9 px-1 text-sm underline"
									aria-label="Forget the {NAMES[measure.measure] ?? measure.measure}">Forget</button
								>
							</form>
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
	<form method="POST" action="/shelf/{id}?/measure" use:enhance={form.enhance} class="mt-3">
		<input type="hidden" name="draft" value={JSON.stringify(sent)} />
		<Problems problems={form.problems} />
		<div class="grid items-start gap-3 sm:grid-cols-3 lg:grid-cols-[9.5rem_12rem_1fr_1fr_1fr_auto]">
			<Choice
				label="Measure"
				bind:value={draft.measure}
				options={Object.entries(NAMES).map(([value, text]) => ({ value, text }))}
			/>
			<Choice
				label="How"
				bind:value={how}
				options={[
					{ value: 'weigh', text: 'weigh it three times' },
					{ value: 'type', text: 'type what it weighs' }
				]}
			/>
			{#if how === 'weigh'}
				{#each draft.readings as _, index (index)}
					<Field
						label="Weighing {index + 1}"
						unit="g"
						bind:value={() => draft.readings[index] ?? '', (typed) => (draft.readings[index] = typed)}
						error={form.at(`readings[${index}]`) ||
							(index === 0 ? form.at('readings') || form.at('grams') : '')}
						inputmode="decimal"
					/>
				{/each}
			{:else}
				<Field
					label="Weighs"
					unit="g"
					bind:value={draft.grams}
					error={form.at('grams')}
					inputmode="decimal"
				/>
				<Field label="At least" unit="g" bind:value={draft.low} error={form.at('low')} inputmode="decimal" />
				<Field label="At most" unit="g" bind:value={draft.high} error={form.at('high')} inputmode="decimal" />
			{/if}
			<button class="button sm:mt-6" disabled={form.saving}>Note it</button>
		</div>
	</form>
</section>
