<script lang="ts">
	import { chartIn } from '$lib/ui/chart-in.ts';
	import { fixed } from '$lib/format.ts';
	import type { Trend } from '$lib/server/batches/trends.ts';

	/** A figure from batch to batch against what is usual of it. */
	let { trend, label }: { trend: Trend; label: string } = $props();
	const percent = (share: number) => `${fixed(100 * share, 1)} %`;
	const points = $derived(
		trend.points.map(({ value, code }, index) => ({
			value: 100 * value,
			stands: trend.chart.signals[index] !== null,
			name: code
		}))
	);
	const limits = $derived(
		trend.chart.limits
			? (['mean', 'high', 'low'] as const).map((key) => ({
					value: 100 * (trend.chart.limits?.[key] ?? 0),
					name: `${key === 'mean' ? 'usual' : key === 'high' ? 'at most' : 'at least'} ${percent(trend.chart.limits?.[key] ?? 0)}`
				}))
			: []
	);
	let element = $state<HTMLDivElement>();
	$effect(() => {
		const target = element;
		const [drawn, across] = [points, limits];
		if (!target) return undefined;
		return chartIn(({ drawControl }) =>
			drawControl(target, drawn, across, (value) => `${fixed(value, 1)} %`, 1)
		);
	});
</script>

<div
	bind:this={element}
	class="mt-2 h-52 w-full"
	role="img"
	aria-label="{label}, batch by batch: {trend.points
		.map(({ code, value }) => `${code} ${percent(value)}`)
		.join(', ')}"
></div>
