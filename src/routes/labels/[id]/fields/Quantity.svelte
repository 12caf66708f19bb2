<script lang="ts">
	import { giveawayPer100Packs, type Recommendation } from '$core/netquantity/recommend.ts';
	import { fixed, money, plain } from '$lib/format.ts';
	import type { LabelDraft } from '$lib/label/draft.ts';
	import Field from '$lib/ui/control/Field.svelte';

	/** What is declared to be in the pack, beside what weighed pieces bear out. */
	interface Props {
		draft: LabelDraft;
		at: (path: string) => string;
		recommended: Recommendation | null;
		/** Ingredients of one piece; null while nothing has a price. */
		perPiece: string | null;
		packPieces: number;
		currency: string;
	}
	let { draft = $bindable(), at, recommended, perPiece, packPieces, currency }: Props = $props();
	const giveaway = $derived(
		recommended && perPiece
			? giveawayPer100Packs(recommended.giveaway_g, recommended.meanPack_g, perPiece, packPieces)
			: null
	);
</script>

<div data-field="declared_g">
	<Field
		label="Net quantity"
		unit="g"
		bind:value={draft.declared}
		error={at('declared')}
		inputmode="decimal"
	/>
	{#if recommended}
		<p class="text-quiet mt-1 text-sm" data-testid="recommended">
			Weighed pieces make a pack of {fixed(recommended.meanPack_g, 1)} g on average. The next batch’s, with 95 %
			confidence, is not under {fixed(recommended.lowerBound_g, 1)} g: at most
			<b>{plain(recommended.declared_g)} g</b>
			may be declared.
			{#if recommended.widened}
				{recommended.batches === 1 ? 'One batch says' : 'Two batches say'} little of how much the next will differ:
				{fixed(100 * recommended.widened.sd, 1)} points of cook loss are allowed for{recommended.widened
					.from === 'family'
					? ', as your other batches of its family differ'
					: ''}, and a third batch lets you declare more.
			{/if}
			It gives away
			{fixed(recommended.giveaway_g, 1)} g a pack{giveaway === null
				? ''
				: `, ${money(giveaway, currency)} in 100 packs`}.
		</p>
		<button
			type="button"
			class="button mt-2"
			onclick={() => (draft.declared = String(recommended.declared_g))}
			>Declare {plain(recommended.declared_g)} g</button
		>
	{:else}
		<p class="text-quiet mt-1 text-sm">
			Weigh finished pieces of some batches, and what may be declared is worked out.
		</p>
	{/if}
</div>
