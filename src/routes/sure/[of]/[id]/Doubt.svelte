<script lang="ts">
	import type { PrintedSure } from '$core/sure/result.ts';
	import { inputWords, type Names } from '$lib/sure/words.ts';

	/** Where one figure's doubt comes from, as a bar of shares and in words. */
	interface Props {
		figure: PrintedSure;
		name: string;
		names: Names;
	}
	let { figure, name, names }: Props = $props();
	const MOST = 4;
	const COLOURS = ['fill-other', 'fill-flour', 'fill-water', 'fill-fat'];
	const BACKS = ['bg-other', 'bg-flour', 'bg-water', 'bg-fat'];
	const largest = $derived(figure.shares.slice(0, MOST));
	const rest = $derived(1 - largest.reduce((sum, { share }) => sum + share, 0));
	const bars = $derived.by(() => {
		let from = 0;
		return largest.map(({ share }, nth) => {
			const bar = { x: from * 100, width: share * 100, colour: COLOURS[nth] ?? '' };
			from += share;
			return bar;
		});
	});
	const percent = (share: number) => `${Math.round(share * 100)} %`;
</script>

<h2 class="mt-5">Where the doubt about {name.toLowerCase()} comes from</h2>
{#if largest.length > 0}
	<svg viewBox="0 0 100 8" preserveAspectRatio="none" class="mt-1 block h-6 w-full" aria-hidden="true">
		<rect x="0" y="0" width="100" height="8" class="fill-rule" />
		{#each bars as bar, nth (nth)}<rect
				x={bar.x}
				y="0"
				width={bar.width}
				height="8"
				class={bar.colour}
			/>{/each}
	</svg>
	<ul class="mt-1 text-sm" data-testid="doubt">
		{#each largest as { input, share }, nth (input)}
			<li class="flex items-baseline gap-2">
				<span class="{BACKS[nth]} inline-block size-2.5 shrink-0" aria-hidden="true"></span>
				<span class="min-w-0 flex-1">{inputWords(input, names)}</span>
				<span class="figure">{percent(share)}</span>
			</li>
		{/each}
		{#if rest > 0.005}
			<li class="flex items-baseline gap-2">
				<span class="bg-rule inline-block size-2.5 shrink-0" aria-hidden="true"></span>
				<span class="flex-1">the rest</span><span class="figure">{percent(rest)}</span>
			</li>
		{/if}
	</ul>
{:else}
	<p class="text-quiet text-sm">None: nothing it follows from is uncertain.</p>
{/if}
