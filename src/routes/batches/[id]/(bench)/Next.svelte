<script lang="ts">
	/** What comes after this station, and the cautions that belong to this one. */
	let {
		to,
		word,
		ready,
		cautions = []
	}: { to: string; word: string; ready: boolean; cautions?: readonly string[] } = $props();
</script>

<div
	class="bg-ground border-rule mt-6 flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-t py-3 sm:sticky sm:bottom-0"
>
	<div class="min-w-0 flex-1 basis-64">
		{#each cautions as caution, nth (nth)}<p class="caution mt-1 first:mt-0">{caution}</p>{/each}
	</div>
	<a class={['button', ready && 'button-main']} href={to}>Next: {word}</a>
</div>
