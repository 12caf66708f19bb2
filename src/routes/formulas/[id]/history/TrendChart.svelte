<script lang="ts">
	import { chartIn } from '$lib/ui/chart-in.ts';
	import { fixed } from '$lib/format.ts';
	import type { Trend } from '$lib/batch/trend.ts';
	import { TREND_UNITS } from './trend-units.ts';

	/** A figure from batch to batch against what is usual of it. */
	let { trend, label }: { trend: Trend; label: string } = $props();
	const { drawn, said } = $derived(TREND_UNITS[trend.unit]);
	const points = $derived(
		trend.points.map(({ value, code }, index) => ({
			value: drawn(value),
			stands: trend.chart.signals[index] !== null,
			name: code
		}))
	);
	const limits = $derived(
		trend.chart.limits
			? (['mean', 'high', 'low'] as const).map((key) => ({
					value: drawn(trend.chart.limits?.[key] ?? 0),
					name: `${key === 'mean' ? 'usual' : key === 'high' ? 'at most' : 'at least'} ${said(trend.chart.limits?.[key] ?? 0)}`
				}))
			: []
	);
	let element = $state<HTMLDivElement>();
	$effect(() => {
		const target = element;
		const [line, across, unit] = [points, limits, trend.unit === 'share' ? '%' : 'min'];
		if (!target) return undefined;
		return chartIn(({ drawControl }) =>
			drawControl(target, line, across, (value) => `${fixed(value, 1)} ${unit}`, 1)
		);
	});
</script>

<div
	bind:this={element}
	class="mt-2 h-52 w-full"
	role="img"
	aria-label="{label}, batch by batch: {trend.points
		.map(({ code, value }) => `${code} ${said(value)}`)
		.join(', ')}"
></div>
