<script lang="ts">
	import { dayText, plain, plural } from '$lib/format.ts';
	import RecallCaution from '$lib/ui/RecallCaution.svelte';
	import TracedBatches from '$lib/ui/TracedBatches.svelte';

	let { data } = $props();
	const lot = $derived(data.lot);
	const amount = (value: number) => `${plain(value, 1)}${lot.unit === 'g' ? ' g' : ' pieces'}`;
</script>

<svelte:head><title>Recall sheet {lot.code} · Square Batch</title></svelte:head>

<p class="text-quiet no-print"><a href="/trace">Trace a code</a></p>
<div class="flex flex-wrap items-end justify-between gap-3">
	<div class="min-w-0">
		<p class="text-quiet">{data.kitchen.name}, {data.address ? `${data.address}, ` : ''}{data.town}</p>
		<h1 class="break-words">Recall sheet: {lot.name}, lot <span class="figure">{lot.code}</span></h1>
		<p>
			{lot.supplierCode ? `Printed on it: ${lot.supplierCode}. ` : ''}{amount(lot.received)} received {dayText(
				lot.receivedOn
			)}{lot.supplier ? ` from ${lot.supplier}` : ''}. Written {dayText(data.day)}.
		</p>
	</div>
	<div class="no-print flex gap-2">
		<button type="button" class="button" onclick={() => print()}>Print</button>
		<a href="/trace/lot/{lot.id}/csv" class="button" download>CSV</a>
	</div>
</div>
<RecallCaution />
<p class="mt-4 text-lg" data-testid="recall-counts">
	It went into {plural(data.trace.batches.length, 'batch', 'batches')}:
	<b class="figure">{data.totals.made}</b>
	packs made, <b class="figure">{data.totals.sold}</b> sold,
	{#if data.totals.given > 0}<b class="figure">{data.totals.given}</b> given or written off,{/if}
	<b class="figure">{data.totals.left}</b> unsold. <b class="figure">{amount(lot.onHand)}</b> of the lot is left
	on the shelf.
</p>
{#if data.trace.batches.length > 0}<TracedBatches batches={data.trace.batches} unit={lot.unit} />{/if}
{#if data.trace.possible.length > 0}
	<h2 class="mt-6">May hold it</h2>
	<p class="max-w-prose">
		What goes into a mix of your own is not followed lot by lot. {plural(
			data.trace.possible.length,
			'batch',
			'batches'
		)} made since this lot came used a mix with {lot.name}: {plain(data.possible.made)} packs made, {plain(
			data.possible.sold
		)} sold, {plain(data.possible.left)} unsold.
	</p>
	<TracedBatches batches={data.trace.possible} unit={lot.unit} />
{/if}
