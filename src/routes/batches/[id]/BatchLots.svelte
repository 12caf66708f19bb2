<script lang="ts">
	import { settled } from '$core/measure/round.ts';
	import type { StockUse } from '$core/stock/use.ts';
	import { plain } from '$lib/format.ts';
	import type { BatchStock } from '$lib/shelf/lots.ts';

	/** Which lots the batch came from. */
	let { stock, uses }: { stock: readonly BatchStock[]; uses: readonly StockUse[] } = $props();
	const amount = (value: number, unit: BatchStock['unit']) =>
		unit === 'g' ? `${plain(value, 1)} g` : plain(value);
</script>

<section class="border-rule mt-6 max-w-4xl border-t pt-4" aria-labelledby="lots-heading">
	<h2 id="lots-heading">The lots it came from</h2>
	<table class="ledger mt-2">
		<thead><tr><th>What</th><th>From</th><th class="number">Used</th></tr></thead>
		<tbody>
			{#each stock as use, index (index)}
				{@const short = settled((uses[index]?.consumed ?? 0) - (uses[index]?.drawn ?? 0))}
				<tr>
					<td class="font-semibold">{use.name}</td>
					<td>
						{#each use.from as lot, nth (nth)}
							<span class="mr-3 inline-block whitespace-nowrap"
								><a href="/shelf/lots/{lot.lotId}" class="figure underline">{lot.code}</a>
								<span class="text-quiet figure text-sm">{amount(lot.amount, use.unit)}</span></span
							>
						{/each}
						{#if short > 0}<span class="text-loss text-sm font-semibold"
								>{amount(short, use.unit)} from no lot: <a href="/shelf/lots">receive it</a></span
							>{:else if use.from.length === 0}<span class="text-quiet text-sm">nothing drawn yet</span>{/if}
					</td>
					<td class="number">{amount(uses[index]?.consumed ?? 0, use.unit)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
</section>
