<script lang="ts">
	import Squares from '$lib/ui/trace/Squares.svelte';
	import BatchTrace from '$lib/ui/trace/BatchTrace.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Batch {data.trace.batch.code} · Square Batch</title></svelte:head>

<p class="text-quiet no-print"><a href="/inspection">Inspection</a></p>
<BatchTrace data={data.trace} kitchen={data.kitchen.name} isLinked={false} />
<Squares stages={data.stages} reasons={data.reasons} lines={data.lines} />
