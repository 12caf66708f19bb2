<script lang="ts">
	import { plain, plural } from '$lib/format.ts';
	import type { Deletion } from '$lib/kitchen/deletion.ts';
	import { moment } from '$lib/people/moment.ts';
	import Wide from '$lib/ui/Wide.svelte';

	/** That a kitchen was taken away with everything of it, to print and keep. */
	interface Props {
		deletion: Deletion;
		kitchen: Parameters<typeof moment>[1];
	}
	let { deletion, kitchen }: Props = $props();
	const rows = $derived(deletion.went.reduce((sum, each) => sum + each.rows, 0));
	const left = $derived(deletion.went.reduce((sum, each) => sum + each.left, 0));
	const at = (time: string) => moment(time, kitchen);
</script>

<article class="sheet bg-sheet border-rule mt-4 border p-6 print:border-0 print:p-0">
	<h2>{deletion.name} is deleted</h2>
	<p class="mt-2 max-w-prose">
		By {deletion.byName}, from {at(deletion.begunAt)} to {at(deletion.deletedAt)}. {plural(rows, 'row')} of {plural(
			deletion.went.length,
			'table'
		)} went; looked for again afterwards, {left === 0 ? 'none was left' : `${plural(left, 'row')} were left`}.
	</p>
	<p class="text-quiet mt-1 text-sm">Its number was <span class="figure">{deletion.id}</span>.</p>
	<Wide label="What went">
		<table class="ledger mt-3 max-w-xl">
			<thead><tr><th>Table</th><th class="number">Rows that went</th><th class="number">Left</th></tr></thead>
			<tbody>
				{#each deletion.went as each (each.table)}
					<tr
						><td>{each.table.replaceAll('_', ' ')}</td><td class="number">{plain(each.rows)}</td><td
							class="number">{plain(each.left)}</td
						></tr
					>
				{/each}
			</tbody>
		</table>
	</Wide>
	<p class="text-quiet mt-3 max-w-prose text-sm">
		Backups of the installation hold it until they are let go of themselves. Archives you took are yours: this
		touched none. People keep their accounts; what they are in other kitchens is as it was.
	</p>
</article>
<button type="button" class="button mt-3 print:hidden" onclick={() => window.print()}>Print this</button>
