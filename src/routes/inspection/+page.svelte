<script lang="ts">
	import { dayText, plain } from '$lib/format.ts';
	import { moment } from '$lib/people/moment.ts';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Inspection · Square Batch</title></svelte:head>
<h1>Inspection</h1>
<p class="text-quiet max-w-prose">
	What {data.kitchen.name} made and what its labels said{#if data.span}, of {dayText(data.span.from)} to {dayText(
			data.span.to
		)}; open until {dayText(data.span.until)}{/if}. Records are as they were kept: nothing here can be
	changed, and local codes say what has to be in them.
</p>

<section class="mt-6" aria-labelledby="labels">
	<h2 id="labels">Labels</h2>
	<ul class="divide-rule border-rule mt-2 max-w-3xl divide-y border-y">
		{#each data.labels as label (label.id)}
			<li class="flex min-h-12 flex-wrap items-center justify-between gap-x-4 py-1">
				<a href="/inspection/label/{label.id}" class="font-semibold break-words">{label.name}</a>
				<span class="text-quiet text-sm"
					>revision {label.number}, approved {moment(label.approvedAt, data.kitchen)}</span
				>
			</li>
		{:else}
			<li class="py-2">No label was approved yet.</li>
		{/each}
	</ul>
</section>

<section class="mt-6" aria-labelledby="batches">
	<h2 id="batches">Batches</h2>
	{#if data.batches.length === 0}
		<p class="mt-1">No batch was made in these days.</p>
	{:else}
		<Wide label="Every batch">
			<table class="ledger mt-2 max-w-4xl">
				<thead
					><tr><th>Made</th><th>Batch</th><th>What</th><th class="number">Packs</th><th>State</th></tr></thead
				>
				<tbody>
					{#each data.batches as batch (batch.id)}
						<tr>
							<td class="whitespace-nowrap">{dayText(batch.madeOn)}</td>
							<td><a href="/inspection/batch/{batch.id}" class="figure font-semibold">{batch.code}</a></td>
							<td class="break-words">{batch.name}</td>
							<td class="number">{plain(batch.packsMade)}</td>
							<td class="text-quiet">{batch.isClosed ? 'closed' : 'still open'}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
	{/if}
</section>
