<script lang="ts">
	import type { WholeCost } from '$core/cost/whole.ts';
	import { COST_WORDS } from '$lib/kitchen/cost-words.ts';
	import { money } from '$lib/format.ts';
	import Wide from './Wide.svelte';

	/** What a batch is paid for, each part apart, for the batch, a piece and a pack. */
	let { whole, currency }: { whole: WholeCost; currency: string } = $props();
	const said = (amount: string | null, decimals = 2) =>
		amount === null ? '–' : money(amount, currency, decimals);
</script>

<Wide label="Parts of the cost">
	<table class="ledger" data-testid="whole-cost">
		<thead
			><tr
				><th>Part</th><th class="number">The batch</th><th class="number">A sellable piece</th><th
					class="number">A pack</th
				></tr
			></thead
		>
		<tbody>
			{#each whole.parts as part, nth (nth)}
				<tr>
					<td>{COST_WORDS[part.part]}</td>
					<td class="number">{said(part.batch)}</td>
					<td class="number">{said(part.perPiece, 4)}</td>
					<td class="number">{said(part.perPack)}</td>
				</tr>
			{/each}
		</tbody>
		<tfoot
			><tr class="border-ink border-t-2 font-semibold"
				><td>Together</td><td class="number">{said(whole.batch)}</td><td class="number"
					>{said(whole.perPiece, 4)}</td
				><td class="number">{said(whole.perPack)}</td></tr
			></tfoot
		>
	</table>
</Wide>
