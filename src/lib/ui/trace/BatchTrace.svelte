<script lang="ts">
	import { dayText, fixed } from '$lib/format.ts';
	import type { Traced } from '$lib/batch/trace.ts';
	import RecallCaution from '../RecallCaution.svelte';
	import TracedBatches from '../TracedBatches.svelte';
	import Wide from '../Wide.svelte';

	/** Everything behind a pack of a batch. */
	interface Props {
		data: Traced;
		kitchen: string;
		/** Whether its words lead elsewhere: an inspector sees what stands here and no more. */
		isLinked?: boolean;
	}
	let { data, kitchen, isLinked = true }: Props = $props();
	const batch = $derived(data.batch);
	const clock = $derived(
		new Intl.DateTimeFormat('en-GB', {
			timeZone: data.timeZone,
			dateStyle: 'short',
			timeStyle: 'medium'
		})
	);
</script>

<div class="flex flex-wrap items-end justify-between gap-3">
	<div class="min-w-0">
		<p class="text-quiet">{kitchen}, {data.address ? `${data.address}, ` : ''}{data.town}</p>
		<h1 class="break-words">Behind batch <span class="figure">{batch.code}</span>: {batch.name}</h1>
		<p>
			{#if isLinked}<a href="/batches/{batch.id}">Made {dayText(batch.madeOn)}</a>{:else}Made {dayText(
					batch.madeOn
				)}{/if}{batch.beganAt ? `, from ${batch.beganAt}` : ''} by
			{#if isLinked}<a href="/formulas/{batch.formulaId}">formula version {batch.formulaNumber}</a
				>{:else}formula version {batch.formulaNumber}{/if}, {batch.isClosed ? 'closed' : 'still open'}.
			Written {dayText(data.day)}.
		</p>
	</div>
	<div class="no-print flex gap-2">
		<button type="button" class="button" onclick={() => print()}>Print</button>
		{#if isLinked}<a href="/trace/batch/{batch.id}/csv" class="button" download>CSV</a>{/if}
	</div>
</div>
<RecallCaution />

<section class="mt-4" aria-labelledby="went">
	<h2 id="went">Where its packs are</h2>
	<TracedBatches batches={[data.sold]} unit="g" {isLinked} />
</section>

<section class="mt-6" aria-labelledby="from">
	<h2 id="from">The lots it came from</h2>
	{#if batch.stock.length === 0}
		<p class="text-quiet mt-1">
			No lots were kept of anything in it when it was made: receive what comes, and the next batch can be
			traced.
		</p>
	{:else}
		<table class="ledger mt-2 max-w-4xl">
			<thead><tr><th>What</th><th>Lot</th><th>Supplier</th><th class="number">Taken</th></tr></thead>
			<tbody>
				{#each batch.stock as use, nth (nth)}
					{#each use.from as each, nth (nth)}
						{@const lot = data.lots.find((one) => one.id === each.lotId)}
						<tr>
							<td>{use.name}</td>
							<td
								>{#if isLinked}<a href="/trace/lot/{each.lotId}" class="figure font-semibold underline"
										>{each.code}</a
									>{:else}<span class="figure font-semibold">{each.code}</span>{/if}
								{lot?.supplierCode ?? ''}</td
							>
							<td>{lot?.supplier ?? ''}</td>
							<td class="number"
								>{fixed(each.amount, use.unit === 'g' ? 1 : 0)}<span class="unit"
									>{use.unit === 'g' ? 'g' : ''}</span
								></td
							>
						</tr>
					{:else}
						<tr><td>{use.name}</td><td colspan="3" class="text-loss">from no lot</td></tr>
					{/each}
				{/each}
			</tbody>
		</table>
	{/if}
</section>

<section class="mt-6" aria-labelledby="said">
	<h2 id="said">What its label said</h2>
	{#if data.label}
		<p class="text-quiet text-sm">
			Revision {data.label.number}, as approved.
			<a href={isLinked ? `/labels/${batch.productId}` : `/inspection/label/${batch.productId}`}
				>The label now</a
			>
		</p>
		<p class="border-rule bg-sheet mt-2 max-w-prose border p-4 whitespace-pre-line" data-testid="label-said">
			{data.label.text}
		</p>
	{:else}
		<p class="text-loss mt-1">No label was approved when it was packed.</p>
	{/if}
</section>

{#if data.cautions.length > 0}
	<section class="mt-6" aria-labelledby="cautions">
		<h2 id="cautions">Cautions at its making</h2>
		<ul class="mt-1 max-w-prose list-disc pl-5">
			{#each data.cautions as caution, nth (nth)}<li>{caution}</li>{/each}
		</ul>
	</section>
{/if}

<section class="mt-6" aria-labelledby="weighings">
	<h2 id="weighings">Every weighing</h2>
	{#if data.weighings.length === 0}
		<p class="text-quiet mt-1">Nothing was weighed.</p>
	{:else}
		<Wide label="Weighings">
			<table class="ledger mt-2 max-w-4xl">
				<thead><tr><th>When</th><th>What</th><th>Lot</th><th class="number">g</th></tr></thead>
				<tbody>
					{#each data.weighings as weighing, index (index)}
						<tr class={weighing.isCorrected || weighing.grams === null ? 'text-quiet' : ''}>
							<td class="figure text-sm whitespace-nowrap">{clock.format(new Date(weighing.at))}</td>
							<td
								>{weighing.of || weighing.what}{weighing.of && weighing.what !== 'line'
									? `, ${weighing.what}`
									: ''}
								<span class="text-quiet text-sm"
									>{weighing.by === 'scale' ? 'from the scale' : 'typed'}{weighing.who
										? ` by ${weighing.who}`
										: ''}{weighing.isCorrected ? ', corrected later' : ''}</span
								></td
							>
							<td class="figure">{weighing.lotCode}</td>
							<td class="number">{weighing.grams === null ? 'withdrawn' : fixed(weighing.grams, 1)}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
	{/if}
</section>
