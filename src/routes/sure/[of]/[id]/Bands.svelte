<script lang="ts">
	import type { PrintedSure } from '$core/sure/result.ts';
	import { SURE_ENOUGH } from '$lib/sure/types.ts';
	import { amount, hundredths, scaleOf } from './band.ts';

	/** Each printed line with what would be found, where it prints and the law's bound in it, and its chance. */
	interface Props {
		figures: PrintedSure[];
		nameOf: (key: string) => string;
		chosen: string;
		onask: (key: string) => void;
	}
	let { figures, nameOf, chosen, onask }: Props = $props();
	const WIDTH = 330;
	const HEIGHT = 30;
	const words = (figure: PrintedSure) => {
		const { p5, p50, p95 } = figure.found;
		const bound =
			figure.high !== null
				? `${figure.low === null ? 'no more than' : `from ${amount(figure.low)} to`} ${amount(figure.high)}`
				: figure.low !== null
					? `no less than ${amount(figure.low)}`
					: 'no bound';
		return `found ${amount(p5)} to ${amount(p95)} ${figure.unit}, its middle ${amount(p50)}; ${bound}`;
	};
</script>

{#snippet band(figure: PrintedSure)}
	{@const at = scaleOf(figure, WIDTH)}
	<svg
		viewBox="0 0 {WIDTH} {HEIGHT}"
		class="block h-7 w-full"
		preserveAspectRatio="none"
		role="img"
		aria-label={words(figure)}
	>
		{#if at.low !== null}<rect x="0" y="0" width={at.low} height={HEIGHT} class="fill-loss-pale" />{/if}
		{#if at.high !== null}<rect
				x={at.high}
				y="0"
				width={WIDTH - at.high}
				height={HEIGHT}
				class="fill-loss-pale"
			/>{/if}
		<rect x={at.p5} y="11" width={Math.max(1, at.p95 - at.p5)} height="8" class="fill-water" />
		{#if at.low !== null && at.p5 < at.low}<rect
				x={at.p5}
				y="11"
				width={Math.min(at.low, at.p95) - at.p5}
				height="8"
				class="fill-loss"
			/>{/if}
		{#if at.high !== null && at.p95 > at.high}<rect
				x={Math.max(at.high, at.p5)}
				y="11"
				width={at.p95 - Math.max(at.high, at.p5)}
				height="8"
				class="fill-loss"
			/>{/if}
		{#if at.low !== null}<rect x={at.low - 1} y="2" width="2" height="26" class="fill-loss" />{/if}
		{#if at.high !== null}<rect x={at.high - 1} y="2" width="2" height="26" class="fill-loss" />{/if}
		<rect x={at.p50 - 1.5} y="7" width="3" height="16" class="fill-ink" />
		{#if at.printed !== null}<ellipse
				cx={at.printed}
				cy="15"
				rx="4"
				ry="4"
				class="fill-sheet stroke-ink"
				stroke-width="1.5"
			/>{/if}
	</svg>
{/snippet}

<div class="overflow-x-auto">
	<table class="ledger w-full" data-testid="bands">
		<thead>
			<tr>
				<th>Printed line</th>
				<th class="number">On the label</th>
				<th class="max-sm:hidden">
					Found, 90 in 100
					<span class="flex flex-wrap gap-x-3 text-xs font-normal" aria-hidden="true">
						<span><span class="bg-water inline-block h-2 w-5"></span> found, its middle</span>
						<span><span class="bg-loss inline-block h-3 w-0.5"></span> the law’s bound</span>
						<span><span class="border-ink inline-block size-2 rounded-full border"></span> as printed</span>
					</span>
				</th>
				<th class="number">Survives</th>
			</tr>
		</thead>
		<tbody>
			{#each figures as figure (figure.figure)}
				{@const isUnsure = figure.survives < SURE_ENOUGH}
				<tr class={chosen === figure.figure ? 'bg-sheet' : ''}>
					<td class="py-0.5! align-middle!">
						<button
							type="button"
							class="min-h-9 text-left underline decoration-dotted"
							aria-pressed={chosen === figure.figure}
							onclick={() => onask(figure.figure)}>{nameOf(figure.figure)}</button
						>
						<span class="block sm:hidden">{@render band(figure)}</span>
						<span class="text-quiet block text-xs sm:hidden">{words(figure)}</span>
					</td>
					<td class="number figure py-0.5! align-middle! font-semibold whitespace-normal">{figure.printed}</td
					>
					<td class="py-0.5! align-middle! max-sm:hidden">
						{@render band(figure)}
					</td>
					<td class={['number figure py-0.5! align-middle! text-lg', isUnsure && 'text-loss font-bold']}
						>{figure.low === null && figure.high === null ? '–' : hundredths(figure.survives)}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
</div>
