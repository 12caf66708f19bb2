<script lang="ts">
	import LeftOne from './LeftOne.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Left on devices · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/people">People</a></p>
<h1>Left on devices</h1>
<p class="text-quiet max-w-prose">
	Entries a device could not send as who made them: they were put out, may do less now, or left them to you.
	Record each as it was made, or let it go with a reason. Until then none of it counts.
</p>
{#if data.left.length === 0}
	<p class="mt-6">Nothing waits.</p>
{:else}
	<ul class="divide-rule border-rule mt-4 divide-y border-y">
		{#each data.left as entry (entry.id)}
			<LeftOne {entry} />
		{/each}
	</ul>
{/if}
