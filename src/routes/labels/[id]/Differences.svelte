<script lang="ts">
	import type { Difference } from '$core/label/compare.ts';
	import Wide from '$lib/ui/Wide.svelte';

	/** Two labels side by side, where they differ. */
	let { differences, before, after }: { differences: Difference[]; before: string; after: string } = $props();
</script>

<Wide label="What differs">
	<table class="ledger mt-2">
		<thead
			><tr
				><th>What</th><th class="first-letter:uppercase">{before}</th><th class="first-letter:uppercase"
					>{after}</th
				></tr
			></thead
		>
		<tbody>
			{#each differences as difference, nth (nth)}
				<tr>
					<td class="first-letter:uppercase">{difference.what}</td>
					<td>{difference.before || 'nothing'}</td>
					<td class="font-semibold">{difference.after || 'nothing'}</td>
				</tr>
			{/each}
		</tbody>
	</table>
</Wide>
