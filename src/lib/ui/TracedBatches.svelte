<script lang="ts">
	import { dayText, fixed, plain } from '$lib/format.ts';
	import type { TracedBatch } from '$lib/batch/trace.ts';
	import Wide from './Wide.svelte';

	/** Batches with where their packs went. */
	interface Props {
		batches: readonly TracedBatch[];
		unit: 'g' | 'pieces';
		isLinked?: boolean;
	}
	let { batches, unit, isLinked = true }: Props = $props();
	const hasDrawn = $derived(batches.some((batch) => batch.drawn !== null));
</script>

<Wide label="Batches and where their packs went">
	<table class="ledger mt-2">
		<thead>
			<tr>
				<th>Batch</th>
				{#if hasDrawn}<th class="number">Took</th>{/if}
				<th class="number">Packs made</th>
				<th>Where to</th>
				<th class="number">Unsold</th>
			</tr>
		</thead>
		<tbody>
			{#each batches as batch (batch.id)}
				<tr>
					<td>
						{#if isLinked}<a href="/batches/{batch.id}" class="figure font-semibold underline">{batch.code}</a
							>{:else}<span class="figure font-semibold">{batch.code}</span>{/if}
						{batch.name}
						<span class="text-quiet block text-sm"
							>made {dayText(batch.madeOn)}{batch.labelNumber === null
								? ', no label approved'
								: `, label ${batch.labelNumber}`}</span
						>
					</td>
					{#if hasDrawn}<td class="number"
							>{batch.drawn === null ? '' : fixed(batch.drawn, unit === 'g' ? 1 : 0)}{#if unit === 'g'}<span
									class="unit">g</span
								>{/if}</td
						>{/if}
					<td class="number">{plain(batch.packsMade)}<span class="unit">× {batch.packPieces}</span></td>
					<td>
						{#each batch.sales as sale, nth (nth)}
							<span class="block text-sm"
								><b class="figure">{sale.packs}</b>
								{sale.way === 'sold' ? '' : `${sale.way} `}on {dayText(sale.soldOn)}, {sale.channel}</span
							>
						{:else}<span class="text-quiet text-sm">none</span>{/each}
					</td>
					<td class={['number', batch.packsLeft > 0 && 'font-semibold']}>{plain(batch.packsLeft)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
</Wide>
