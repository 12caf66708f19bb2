<script lang="ts">
	import { dayText } from '$lib/format.ts';
	import type { Trend } from '$lib/batch/trend.ts';
	import Wide from '$lib/ui/Wide.svelte';
	import TrendChart from './TrendChart.svelte';
	import { TREND_UNITS } from './trend-units.ts';

	let { data } = $props();
	const WORDS: Record<Trend['key'], { title: string; says: string }> = {
		cookLoss: { title: 'Cook loss', says: 'water that went off on the plate, of what was put on it' },
		residue: { title: 'Stayed in the bowl', says: 'of what was weighed in, what did not reach the dough' },
		yield: { title: 'Overall yield', says: 'sellable bread, of everything that was used' },
		hydration: { title: 'Water really used', says: 'of the flour’s weight' },
		time: { title: 'Time taken', says: 'from the first thing weighed to the last piece done' }
	};
	const WHY = {
		outside: 'beyond what is usual',
		run: 'the eighth or later in a row on one side of the mean'
	};
	const standing = (trend: Trend) =>
		trend.points.flatMap((point, index) => {
			const signal = trend.chart.signals[index];
			return signal ? [{ ...point, why: WHY[signal] }] : [];
		});
</script>

<svelte:head><title>{data.formula.name}: how its batches went · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/formulas/{data.formula.id}">{data.formula.name}</a></p>
<h1>How its batches went</h1>
<p class="text-quiet max-w-prose">
	The dashed lines are three standard deviations from the mean, judged by how much one batch differs from the
	next. A batch beyond them, or eight in a row on one side, does not come by chance: look for what changed.
</p>

{#each data.trends as trend (trend.key)}
	{@const words = WORDS[trend.key]}
	{@const marked = standing(trend)}
	<section class="border-rule mt-6 border-t pt-4" aria-labelledby="{trend.key}-heading">
		<h2 id="{trend.key}-heading">{words.title}</h2>
		<p class="text-quiet text-sm">{words.says}</p>
		{#if trend.points.length === 0}
			<p class="mt-2">No batch says yet.</p>
		{:else}
			<TrendChart {trend} label={words.title} />
			{#if trend.chart.limits === null}
				<p class="text-quiet text-sm">Fewer than six batches do not say what is usual.</p>
			{:else if marked.length === 0}
				<p class="text-squared text-sm font-semibold">Every batch is within what is usual.</p>
			{:else}
				<Wide label="{words.title}: batches that stand out">
					<table class="ledger mt-1 max-w-4xl text-sm">
						<thead
							><tr
								><th>Stands out</th><th>Made on</th><th class="number">{words.title}</th><th>Why</th><th
									>Otherwise than the batch before</th
								></tr
							></thead
						>
						<tbody>
							{#each marked as point (point.id)}
								<tr>
									<td><a href="/batches/{point.id}" class="figure">{point.code}</a></td>
									<td class="text-quiet">{dayText(point.madeOn)}</td>
									<td class="number figure">{TREND_UNITS[trend.unit].said(point.value)}</td>
									<td>{point.why}</td>
									<td>{point.changed.join(', ') || 'nothing that was noted'}</td>
								</tr>
							{/each}
						</tbody>
					</table>
				</Wide>
			{/if}
		{/if}
	</section>
{/each}
