<script lang="ts">
	import { chartIn } from '$lib/ui/chart-in.ts';
	import { pricePerUsableGram } from '$core/cost/cost.ts';
	import { dayText, money } from '$lib/format.ts';
	import type { PricePack } from '$lib/shelf/price.ts';

	/** Price of a usable kilogram over time, drawn in steps: each price holds until the next. */
	let { packs, currency, today }: { packs: PricePack[]; currency: string; today: string } = $props();

	const points = $derived(
		packs
			.toReversed()
			.map((pack): [string, number] => [pack.boughtOn, pricePerUsableGram(pack).times(1000).toNumber()])
	);
	const words = $derived(
		points.map(([day, price]) => `${dayText(day)}: ${money(price.toFixed(2), currency)}`).join('; ')
	);
	let element = $state<HTMLDivElement>();
	$effect(() => {
		const target = element;
		const data = [...points, [today, points.at(-1)?.[1] ?? 0] as [string, number]];
		if (!target) return undefined;
		return chartIn(({ drawSteps }) => drawSteps(target, data, (value) => money(value.toFixed(2), currency)));
	});
</script>

<div
	bind:this={element}
	class="mt-3 h-32 w-full max-w-2xl"
	role="img"
	aria-label="Price of a usable kg. {words}"
></div>
