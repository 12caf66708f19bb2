<script lang="ts">
	import { GROUPS, makeupTotal_g, type Group, type Makeup } from '$core/formula/makeup.ts';

	/** A piece drawn as a hundred squares of its mass, with the shares in words beside it. */
	let { makeup }: { makeup: Makeup } = $props();
	const WORDS: Record<Group, string> = { water: 'water left', flour: 'flours', fat: 'fat', other: 'other' };
	const ORDER: Group[] = ['water', 'flour', 'fat', 'other'];
	const FILL: Record<Group, string> = {
		water: 'fill-water',
		flour: 'fill-flour',
		fat: 'fill-fat',
		other: 'fill-other'
	};
	const INK: Record<Group, string> = {
		water: 'bg-water',
		flour: 'bg-flour',
		fat: 'bg-fat',
		other: 'bg-other'
	};

	const shares = $derived.by(() => {
		const total = makeupTotal_g(makeup);
		const exact = GROUPS.map((group) => ({ group, share: total > 0 ? (makeup[group] / total) * 100 : 0 }));
		// Whole squares that add up to a hundred: the largest remainders take what rounding down leaves.
		const floors = exact.map((each) => ({ ...each, squares: Math.floor(each.share) }));
		let left = 100 - floors.reduce((sum, each) => sum + each.squares, 0);
		for (const each of floors.toSorted((a, b) => (b.share % 1) - (a.share % 1)))
			if (left-- > 0) each.squares++;
		return ORDER.flatMap((group) => floors.filter((each) => each.group === group));
	});
	const cells = $derived(shares.flatMap((each) => Array.from({ length: each.squares }, () => each.group)));
	const description = $derived(shares.map((each) => `${each.squares} % ${WORDS[each.group]}`).join(', '));
</script>

<div class="flex flex-wrap items-start gap-4">
	<svg viewBox="0 0 149 149" class="w-36 shrink-0" role="img" aria-label="One piece by mass: {description}">
		{#each cells as group, index (index)}
			<rect
				x={(index % 10) * 15}
				y={Math.floor(index / 10) * 15}
				width="13.5"
				height="13.5"
				class={FILL[group]}
			/>
		{/each}
	</svg>
	<ul class="min-w-32 flex-1 text-sm">
		{#each shares.filter((each) => each.squares > 0) as each, nth (nth)}
			<li class="flex items-center gap-2 py-0.5">
				<span class={['size-3 shrink-0', INK[each.group]]}></span>
				<span class="flex-1">{WORDS[each.group]}</span>
				<span class="figure font-semibold">{each.squares}<span class="unit">%</span></span>
			</li>
		{/each}
	</ul>
</div>
