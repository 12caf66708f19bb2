<script lang="ts">
	import { percent } from '$lib/format.ts';

	/** A share of a whole as a bar with its percentage; null is unknown. */
	let { share }: { share: number | null } = $props();
</script>

{#if share === null}
	<span class="text-attention-ink font-semibold">unknown</span>
{:else}
	<span class="flex items-center gap-2">
		<span class="bg-ground block h-3 w-24 shrink-0" aria-hidden="true"
			><span class="bg-action block h-full" style="width: {Math.min(100, share * 100)}%"></span></span
		>
		<span class="figure">{percent(share, share < 0.1 ? 1 : 0)}<span class="unit">%</span></span>
	</span>
{/if}
