<script lang="ts">
	/** What is wrong with a row of a file, each with its column. */
	let { problems }: { problems: readonly { column: string; message: string }[] } = $props();
</script>

{#each problems as { column, message }, index (index)}<p class="text-loss text-sm">
		{column ? `${column}: ` : ''}{message}
	</p>{/each}
