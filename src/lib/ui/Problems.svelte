<script lang="ts">
	import type { Problem } from '$core/problem.ts';

	/** What a save was refused for: all of it at the top, each also at its field. */
	let { problems }: { problems: readonly Problem[] } = $props();
</script>

{#if problems.length > 0}
	<div role="alert" class="border-loss bg-loss-pale my-3 border-l-4 px-4 py-3">
		<p class="font-semibold">Not saved. What you typed is still here.</p>
		<ul class="mt-1 list-disc pl-5">
			{#each problems as problem, nth (nth)}
				<li>{problem.message}</li>
			{/each}
		</ul>
	</div>
{/if}
