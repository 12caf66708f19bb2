<script lang="ts">
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { plural } from '$lib/format.ts';
	import type { KeptPrintJob } from '$lib/label/print-job.ts';

	/** What was printed or taken of the product's labels, the newest first. */
	let { jobs }: { jobs: KeptPrintJob[] } = $props();
</script>

{#if jobs.length > 0}
	<table class="ledger mt-4 max-w-3xl text-sm">
		<caption class="sr-only">What was printed or taken</caption>
		<thead
			><tr><th>Printed</th><th>Revision</th><th>Batch</th><th class="number">Came out</th><td></td></tr
			></thead
		>
		<tbody>
			{#each jobs as each (each.id)}
				<tr>
					<td class="text-quiet">{dayTextOf(each.createdAt)}</td>
					<td class="figure">{each.revision}</td>
					<td class="figure">{each.batchCode ?? '–'}</td>
					<td class="number figure"
						>{each.wentTo === 'file'
							? `${plural(each.copies, 'label')}, as a file`
							: `${each.printed} of ${plural(each.copies, 'label')}`}</td
					>
					<td class="py-1! text-right"
						>{#if each.printed > 0 && each.wentTo === 'label printer'}<a
								href="/labels/printed/{each.id}"
								download>as printed</a
							>{/if}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
{/if}
