<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Working } from '$core/cost/whole.ts';
	import { money, plain, plural } from '$lib/format.ts';
	import type { Batch } from '$lib/batch/types.ts';
	import type { ProfitOfBatch } from '$lib/batch/cost.ts';
	import CostParts from '$lib/ui/CostParts.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	/** What a batch cost altogether, and what it brought. */
	interface Props {
		batch: Batch;
		profit: ProfitOfBatch;
		/** As noted, or as the bench timed it. */
		working: Working;
		currency: string;
	}
	let { batch, profit, working, currency }: Props = $props();
	const text = (minutes: number | null) => (minutes === null ? '' : String(minutes));
	let minutes = $state(untrack(() => ({ heat: text(working.heat_min), hands: text(working.hands_min) })));
	const form = draftForm<never>({ saved: 'Minutes noted' });
	const said = (amount: string | null, decimals = 2) =>
		amount === null ? '–' : money(amount, currency, decimals);
	const whole = $derived(profit.whole);
</script>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="cost-heading">
	<div class="flex flex-wrap items-baseline justify-between gap-3">
		<h2 id="cost-heading">What it cost and brought</h2>
		<a href="/formulas/{batch.formulaId}/cost" class="text-sm underline">What if it were otherwise?</a>
	</div>
	{#if !whole}
		<p class="text-quiet mt-2">
			Nothing can be said until its ingredients have a price and a piece can be sold.
		</p>
	{:else}
		<div class="mt-2 grid gap-x-10 gap-y-4 lg:grid-cols-[minmax(0,1fr)_20rem]">
			<div class="min-w-0">
				<CostParts {whole} {currency} />
				<form
					method="POST"
					action="?/minutes"
					use:enhance={form.enhance}
					class="mt-3 flex flex-wrap items-end gap-3"
				>
					<input type="hidden" name="draft" value={JSON.stringify(minutes)} />
					<Field
						label="Heated for"
						unit="min"
						bind:value={minutes.heat}
						error={form.at('heat')}
						inputmode="decimal"
						class="w-32"
					/>
					<Field
						label="Hands on it for"
						unit="min"
						bind:value={minutes.hands}
						error={form.at('hands')}
						inputmode="decimal"
						class="w-32"
					/>
					<button class="button" disabled={form.saving}>Note the minutes</button>
					<p class="text-quiet basis-full text-sm">
						{working.power_kw === null
							? 'Nothing it touched is said to heat: '
							: `What it touched draws ${plain(working.power_kw, 2)} kW. `}<a href="/kitchen/costs"
							>Prices of energy and labour, and what heats</a
						>
					</p>
				</form>
				<Problems problems={form.problems.filter((problem) => problem.path === '')} />
			</div>
			<dl class="grid grid-cols-[1fr_auto] gap-y-1 self-start" data-testid="batch-profit">
				<dt>Brought by {plural(profit.sold, 'pack')}</dt>
				<dd class="figure text-right">{said(profit.takings)}</dd>
				<dt>Its part of stalls and fees</dt>
				<dd class="figure text-right">− {said(profit.fees)}</dd>
				<dt>All it cost</dt>
				<dd class="figure text-right">− {said(profit.cost)}</dd>
				<dt class="border-ink border-t-2 pt-1 font-semibold">Profit so far</dt>
				<dd
					class={[
						'border-ink figure border-t-2 pt-1 text-right font-semibold',
						profit.profit?.startsWith('-') && 'text-loss'
					]}
				>
					{said(profit.profit)}
				</dd>
				{#if batch.packsLeft > 0 && whole.perPack}
					<dt class="text-quiet text-sm">
						{plural(batch.packsLeft, 'pack')} still to sell{batch.price
							? `, at ${money(batch.price, currency)} each`
							: ''}
					</dt>
					<dd></dd>
				{/if}
			</dl>
		</div>
	{/if}
</section>
