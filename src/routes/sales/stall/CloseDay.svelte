<script lang="ts">
	import { readCount } from '$core/measure/reading.ts';
	import { dayText, plural } from '$lib/format.ts';
	import { entriesOfCheckout, isPast, type ShortPack, type StallProduct } from '$lib/sales/stall.ts';
	import { newSaleId, till } from '$lib/sales/till.svelte.ts';
	import type { TillCount } from '$lib/sales/till-count.ts';
	import CountTill from './CountTill.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import { toast } from 'svelte-sonner';

	/** The end of a day: the till is counted; what is unsold comes back and stays for sale, or is written off. */
	interface Props {
		products: readonly StallProduct[];
		/** Short packs, those past their best-before too. */
		short: readonly ShortPack[];
		channel: string;
		day: string;
		currency: string;
		sold: { cash: string; card: string };
		counts: readonly TillCount[];
		waits: boolean;
	}
	let { products, short, channel, day, currency, sold, counts, waits }: Props = $props();
	/** Full packs of each batch, and its short ones by what is in them. */
	const rows = $derived(
		products.flatMap((product) =>
			product.batches.flatMap((batch) => {
				const short_ = short.filter((pack) => pack.batchId === batch.id).map(({ pieces }) => pieces);
				const kinds = [
					{ pieces: null, left: batch.packsLeft },
					...[...new Set(short_)].map((pieces) => ({
						pieces,
						left: short_.filter((each) => each === pieces).length
					}))
				];
				return kinds
					.filter(({ left }) => left > 0)
					.map((kind) => ({ batch, ...kind, key: `${batch.id} ${kind.pieces ?? ''}` }));
			})
		)
	);
	let typed = $state<Record<string, string>>({});
	let reason = $state('unsold');
	const lines = $derived(
		rows.map(({ batch, pieces, left, key }) => {
			const text = typed[key] ?? '';
			const read = readCount(text);
			const error =
				text.trim() === '' ? '' : !read.ok ? read.message : read.value > left ? `there are ${left}` : '';
			return { batch, pieces, left, key, text, error, packs: read.ok && error === '' ? read.value : 0 };
		})
	);
	const together = $derived(lines.reduce((sum, line) => sum + line.packs, 0));
	function writeOff(): void {
		const basket = lines.flatMap(({ batch, pieces, packs }) =>
			packs > 0 ? [{ batchId: batch.id, packs, pieces }] : []
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
{#if rows.length > 0 || counts.length > 0 || Number(sold.cash) !== 0 || Number(sold.card) !== 0}
	<details class="border-rule mt-8 border-t pt-2">
		<summary class="min-h-11 cursor-pointer py-2 font-semibold">Close the day</summary>
		{#key channel}<CountTill {channel} {currency} {sold} {counts} {waits} />{/key}
		{#if rows.length > 0}
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
					{#each lines as { batch, pieces, left, key, text, error } (key)}
						<tr>
							<td
								>{batch.name}
								<span class="figure text-quiet text-sm">{batch.code}</span>{#if pieces !== null}, short packs
									of {pieces}{/if}
								<span class={['block text-sm', isPast(batch, day) ? 'text-loss font-semibold' : 'text-quiet']}
									>made {dayText(batch.madeOn)}{batch.bestBefore
										? `, best before ${dayText(batch.bestBefore)}`
										: ''}</span
								></td
							>
							<td class="number">{left}</td>
							<td class="py-1!"
								><Field
									tight
									label="{pieces === null
										? 'Packs'
										: `Short packs of ${pieces}`} written off of {batch.name}, {batch.code}"
									bind:value={() => text, (value) => (typed[key] = value)}
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
