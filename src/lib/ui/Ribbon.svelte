<script lang="ts">
	import { GROUPS, makeupTotal_g, type Group } from '$core/formula/makeup.ts';
	import type { RibbonFigures, RibbonStage, RibbonStageKey } from '$core/ribbon/ribbon.ts';
	import { plain } from '$lib/format.ts';

	/**
	 * A band whose height is grams, from weighed in to sold, drawn to scale; what leaves peels away
	 * below. The plan stands faintly behind.
	 */
	let {
		actual,
		plan = null,
		batchId,
		behind = 'as planned',
		height = 116
	}: {
		actual: RibbonFigures | null;
		plan?: RibbonFigures | null;
		/** Whose stations its stretches open; null where they open none. */
		batchId: string | null;
		/** What the dashed one behind is. */
		behind?: string;
		/** Of the band where it is widest, px. */
		height?: number;
	} = $props();

	/** The station that a stretch opens. */
	const STATION: Record<RibbonStageKey, { path: string; word: string }> = {
		weighedIn: { path: '/weigh', word: 'Weigh in' },
		dough: { path: '/mix', word: 'Mix and rest' },
		balls: { path: '/divide', word: 'Divide' },
		pieces: { path: '/cook', word: 'Cook' },
		packs: { path: '/pack', word: 'Count and pack' },
		sold: { path: '#sold', word: 'Sales of this batch' }
	};

	const WORDS: Record<RibbonStageKey, string> = {
		weighedIn: 'Weighed in',
		dough: 'Dough',
		balls: 'Balls',
		pieces: 'Pieces',
		packs: 'Packs',
		sold: 'Sold'
	};
	const FILL: Record<Group, string> = {
		flour: 'fill-flour',
		water: 'fill-water',
		fat: 'fill-fat',
		other: 'fill-other'
	};

	let width = $state(1080);
	const shown = $derived(actual ?? plan);
	const stages = $derived(shown?.stages ?? []);
	const step = $derived(width / Math.max(1, stages.length));
	/** Too narrow for words beside each other: they go under each other, and what leaves goes below. */
	const narrow = $derived(step < 140);
	const TOP = $derived(narrow ? 36 : 24);
	const most_g = $derived(
		Math.max(
			1,
			...[...stages, ...(plan?.stages ?? [])].map((stage) => (stage.makeup ? makeupTotal_g(stage.makeup) : 0))
		)
	);
	const y = (grams: number) => (grams / most_g) * height;
	const leavesAt = $derived(
		stages.map((stage) => (shown?.leaves ?? []).filter((leaf) => leaf.before === stage.key))
	);
	/** What is drawn of it: where it is narrow, nothing; it is listed below. */
	const drawnAt = $derived(narrow ? [] : leavesAt);
	const deepest = $derived(Math.max(0, ...drawnAt.map((leaves) => leaves.length)));
	const bottom = $derived(TOP + height + 8 + deepest * 16);

	/** Bands of one stage from the top: flour, water, fat, other. */
	function bands(stage: RibbonStage) {
		const makeup = stage.makeup;
		if (!makeup) return [];
		let top = TOP;
		return GROUPS.map((group) => {
			const height = y(makeup[group]);
			top += height;
			return { group, top: top - height, height };
		});
	}

	function title(stage: RibbonStage): string {
		if (stage.key === 'packs' || stage.key === 'sold') return stage.count === null ? '' : plain(stage.count);
		const count = stage.count === null ? '' : `${plain(stage.count)} · `;
		return stage.grams === null
			? stage.count === null
				? ''
				: plain(stage.count)
			: `${count}${plain(stage.grams)} g`;
	}
	const outline = $derived.by(() => {
		const points = (plan?.stages ?? []).flatMap((stage, index) =>
			stage.makeup && stage.key !== 'sold'
				? [{ x: index * step, height: y(makeupTotal_g(stage.makeup)) }]
				: []
		);
		const last = points.at(-1);
		if (!last) return '';
		return `M${points.map((point) => `${point.x} ${TOP + point.height}H${point.x + step}`).join('L')}`;
	});
</script>

<figure class="relative m-0" bind:clientWidth={width}>
	{#each batchId === null ? [] : stages as stage, index (stage.key)}
		<!-- The stations are listed below too: these would only be passed twice by key. -->
		<a
			href="/batches/{batchId}{STATION[stage.key].path}"
			tabindex="-1"
			aria-label="{WORDS[stage.key]}: {STATION[stage.key].word}"
			title={STATION[stage.key].word}
			class="hover:bg-action/10 absolute top-0"
			style:left="{index * step}px"
			style:width="{step}px"
			style:height="{TOP + height}px"
		></a>
	{/each}
	<svg
		{width}
		height={bottom}
		role="img"
		aria-labelledby="ribbon-words"
		class="block max-w-full overflow-visible"
	>
		<title id="ribbon-words">
			{stages.map((stage) => `${WORDS[stage.key]} ${title(stage)}`).join(', ')}
		</title>
		{#each stages as stage, index (stage.key)}
			{#each bands(stage) as band (band.group)}
				<rect
					x={index * step}
					y={band.top}
					width={step}
					height={Math.max(0, band.height)}
					class={actual ? FILL[band.group] : `${FILL[band.group]} opacity-30`}
				/>
			{/each}
		{/each}
		{#if outline}<path
				d={outline}
				class="stroke-quiet"
				fill="none"
				stroke-dasharray="3 3"
				opacity="0.8"
			/>{/if}
		{#each stages as stage, index (stage.key)}
			{@const x = index * step}
			<line
				x1={x + 0.5}
				x2={x + 0.5}
				y1="0"
				y2={TOP + height}
				class={stage.makeup ? 'stroke-ink' : 'stroke-edge'}
				opacity={stage.makeup ? 1 : 0.5}
			/>
			<text
				x={x + (narrow ? 3 : 6)}
				y="10"
				class={[narrow ? 'text-[10px]' : 'text-[12px]', stage.makeup ? 'fill-ink' : 'fill-quiet']}
			>
				{WORDS[stage.key]}{#if !narrow}<tspan dx="5" class="figure">{title(stage)}</tspan>{/if}
			</text>
			{#if narrow}
				{#each title(stage).split(' · ') as part, row (row)}
					<text x={x + 3} y={21 + row * 11} class="figure fill-ink text-[10px]">{part}</text>
				{/each}
			{/if}
			{#each drawnAt[index] ?? [] as leaf, row (row)}
				{@const base = TOP + height + 14 + row * 16}
				<path
					d="M{x - 8} {TOP +
						y(
							makeupTotal_g(stages[index - 1]?.makeup ?? { flour: 0, water: 0, fat: 0, other: 0 })
						)}Q{x} {TOP + height} {x} {base - 4}"
					class={leaf.grams < 0 ? 'stroke-squared' : 'stroke-loss'}
					fill="none"
					stroke-width="1.5"
				/>
				<text x={x + 4} y={base} class={['text-[11px]', leaf.grams < 0 ? 'fill-squared' : 'fill-loss']}>
					{leaf.label}<tspan dx="4" class="figure">{plain(Math.abs(leaf.grams))} g</tspan>
				</text>
			{/each}
		{/each}
	</svg>
	<figcaption class="text-quiet mt-1 flex flex-wrap gap-x-4 text-xs">
		<span><span class="bg-flour mr-1 inline-block size-2.5"></span>flours</span>
		<span><span class="bg-water mr-1 inline-block size-2.5"></span>water</span>
		<span><span class="bg-fat mr-1 inline-block size-2.5"></span>fat</span>
		<span><span class="bg-other mr-1 inline-block size-2.5"></span>other</span>
		{#if plan}<span>dashed: {behind}</span>{/if}
		{#if narrow}
			<ul class="flex basis-full flex-wrap gap-x-4 text-xs">
				{#each leavesAt.flat() as leaf, nth (nth)}
					<li class={leaf.grams < 0 ? 'text-squared' : 'text-loss'}>
						{leaf.label} <span class="figure">{plain(Math.abs(leaf.grams))} g</span>
					</li>
				{/each}
			</ul>
		{/if}
	</figcaption>
</figure>
