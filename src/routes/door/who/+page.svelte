<script lang="ts">
	import { goto, invalidateAll } from '$app/navigation';
	import ByCode from '$lib/ui/people/ByCode.svelte';

	let { data } = $props();
	async function come(): Promise<void> {
		await invalidateAll();
		await goto(data.to);
	}
</script>

<svelte:head><title>Who is at it? · Square Batch</title></svelte:head>
<div class="mx-auto max-w-xl">
	<h1>Who is at it?</h1>
	<p class="text-quiet mt-1">{data.device} of {data.kitchen}. Every reading says who took it.</p>
	<ByCode people={data.people} oncome={come} />
	<p class="mt-8 text-sm"><a href="/door">Come in with a password</a></p>
</div>
