<script lang="ts">
	import Prove from '$lib/ui/people/Prove.svelte';

	let { data } = $props();
	/** A file is taken and a page opened by its address: this page then stays behind. */
	const goOn = () => location.assign(data.to);
</script>

<svelte:head><title>Is it you? · Square Batch</title></svelte:head>
<div class="max-w-md">
	<h1>Is it you?</h1>
	<p class="text-quiet mt-2">
		This is asked once more before something dear. For ten minutes it is not asked again.
	</p>
	<Prove onproved={goOn} />
	<p class="mt-4 text-sm"><a href="/me">Back to your account</a></p>
</div>
