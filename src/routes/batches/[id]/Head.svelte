<script lang="ts">
	import type { RibbonFigures } from '$core/ribbon/ribbon.ts';
	import type { Closing } from '$core/squaring/closings.ts';
	import { dayText } from '$lib/format.ts';
	import type { Batch } from '$lib/batch/types.ts';
	import TrialNote from './TrialNote.svelte';
	import Ribbon from '$lib/ui/Ribbon.svelte';
	import Stations from './Stations.svelte';

	/** What stands above every station of a batch: what it is, its ribbon, and how each stage squares. */
	let {
		batch,
		actual,
		plan,
		marks
	}: {
		batch: Batch;
		actual: RibbonFigures | null;
		plan: RibbonFigures | null;
		marks: readonly Closing[];
	} = $props();
</script>

<header class="mb-2 flex flex-wrap items-end justify-between gap-x-3 gap-y-1">
	<div class="min-w-0">
		<h1 class="break-words">
			{batch.name}
			<span class="text-quiet text-sm font-normal"
				><a href="/batches">batch</a> <span class="figure">{batch.code}</span>, {dayText(batch.madeOn)},
				<a href="/formulas/{batch.formulaId}">formula</a>
				version {batch.formulaNumber}{batch.labelNumber === null
					? ''
					: `, packed under label revision ${batch.labelNumber}`}</span
			>
		</h1>
		{#if batch.labelFormulaNumber !== null && batch.labelFormulaNumber !== batch.formulaNumber}
			<p class="text-attention-ink text-sm font-semibold">
				That label was approved for version {batch.labelFormulaNumber}:
				<a href="/labels/{batch.productId}">see what it would say now</a>.
			</p>
		{/if}
	</div>
	{#if batch.recorded}<a class="min-h-8 text-sm underline" href="/batches/{batch.id}/file" download
			>Square Batch file</a
		>{/if}
</header>

{#if batch.trial}<TrialNote {batch} trial={batch.trial} />{/if}
<Ribbon {actual} {plan} batchId={batch.id} />
<Stations {batch} {marks} />
