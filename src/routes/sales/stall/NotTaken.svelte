<script lang="ts">
	import Choice from '$lib/ui/control/Choice.svelte';
	import { plural } from '$lib/format.ts';
	import { newSaleId, till } from '$lib/sales/till.svelte.ts';
	import type { BatchLeft } from '$lib/batch/left.ts';

	/** Sales that the server would not take: the packs are gone, so another batch has to be named. */
	let { batches }: { batches: readonly BatchLeft[] } = $props();

	function nameOf(batchId: string): string {
		const batch = batches.find((each) => each.id === batchId);
		return batch ? `${batch.name}, batch ${batch.code}` : 'a batch with nothing left';
	}
	function from(refusal: (typeof till.refused)[number], batchId: string): void {
		till.add([{ ...refusal.item, id: newSaleId(), batchId }]);
		till.dismiss(refusal.item.id);
	}
</script>

{#each till.refused as refusal (refusal.item.id)}
	{@const { item } = refusal}
	<div
		class="border-loss bg-loss-pale mb-3 flex flex-wrap items-center gap-3 border-l-4 px-4 py-2"
		role="alert"
	>
		<span class="min-w-60 flex-1"
			>Not recorded, {item.kind === 'void' ? 'taking back' : plural(item.packs, 'pack')} of {nameOf(
				item.batchId
			)}:
			{refusal.message}.
			{#if item.kind !== 'void'}Look at the code on the bags that are left, and say which batch it was.{/if}</span
		>
		{#if item.kind !== 'void'}
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
		<button type="button" class="button" onclick={() => till.dismiss(item.id)}>It was not sold</button>
	</div>
{/each}
