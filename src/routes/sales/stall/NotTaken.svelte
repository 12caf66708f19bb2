<script lang="ts">
	import Choice from '$lib/ui/control/Choice.svelte';
	import { saleWords } from '$lib/left/words.ts';
	import NotKept from '$lib/ui/queue/NotKept.svelte';
	import { till } from '$lib/sales/till.svelte.ts';
	import type { BatchLeft } from '$lib/batch/left.ts';

	/** Sales that the server would not take: the packs are gone, so another batch has to be named. */
	let { batches }: { batches: readonly BatchLeft[] } = $props();

	function nameOf(batchId: string): string {
		const batch = batches.find((each) => each.id === batchId);
		return batch ? `${batch.name}, batch ${batch.code}` : 'a batch with nothing left';
	}
	/** Sent again under its own id, as of another batch. */
	const from = ({ item }: (typeof till.refused)[number], batchId: string): void =>
		till.again(item.id, { ...item, batchId });
</script>

{#each till.refused as refusal (refusal.item.id)}
	{@const { item } = refusal}
	<NotKept {refusal} queue={till} name="till" id={item.id} what="{saleWords(item)} of {nameOf(item.batchId)}">
		{#if item.kind !== 'void'}
			<span class="min-w-60 flex-1"
				>Look at the code on the bags that are left, and say which batch it was.</span
			>
			<Choice
				label="The batch it was"
				tight
				unchosen="it was batch…"
				class="w-64"
				value=""
				onchoose={(id) => from(refusal, id)}
				options={batches
					.filter((each) => each.packsLeft >= item.packs)
					.map((each) => ({ value: each.id, text: `${each.code} ${each.name}, ${each.packsLeft} left` }))}
			/>
		{/if}
	</NotKept>
{/each}
