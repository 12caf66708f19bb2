<script lang="ts">
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { enhance } from '$app/forms';
	import { freshness } from '$core/stock/need.ts';
	import { dayText, money, plain, plural } from '$lib/format.ts';
	import type { LotMove } from '$lib/shelf/lots.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import Wide from '$lib/ui/Wide.svelte';
	import TracedBatches from '$lib/ui/TracedBatches.svelte';

	let { data } = $props();
	const lot = $derived(data.lot);
	const amount = (value: number) => `${plain(value, 1)}${lot.unit === 'g' ? ' g' : ''}`;
	const fresh = $derived(freshness(lot.bestBefore, data.today));
	const WORDS: Record<LotMove['kind'], string> = {
		received: 'received',
		drawn: 'drawn by',
		counted: 'counted',
		'taken back': 'taken back'
	};
	let reason = $state('');
	const form = draftForm<never>({ saved: 'Taken back' });
	const isTakenBack = $derived(data.moves.some((move) => move.kind === 'taken back'));
</script>

<svelte:head><title>{lot.code} {lot.name} · Square Batch</title></svelte:head>

<p class="text-quiet"><a href="/shelf/lots">Stock</a></p>
<div class="flex flex-wrap items-end justify-between gap-3">
	<div class="min-w-0">
		<h1 class="break-words">{lot.name} <span class="figure font-normal">{lot.code}</span></h1>
		<p class="text-quiet">
			{lot.supplierCode ? `Lot code on it ${lot.supplierCode}. ` : 'It carries no lot code. '}Received
			{dayText(lot.receivedOn)}{lot.supplier ? ` from ${lot.supplier}` : ''}.
		</p>
	</div>
	<a href="/trace/lot/{lot.id}" class="button">Recall sheet</a>
</div>

<dl class="mt-4 flex flex-wrap gap-x-10 gap-y-3">
	<div>
		<dt class="text-quiet text-sm">On hand</dt>
		<dd class={['figure text-2xl', lot.onHand < 0 && 'text-loss']} data-testid="on-hand">
			{amount(lot.onHand)}
		</dd>
	</div>
	<div>
		<dt class="text-quiet text-sm">Received</dt>
		<dd class="figure text-2xl">{amount(lot.received)}</dd>
	</div>
	{#if lot.amount !== null}
		<div>
			<dt class="text-quiet text-sm">Paid</dt>
			<dd class="figure text-2xl">{money(lot.amount, data.kitchen.currency)}</dd>
		</div>
	{/if}
	{#if lot.bestBefore}
		<div>
			<dt class="text-quiet text-sm">Best before</dt>
			<dd class={['text-2xl', fresh === 'past' && lot.onHand > 0 && 'text-loss font-semibold']}>
				{dayText(lot.bestBefore)}
			</dd>
		</div>
	{/if}
</dl>
{#if fresh === 'past' && lot.onHand > 0}
	<p class="caution mt-3">
		It is past its date. The date is the maker’s word for quality; what smells, looks or feels wrong goes out
		whatever the date says.
	</p>
{/if}
{#if lot.note}<p class="mt-2">{lot.note}</p>{/if}

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="went">
	<h2 id="went">Where it went</h2>
	{#if data.trace.batches.length === 0}
		<p class="text-quiet mt-1">No batch drew from it yet.</p>
	{:else}
		<TracedBatches batches={data.trace.batches} unit={lot.unit} />
	{/if}
	{#if data.trace.possible.length > 0}
		<h3 class="mt-4">What it may be in by way of a mix</h3>
		<p class="text-quiet max-w-prose text-sm">
			What goes into a mix of your own is not followed lot by lot. These batches used a mix with {lot.name} since
			it came.
		</p>
		<TracedBatches batches={data.trace.possible} unit={lot.unit} />
	{/if}
</section>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="moves">
	<h2 id="moves">What came and went</h2>
	<Wide label="Moves of the lot">
		<table class="ledger max-w-3xl">
			<thead
				><tr><th>When</th><th>What</th><th class="number">{lot.unit === 'g' ? 'g' : 'Pieces'}</th></tr></thead
			>
			<tbody>
				{#each data.moves as move (move.id)}
					<tr>
						<td class="whitespace-nowrap">{dayTextOf(move.movedAt)}</td>
						<td
							>{move.kind === 'drawn' && move.amount > 0 ? 'given back by' : WORDS[move.kind]}
							{#if move.batchId}<a href="/batches/{move.batchId}" class="figure underline">{move.batchCode}</a
								>{/if}
							{#if move.reason}<span class="text-quiet">{move.reason}</span>{/if}
							{#if data.doneBy[move.id]}<span class="text-quiet">by {data.doneBy[move.id]}</span>{/if}</td
						>
						<td class="number">{move.amount > 0 ? '+' : '−'}{plain(Math.abs(move.amount), 1)}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
</section>

{#if data.trace.batches.length === 0 && !isTakenBack && lot.onHand > 0}
	<details class="mt-6">
		<summary class="min-h-11 cursor-pointer py-2">It was entered by mistake</summary>
		<form method="POST" action="?/takeBack" use:enhance={form.enhance} class="max-w-lg space-y-2">
			<input type="hidden" name="draft" value={JSON.stringify({ reason })} />
			<Problems problems={form.problems.filter((problem) => problem.path !== 'reason')} />
			<Field label="Why it is taken back" bind:value={reason} error={form.at('reason')} maxlength={300} />
			<p class="text-quiet text-sm">The {plural(1, 'lot')} stays in the record with nothing in it.</p>
			<button class="button" disabled={form.saving}>Take it back</button>
		</form>
	</details>
{/if}
