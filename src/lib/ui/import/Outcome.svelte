<script lang="ts">
	import type { Problem } from '$core/problem.ts';
	import type { Snippet } from 'svelte';

	/** What came of a file: what was written, or why nothing was. */
	let { done, problems }: { done: Snippet | null; problems: readonly Problem[] } = $props();
</script>

{#if done}
	<p class="border-squared bg-sheet my-4 max-w-3xl border-l-4 px-4 py-3 font-semibold" role="status">
		{@render done()}
	</p>
{/if}
{#if problems.length > 0}
	<div role="alert" class="border-loss bg-loss-pale my-3 max-w-3xl border-l-4 px-4 py-3">
		<p class="font-semibold">Nothing was written.</p>
		<ul class="mt-1 list-disc pl-5">
			{#each problems as problem, nth (nth)}<li>{problem.message}</li>{/each}
		</ul>
	</div>
{/if}
