<script lang="ts">
	import { moment } from '$lib/people/moment.ts';

	let { data } = $props();
</script>

<svelte:head><title>Label of {data.name} · Square Batch</title></svelte:head>
<p class="text-quiet no-print"><a href="/inspection">Inspection</a></p>
<h1 class="break-words">{data.name}: what its labels said</h1>
{#each data.revisions as revision (revision.number)}
	<section class="mt-6" aria-labelledby="revision-{revision.number}">
		<h2 id="revision-{revision.number}">Revision {revision.number}</h2>
		<p class="text-quiet text-sm">
			Approved {moment(revision.approvedAt, data.kitchen)}, for formula version {revision.formulaNumber}.
		</p>
		<p class="border-rule bg-sheet mt-2 max-w-prose border p-4 whitespace-pre-line">{revision.text}</p>
	</section>
{:else}
	<p class="mt-4">No label of it was approved.</p>
{/each}
