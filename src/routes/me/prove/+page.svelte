<script lang="ts">
	import Prove from '$lib/ui/people/Prove.svelte';

	let { data } = $props();
	/** A file is taken and a page opened by its address: this page then stays behind. */
	const goOn = () => location.assign(data.to);
</script>

<svelte:head><title>Confirm it is you · Square Batch</title></svelte:head>
<div class="max-w-md">
	<h1>Confirm it is you</h1>
	<p class="text-quiet mt-2">You are not asked again for ten minutes.</p>
	<Prove onproved={goOn} />
	<p class="mt-4 text-sm"><a href="/me">Back to your account</a></p>
</div>
