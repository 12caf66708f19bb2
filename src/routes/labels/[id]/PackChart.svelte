<script lang="ts">
	import { chartIn } from '$lib/ui/chart-in.ts';
	import type { RulesName } from '$core/formula/types.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import type { PackCheck } from '$core/netquantity/check.ts';
	import { plain } from '$lib/format.ts';

	/** Packs against the limits, in the order they were weighed. */
	interface Props {
		packs_g: number[];
		declared_g: number;
		check: PackCheck;
		rules: RulesName;
	}
	let { packs_g, declared_g, check, rules }: Props = $props();
	const never = $derived(rulesOf(rules).packs.neverTimes);
	const limits = $derived([
		{ value: declared_g, name: `declared ${plain(declared_g)} g` },
		...(check.allowedShort_g === null
			? []
			: [
					{
						value: declared_g - check.allowedShort_g,
						name: `least ${plain(declared_g - check.allowedShort_g, 1)} g`
					}
				]),
		...(never !== null && check.allowedShort_g !== null
			? [
					{
						value: declared_g - never * check.allowedShort_g,
						name: `never ${plain(declared_g - never * check.allowedShort_g, 1)} g`
					}
				]
			: [])
	]);
	const weights = $derived(
		packs_g.map((value, index) => ({ value, isShort: check.tooShort.includes(index) }))
	);
	let element = $state<HTMLDivElement>();
	$effect(() => {
		const target = element;
		const [drawn, across] = [weights, limits];
		if (!target) return undefined;
		return chartIn(({ drawWeights }) => drawWeights(target, drawn, across));
	});
</script>

<div
	bind:this={element}
	class="mt-3 h-48 w-full max-w-2xl"
	role="img"
	aria-label="Packs of {packs_g.map((value) => `${value} g`).join(', ')} against {limits
		.map((limit) => limit.name)
		.join(', ')}"
></div>
