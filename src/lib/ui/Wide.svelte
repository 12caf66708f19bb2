<script lang="ts">
	import type { Snippet } from 'svelte';

	/** Holds what may be wider than the screen, so that it scrolls by itself, by keyboard too. */
	let { label, children, class: extra = '' }: { label: string; children: Snippet; class?: string } = $props();
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class={['relative overflow-x-auto', extra]} role="region" aria-label={label} tabindex="0">
	{@render children()}
</div>
