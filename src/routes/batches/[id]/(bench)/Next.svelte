<script lang="ts">
	/** What comes after this station, and the cautions that belong to this one. */
	let {
		to,
		word,
		ready,
		cautions = []
	}: { to: string; word: string; ready: boolean; cautions?: readonly string[] } = $props();
</script>

<div class="border-rule mt-6 border-t pt-3 sm:hidden">
	{@render said()}
</div>
<div
	class="bg-ground border-rule sticky bottom-0 z-10 flex flex-wrap items-center justify-end gap-x-6 gap-y-2 py-2 sm:mt-6 sm:border-t sm:py-3"
>
	<div class="min-w-0 flex-1 basis-64 max-sm:hidden">
		{@render said()}
	</div>
	<a class={['button max-sm:w-full', ready && 'button-main']} href={to}>Next: {word}</a>
</div>

{#snippet said()}
	{#each cautions as caution, nth (nth)}<p class="caution mt-1 first:mt-0">{caution}</p>{/each}
{/snippet}
