<script lang="ts">
	import type { Demand } from '$lib/plan/types.ts';
	import { percent } from '$lib/format.ts';

	/** How likely so many packs are wanted by who walks up, with what is chosen for them. */
	let { demand, walkUp }: { demand: Demand; walkUp: number } = $props();
	const HEIGHT = 30;
	const WIDTH = 116;
	const distribution = $derived(demand.ahead.distribution);
	const most = $derived(Math.max(walkUp, ...distribution.map(({ packs }) => packs), 1));
	const highest = $derived(Math.max(...distribution.map(({ probability }) => probability), 0.01));
	const step = $derived(WIDTH / (most + 2));
	const at = (packs: number) => (packs + 0.5) * step;
	const words = $derived(
		distribution.map(({ packs, probability }) => `${packs} packs ${percent(probability, 0)} %`).join(', ')
	);
</script>

{#if distribution.length > 0}
	<svg
		viewBox="0 0 {WIDTH} {HEIGHT + 4}"
		width={WIDTH}
		height={HEIGHT + 4}
		role="img"
		aria-label="Wanted: {words}; {walkUp} are brought"
	>
		{#each distribution as { packs, probability } (packs)}
			<rect
				x={at(packs)}
				y={HEIGHT - (probability / highest) * HEIGHT}
				width={Math.max(2, step - 1.5)}
				height={(probability / highest) * HEIGHT}
				class={packs <= walkUp ? 'fill-flour' : 'fill-rule'}
			/>
		{/each}
		<line x1="0" x2={WIDTH} y1={HEIGHT} y2={HEIGHT} class="stroke-edge" stroke-width="0.5" />
		<line
			x1={at(walkUp + 1)}
			x2={at(walkUp + 1)}
			y1="0"
			y2={HEIGHT + 4}
			class="stroke-ink"
			stroke-width="2"
		/>
	</svg>
{:else}
	<span class="text-quiet text-sm">not sold on such days yet</span>
{/if}
