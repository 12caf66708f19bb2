<script lang="ts">
	import { dayText, money, plural } from '$lib/format.ts';
	import type { Batch } from '$lib/batch/types.ts';
	import type { Sale } from '$lib/sales/types.ts';
	import Wide from '$lib/ui/Wide.svelte';

	let { batch, sales, currency }: { batch: Batch; sales: Sale[]; currency: string } = $props();
</script>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="sold">
	<div class="flex flex-wrap items-center justify-between gap-3">
		<h2 id="sold">
			Sold <span class="text-quiet text-sm font-normal"
				>{batch.packsSold} of {plural(batch.packsMade, 'pack')}, {batch.packsGiven > 0
					? `${batch.packsGiven} given or written off, `
					: ''}{batch.packsLeft} left</span
			>
		</h2>
		{#if batch.packsLeft > 0}<a class="button" href="/sales?batch={batch.id}">Record a sale</a>{/if}
	</div>
	{#if sales.length === 0}
		<p class="text-quiet mt-2">No pack of this batch is sold yet.</p>
	{:else}
		<Wide label="Sales of this batch">
			<table class="ledger mt-2 max-w-3xl">
				<thead
					><tr><th>Day</th><th>Where</th><th class="number">Packs</th><th class="number">Total</th></tr
					></thead
				>
				<tbody>
					{#each sales as sale (sale.id)}
						<tr class={sale.voided || sale.kind === 'void' ? 'text-quiet' : ''}>
							<td class="whitespace-nowrap">{dayText(sale.soldOn)}</td>
							<td
								>{sale.channel}{sale.voided
									? ' (voided)'
									: sale.kind === 'sale'
										? ''
										: ` (${[sale.kind, sale.reason].filter(Boolean).join(': ')})`}</td
							>
							<td class="number">{sale.packs}</td>
							<td class="number">{money(sale.total, currency)}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
	{/if}
</section>
