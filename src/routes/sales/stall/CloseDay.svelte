<script lang="ts">
	import { readCount } from '$core/measure/reading.ts';
	import { dayText, plural } from '$lib/format.ts';
	import { entriesOfCheckout, isPast, type StallProduct } from '$lib/sales/stall.ts';
	import { newSaleId, till } from '$lib/sales/till.svelte.ts';
	import type { TillCount } from '$lib/sales/till-count.ts';
	import CountTill from './CountTill.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import { toast } from 'svelte-sonner';

	/** The end of a day: the till is counted; what is unsold comes back and stays for sale, or is written off. */
	interface Props {
		products: readonly StallProduct[];
		channel: string;
		day: string;
		currency: string;
		sold: { cash: string; card: string };
		counts: readonly TillCount[];
		waits: boolean;
	}
	let { products, channel, day, currency, sold, counts, waits }: Props = $props();
	const batches = $derived(
		products.flatMap((product) => product.batches.filter((batch) => batch.packsLeft > 0))
	);
	let typed = $state<Record<string, string>>({});
	let reason = $state('unsold');
	const lines = $derived(
		batches.map((batch) => {
			const text = typed[batch.id] ?? '';
			const read = readCount(text);
			const error =
				text.trim() === ''
					? ''
					: !read.ok
						? read.message
						: read.value > batch.packsLeft
							? `there are ${batch.packsLeft}`
							: '';
			return { batch, text, error, packs: read.ok && error === '' ? read.value : 0 };
		})
	);
	const together = $derived(lines.reduce((sum, line) => sum + line.packs, 0));
	function writeOff(): void {
		const basket = lines.flatMap(({ batch, packs }) =>
			packs > 0 ? [{ batchId: batch.id, packs, pieces: null }] : []
		);
		const checkout = {
			kind: 'written off' as const,
			paidBy: null,
			customer: '',
			reason,
			soldOn: day,
			channel
		};
		till.add(entriesOfCheckout(basket, checkout, () => '0', newSaleId));
		typed = {};
		toast.success(`${plural(together, 'pack')} written off`);
	}
</script>

<!-- It stays when the last pack is sold: the till is counted then. -->
{#if batches.length > 0 || counts.length > 0 || Number(sold.cash) !== 0 || Number(sold.card) !== 0}
	<details class="border-rule mt-8 border-t pt-2">
		<summary class="min-h-11 cursor-pointer py-2 font-semibold">Close the day</summary>
		{#key channel}<CountTill {channel} {currency} {sold} {counts} {waits} />{/key}
		{#if batches.length > 0}
			<h3 class="mt-5">What is left</h3>
			<p class="max-w-prose">
				What you bring back stays for sale; nothing has to be done. What is not sold any more is written off
				here.
			</p>
			<p class="caution mt-2 max-w-prose">
				Packs past their best-before, that were open, warm or wet, are not brought back. A shelf life is what
				you have tested and your authority accepts.
			</p>
			<table class="ledger mt-2 max-w-3xl">
				<thead
					><tr><th>Batch</th><th class="number">Left</th><th class="number w-40">Written off</th></tr></thead
				>
				<tbody>
					{#each lines as { batch, text, error } (batch.id)}
						<tr>
							<td
								>{batch.name} <span class="figure text-quiet text-sm">{batch.code}</span>
								<span class={['block text-sm', isPast(batch, day) ? 'text-loss font-semibold' : 'text-quiet']}
									>made {dayText(batch.madeOn)}{batch.bestBefore
										? `, best before ${dayText(batch.bestBefore)}`
										: ''}</span
								></td
							>
							<td class="number">{batch.packsLeft}</td>
							<td class="py-1!"
								><Field
									tight
									label="Packs written off of {batch.name}, {batch.code}"
									bind:value={() => text, (value) => (typed[batch.id] = value)}
									{error}
									inputmode="numeric"
									class="figure [&_input]:text-right"
								/></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
			<div class="mt-3 flex max-w-xl flex-wrap items-end gap-3">
				<Field
					label="Why"
					bind:value={reason}
					maxlength={300}
					class="flex-1"
					error={reason.trim() === '' ? 'say why' : ''}
				/>
				<button
					type="button"
					class="button"
					disabled={together === 0 || reason.trim() === '' || lines.some((line) => line.error !== '')}
					onclick={writeOff}>{together === 0 ? 'Write off' : `Write off ${plural(together, 'pack')}`}</button
				>
			</div>
		{/if}
	</details>
{/if}
