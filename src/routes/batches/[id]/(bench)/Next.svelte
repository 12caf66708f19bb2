<script lang="ts">
	/** What comes after this station, and the cautions that belong to this one. */
	let {
		to,
		word,
		ready,
		cautions = []
	}: { to: string; word: string; ready: boolean; cautions?: readonly string[] } = $props();
</script>

<!-- On a phone only the way on stays in view: the cautions are read where they stand. -->
<div
	class="bg-ground border-rule z-10 mt-6 flex-wrap items-center justify-between gap-x-6 gap-y-2 border-t py-3 max-sm:contents sm:sticky sm:bottom-0 sm:flex"
>
	<div class="border-rule min-w-0 flex-1 basis-64 max-sm:mt-6 max-sm:border-t max-sm:pt-3">
		{#each cautions as caution, nth (nth)}<p class="caution mt-1 first:mt-0">{caution}</p>{/each}
	</div>
	<div class="max-sm:bg-ground max-sm:sticky max-sm:bottom-0 max-sm:z-10 max-sm:py-2">
		<a class={['button max-sm:w-full', ready && 'button-main']} href={to}>Next: {word}</a>
	</div>
</div>
