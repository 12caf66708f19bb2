<script lang="ts">
	/** A figure with its unit set smaller and lighter; a dash where it cannot be known. */
	let { value, unit = '' }: { value: string | null; unit?: string } = $props();
</script>

{#if value === null}<span class="text-quiet" title="not known yet">–</span>{:else}<span class="figure"
		>{value}{#if unit}<span class="unit">{unit}</span>{/if}</span
	>{/if}
