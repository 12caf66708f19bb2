<script lang="ts">
	import DayField from '$lib/ui/control/DayField.svelte';
	import { enhance } from '$app/forms';
	import { pricePerUsableGram } from '$core/cost/cost.ts';
	import { dayText, money, plain } from '$lib/format.ts';
	import type { PricePack } from '$lib/shelf/price.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import Wide from '$lib/ui/Wide.svelte';
	import { untrack } from 'svelte';
	import PriceChart from './PriceChart.svelte';

	/** What was paid for how much, and the price in force on any day. */
	interface Props {
		id: string;
		/** Newest first. */
		packs: PricePack[];
		/** Who noted each, by its id; one from before that was kept is not there. */
		notedBy: Record<string, string>;
		today: string;
		currency: string;
		/** A mix, whose price follows from its lines. */
		follows?: boolean;
	}
	let { id, packs, notedBy, today, currency, follows = false }: Props = $props();

	const blank = () => ({ amount: '', grams: '', usable: '100', boughtOn: today, supplier: '' });
	let price = $state(untrack(blank));
	const form = draftForm<never>({ saved: 'Price added', onsaved: () => (price = blank()) });
	const perKg = (pack: PricePack) => pricePerUsableGram(pack).times(1000).toFixed(2);
	let asked = $state(untrack(() => today));
	const inForce = $derived(packs.find((pack) => pack.boughtOn <= asked));
</script>

<section class="border-rule mt-4 max-w-4xl border-t pt-4" aria-labelledby="price-heading">
	<h2 id="price-heading">What it cost</h2>
	<form method="POST" action="/shelf/{id}?/price" use:enhance={form.enhance} class="mt-3">
		<input type="hidden" name="draft" value={JSON.stringify({ id: form.key, ...price })} />
		<Problems problems={form.problems} />
		<div class="grid items-start gap-3 sm:grid-cols-3 lg:grid-cols-6">
			<Field
				label="Paid, {currency}"
				bind:value={price.amount}
				error={form.at('amount')}
				inputmode="decimal"
			/>
			<Field
				label="For how much"
				bind:value={price.grams}
				error={form.at('grams')}
				placeholder="bag of 25 kg"
			/>
			<Field
				label="Usable share"
				unit="%"
				bind:value={price.usable}
				error={form.at('usable')}
				inputmode="decimal"
			/>
			<DayField label="On" bind:value={price.boughtOn} error={form.at('boughtOn')} />
			<Field label="Where" bind:value={price.supplier} error={form.at('supplier')} />
			<button class="button sm:mt-6" disabled={form.saving}>Add price</button>
		</div>
	</form>
	{#if packs.length === 0}
		<p class="text-quiet mt-4">
			{follows
				? 'No price of its own: it costs what goes into it.'
				: 'No price yet: cost figures leave this ingredient out and say so.'}
		</p>
	{:else}
		{#if packs.length > 1}<PriceChart {packs} {currency} {today} />{/if}
		<div class="mt-3 flex flex-wrap items-end gap-3">
			<DayField label="In force on" bind:value={asked} class="w-44" />
			<p class="pb-3" data-testid="in-force">
				{#if inForce}<b class="figure">{money(perKg(inForce), currency)}</b> a usable kg, from the pack bought
					{dayText(inForce.boughtOn)}
				{:else}no price that early{/if}
			</p>
		</div>
		<Wide label="Prices paid" class="mt-2">
			<table class="ledger">
				<thead>
					<tr
						><th>Bought</th><th>Where</th><th class="number">Paid</th><th class="number">For</th><th
							class="number">Usable</th
						><th class="number">A usable kg</th></tr
					>
				</thead>
				<tbody>
					{#each packs as pack (pack.id)}
						<tr>
							<td class="whitespace-nowrap">{dayText(pack.boughtOn)}</td>
							<td class="text-quiet"
								>{pack.supplier}{notedBy[pack.id]
									? `${pack.supplier ? ', ' : ''}noted by ${notedBy[pack.id]}`
									: ''}</td
							>
							<td class="number">{money(pack.amount, currency)}</td>
							<td class="number">{plain(pack.grams, 1)}<span class="unit">g</span></td>
							<td class="number">{plain(pack.usable * 100, 1)}<span class="unit">%</span></td>
							<td class="number">{money(perKg(pack), currency)}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
	{/if}
</section>
