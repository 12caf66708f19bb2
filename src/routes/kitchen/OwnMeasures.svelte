<script lang="ts">
	import { enhance } from '$app/forms';
	import { KINDS } from '$core/composition/kinds.ts';
	import type { OwnMeasure } from '$core/composition/own-measures.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { plain } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** The spoon, glass or scoop that is used here, for lines that are said with it. */
	interface Props {
		measures: OwnMeasure[];
	}
	let { measures }: Props = $props();

	const blank = () => ({ name: '', kind: '', amount: '' });
	let measure = $state(blank());
	const form = draftForm<never>({ saved: 'Measure kept', onsaved: () => (measure = blank()) });
	const remove = draftForm<never>({ saved: 'Measure removed' });
	const KIND_OPTIONS = [
		{ value: '', text: 'anything, by what it holds' },
		...KINDS.map((kind) => ({ value: kind, text: `full of ${kind}` }))
	];
	const USUAL = ['spoon', 'glass', 'handful', 'scoop', 'ladle', 'bowl', 'mug'];
</script>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="measures-heading">
	<h2 id="measures-heading">My own measures</h2>
	<p class="text-quiet max-w-prose text-sm">
		Your spoon, your glass, your scoop: fill one, weigh it once with each kind of ingredient, or say what it
		holds. Lines said with it then have their grams.
	</p>
	{#if measures.length > 0}
		<table class="ledger mt-2 max-w-2xl">
			<thead><tr><th>Measure</th><th>Of</th><th class="number">Is</th><td></td></tr></thead>
			<tbody>
				{#each measures as each (`${each.name} ${each.kind}`)}
					<tr>
						<td>{each.name}</td>
						<td>{each.kind ?? 'anything'}</td>
						<td class="number"
							>{#if each.grams !== null}{plain(each.grams, 1)}<span class="unit">g</span>
							{:else}{plain(each.millilitres ?? 0, 1)}<span class="unit">ml</span>{/if}</td
						>
						<td class="py-1! text-right">
							<form method="POST" action="?/removeMeasure" use:enhance={remove.enhance}>
								<input
									type="hidden"
									name="draft"
									value={JSON.stringify({ name: each.name, kind: each.kind ?? '' })}
								/>
								<button
									class="min-h-9 px-1 text-sm underline"
									aria-label="Remove {each.name} of {each.kind ?? 'anything'}">Remove</button
								>
							</form>
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
	<form method="POST" action="?/measure" use:enhance={form.enhance} class="mt-3 max-w-3xl">
		<input type="hidden" name="draft" value={JSON.stringify(measure)} />
		<Problems problems={form.problems} />
		<div class="grid items-start gap-3 sm:grid-cols-[1fr_1.4fr_1fr_auto]">
			<Field
				label="My measure"
				bind:value={measure.name}
				error={form.at('name')}
				placeholder="spoon"
				maxlength={40}
				list="usual-measures"
			/>
			<Choice label="Measures" bind:value={measure.kind} options={KIND_OPTIONS} />
			<Field
				label={measure.kind === '' ? 'It holds' : 'It weighs, full'}
				unit={measure.kind === '' ? 'ml' : 'g'}
				bind:value={measure.amount}
				error={form.at('amount')}
				inputmode="decimal"
			/>
			<button class="button sm:mt-6" disabled={form.saving}>Keep the measure</button>
		</div>
		<datalist id="usual-measures"
			>{#each USUAL as name (name)}<option value={name}></option>{/each}</datalist
		>
	</form>
</section>
