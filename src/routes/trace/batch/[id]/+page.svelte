<script lang="ts">
	import BatchTrace from '$lib/ui/trace/BatchTrace.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Trace {data.batch.code} · Square Batch</title></svelte:head>

<p class="text-quiet no-print"><a href="/trace">Trace a code</a></p>
<BatchTrace {data} kitchen={data.kitchen.name} />
