<script lang="ts">
	import { layoutLabel } from '$core/label/layout.ts';
	import { labelText } from '$core/label/text.ts';
	import { bestBefore } from '$lib/label/marks.ts';
	import type { SeenLabel } from '$lib/label/types.ts';
	import PanelDrawing from '$lib/ui/facts/PanelDrawing.svelte';
	import ItsBatches from './ItsBatches.svelte';
	import Revisions from './Revisions.svelte';
	import type { PageData } from './$types';

	/** What a label says, and its printing: nothing of what it is worked out from. */
	interface Props {
		data: PageData;
		label: SeenLabel;
	}
	let { data, label }: Props = $props();
	const asked = $derived(data.rules === data.kitchen.rules ? '' : `&rules=${data.rules}`);
	const newest = $derived(label.revisions[0]);
	const laid = $derived.by(() => {
		if (!newest) return null;
		const { content, declared_g } = newest;
		const [batch] = data.batches;
		const days = content.bestBeforeDays;
		return layoutLabel(content, declared_g, {
			code: batch?.code ?? '',
			bestBefore: days === null ? '' : bestBefore(batch?.madeOn ?? data.today, days, content.dateKind)
		});
	});
</script>

<svelte:head><title>Label: {label.product.name} · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/labels">Labels</a></p>
<h1>{label.product.name}</h1>
<p class="text-quiet">
	packs of {label.product.packPieces}{newest
		? `, label revision ${newest.number} approved`
		: ', no label approved yet'}
</p>
<div class="mt-4 grid grid-cols-[minmax(0,1fr)] gap-8 xl:grid-cols-[minmax(0,1fr)_minmax(22rem,28rem)]">
	<div class="min-w-0">
		{#if laid && newest}
			<div class="bg-sheet border-edge inline-block max-w-full border p-2" data-testid="bag">
				<PanelDrawing drawing={laid.drawing} text={labelText(newest.content)} />
			</div>
		{:else}
			<p>The owner of the kitchen approves a label first: then it can be printed here.</p>
		{/if}
	</div>
	<div class="min-w-0"><ItsBatches batches={data.batches} /></div>
</div>
{#if label.state === 'out of date' && newest}
	<p class="border-attention bg-attention-pale mt-4 max-w-prose border-l-4 px-4 py-2">
		Revision {newest.number} is out of date: what is made now would read differently. Ask the owner of the kitchen
		before you print more of it.
	</p>
{/if}
<Revisions
	approvedBy={data.approvedBy}
	id={label.product.id}
	{asked}
	revisions={label.revisions}
	batches={data.batches}
	isOutOfDate={label.state === 'out of date'}
	printer={data.printer}
	jobs={data.jobs}
	jobId={data.jobId}
/>
