<script lang="ts">
	import { page } from '$app/state';
</script>

<svelte:head><title>Not here · Square Batch</title></svelte:head>
<h1>{page.error?.message ?? 'Something failed.'}</h1>
{#if page.error?.remedy}<p class="mt-2 break-words">{page.error.remedy}</p>{/if}
{#if page.error?.wayOut}<p class="mt-2">
		<a href={page.error.wayOut.href}>{page.error.wayOut.words}</a>
	</p>{/if}
<p class="text-quiet figure mt-4 text-sm">{page.status}</p>
