<script lang="ts">
	import { goto } from '$app/navigation';
	import { untrack } from 'svelte';
	import { dayText, plural } from '$lib/format.ts';
	import { weekdayOf } from '$lib/plan/times.ts';
	import DayField from '$lib/ui/control/DayField.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Tool from './Tool.svelte';

	let { data } = $props();
	let day = $state(untrack(() => data.from));
	let place = $state(untrack(() => data.places[0] ?? 'From the door'));
	const href = (of: { day: string; place: string }) =>
		`/plan/${of.day}?place=${encodeURIComponent(of.place)}`;
	const STATES = { begun: 'batches begun', taken: 'plan taken', kept: 'planned so far' } as const;
	const may = $derived(data.who?.rights.includes('make') ?? false);
</script>

<svelte:head><title>Plan · Square Batch</title></svelte:head>
<h1>Plan</h1>
<p class="text-quiet max-w-prose">
	For each coming selling day how many packs pay best, and its work backwards from the moment everything must
	be packed.
</p>
{#if data.days.length === 0}
	<p class="bg-sheet border-rule mt-4 max-w-prose border p-4">
		No selling day is known yet: once a place has sold on the same weekday twice, or something is ordered, it
		stands here. Any day can be planned below.
	</p>
{:else}
	<table class="ledger mt-4 max-w-4xl">
		<thead
			><tr
				><th>Day</th><th class="number">Wanted</th><th class="number hidden sm:table-cell">Ordered</th><th
					class="number">To make</th
				><th>Plan</th></tr
			></thead
		>
		<tbody>
			{#each data.days as of (`${of.day} ${of.place}`)}
				<tr>
					<td
						><a href={href(of)} class="font-semibold">{weekdayOf(of.day)}, {of.place}</a><span
							class="text-quiet block text-sm">{dayText(of.day)}</span
						></td
					>
					<td class="number figure">{of.wanted || '–'}</td>
					<td class="number figure hidden sm:table-cell">{of.ordered || '–'}</td>
					<td class="number figure font-bold">{of.toMake || '–'}</td>
					<td class="text-sm"
						>{of.plan
							? STATES[of.plan]
							: of.toMake > 0
								? `${plural(of.toMake, 'pack')} to plan`
								: 'enough is there'}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
{/if}
<form
	class="mt-4 flex max-w-2xl flex-wrap items-end gap-2"
	onsubmit={(event) => {
		event.preventDefault();
		if (day !== '' && place.trim() !== '') void goto(href({ day, place: place.trim() }));
	}}
>
	<DayField label="Another day" bind:value={day} class="w-44 shrink-0" />
	<Field
		label="Where it is sold"
		bind:value={place}
		list="plan-places"
		maxlength={60}
		class="min-w-60 flex-1"
	/>
	<datalist id="plan-places"
		>{#each data.places as each (each)}<option value={each}></option>{/each}</datalist
	>
	<button class="button">Plan it</button>
</form>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="tools">
	<h2 id="tools">What there is to work with</h2>
	<p class="text-quiet max-w-prose text-sm">
		What each piece of equipment is, how many pieces are on it at once, and how much dough it holds. A dough
		larger than the largest bowl is planned as several mixes. Equipment is added under <a
			href="/kitchen#equipment-heading">Kitchen</a
		>.
	</p>
	{#if data.equipment.length === 0}
		<p class="mt-2">None is written down: nothing but hands limits a plan.</p>
	{:else}
		<ul class="mt-2 max-w-4xl">
			{#each data.equipment as equipment (equipment.id)}<Tool {equipment} {may} />{/each}
		</ul>
	{/if}
</section>
