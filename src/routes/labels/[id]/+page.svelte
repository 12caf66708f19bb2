<script lang="ts">
	import Editing from './Editing.svelte';
	import Looking from './Looking.svelte';

	/** A label is edited by who may see its formula, and printed by who may only see what it says. */
	let { data } = $props();
</script>

{#if data.label}
	<Editing {data} label={data.label} />
{:else if data.seen}
	<Looking {data} label={data.seen} />
{/if}
