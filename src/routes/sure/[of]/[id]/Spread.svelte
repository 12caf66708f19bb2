<script lang="ts">
	import { printedNumber } from '$core/rules/tolerance.ts';
	import type { PrintedSure } from '$core/sure/result.ts';
	import type { Bins } from '$lib/sure/types.ts';
	import { chartIn } from '$lib/ui/chart-in.ts';
	import { amount } from './band.ts';

	/** How often each amount of one figure would be found, against what prints and the law's bounds. */
	interface Props {
		figure: PrintedSure;
		name: string;
		bins: Bins;
	}
	let { figure, name, bins }: Props = $props();
	const words = $derived((value: number) => `${amount(value)} ${figure.unit}`);
	const lines = $derived([
		{ value: printedNumber(figure.printed), name: 'printed', isBound: false },
		...[figure.low, figure.high]
			.filter((bound) => bound !== null)
			.map((bound) => ({ value: bound, name: 'bound', isBound: true }))
	]);
	let element = $state<HTMLDivElement>();
	$effect(() => {
		const target = element;
		const [drawn, across, said] = [bins, lines, words];
		const { low, high } = figure;
		if (!target) return undefined;
		const isBeyond = (value: number) => (low !== null && value < low) || (high !== null && value > high);
		return chartIn(({ drawFound }) => drawFound(target, drawn, isBeyond, across, said));
	});
</script>

<h2 class="mt-5">What would be found of {name.toLowerCase()}</h2>
<div
	bind:this={element}
	class="h-40 w-full"
	role="img"
	aria-label="{name}: 90 times in 100 from {words(figure.found.p5)} to {words(
		figure.found.p95
	)}, printed {figure.printed}{figure.low === null
		? ''
		: `, no less than ${words(figure.low)}`}{figure.high === null
		? ''
		: `, no more than ${words(figure.high)}`}"
></div>
