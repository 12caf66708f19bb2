<script lang="ts">
	import DeletionProof from '$lib/ui/DeletionProof.svelte';

	let { data } = $props();
</script>

<svelte:head><title>{data.deletion.name} is deleted · Square Batch</title></svelte:head>
<p class="text-sm print:hidden"><a href="/me">Your kitchens</a></p>
<h1>Deleted</h1>
<DeletionProof deletion={data.deletion} kitchen={data.kitchen} />
