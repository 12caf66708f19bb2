<script lang="ts">
	import { page } from '$app/state';
	import type { AssembledDay } from '$core/planning/assemble.ts';
	import type { Lane, Stretch } from '$core/planning/lanes.ts';
	import { colourOf } from '$lib/plan/colours.ts';
	import { clockAt, marksBetween, momentAt } from '$lib/plan/times.ts';
	import Wide from '$lib/ui/Wide.svelte';

	/** A day as lanes: who and what does when. A stretch is dragged, or moved by the arrow keys; it is pinned where it is let go. */
	interface Props {
		assembled: AssembledDay;
		lanes: readonly Lane[];
		/** The name of each lane, by its id. */
		nameOf: (id: string) => string;
		/** Products in their order, for their colours. */
		products: readonly string[];
		zero_ms: number;
		day: string;
		packed_min: number;
		/** Which lanes limit the day, and in what words. */
		limits: { ids: readonly string[]; words: string } | null;
		pinned: ReadonlySet<string>;
		/** Tasks that have begun: they stay. */
		begun?: ReadonlySet<number>;
		now_min?: number | null;
		onmove?: (key: string, start_min: number) => void;
		onunpin?: (key: string) => void;
	}
	let {
		assembled,
		lanes,
		nameOf,
		products,
		zero_ms,
		day,
		packed_min,
		limits,
		pinned,
		begun = new Set(),
		now_min = null,
		onmove,
		onunpin
	}: Props = $props();

	const AROUND_MIN = 12;
	const STEP_MIN = 5;
	const all = $derived(lanes.flatMap(({ stretches }) => stretches));
	const from = $derived(Math.min(...all.map(({ from_min }) => from_min), now_min ?? 0, -30) - AROUND_MIN);
	const to = $derived(Math.max(packed_min, 0, ...all.map(({ to_min }) => to_min)) + AROUND_MIN);
	const span = $derived(to - from);
	const left = (minute: number) => ((minute - from) / span) * 100;
	const marks = $derived(marksBetween(zero_ms, from, to));
	const timeZone = $derived(page.data.kitchen.timeZone);
	const time = (minute: number) => clockAt(momentAt(zero_ms, minute), timeZone, day);
	const first = $derived(Math.min(...all.map(({ from_min }) => from_min)));
	const keyOf = (place: number) => assembled.tasks[place]?.key ?? '';

	let board = $state<HTMLElement>();
	let drag = $state<{ place: number; startX: number; from_min: number; by_min: number } | null>(null);
	function begin(event: PointerEvent, stretch: Stretch) {
		if (!onmove || begun.has(stretch.place) || event.button !== 0) return;
		(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
		drag = { place: stretch.place, startX: event.clientX, from_min: stretch.from_min, by_min: 0 };
	}
	function move(event: PointerEvent) {
		if (!drag || !board) return;
		drag.by_min = Math.round(((event.clientX - drag.startX) / board.clientWidth) * span);
	}
	function drop() {
		if (drag && drag.by_min !== 0) onmove?.(keyOf(drag.place), drag.from_min + drag.by_min);
		drag = null;
	}
	function key(event: KeyboardEvent, stretch: Stretch) {
		if (!onmove || begun.has(stretch.place)) return;
		const of = keyOf(stretch.place);
		if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
			event.preventDefault();
			const step = event.shiftKey ? 1 : STEP_MIN;
			onmove(of, stretch.from_min + (event.key === 'ArrowLeft' ? -step : step));
		} else if (event.key === 'Enter' || event.key === ' ') {
			event.preventDefault();
			if (pinned.has(of)) onunpin?.(of);
			else onmove(of, stretch.from_min);
		} else if (event.key === 'Delete' || event.key === 'Backspace') {
			event.preventDefault();
			onunpin?.(of);
		}
	}
	const wordsOf = ({ place, from_min, to_min, kept }: Stretch) => {
		const of = assembled.tasks[place];
		const make = assembled.makes.find(({ id }) => id === of?.make);
		return `${kept ? 'dough of' : (of?.words ?? '')} ${make?.name ?? ''}, ${time(from_min)} to ${time(to_min)}${
			pinned.has(keyOf(place)) ? ', pinned' : ''
		}${begun.has(place) ? ', begun' : ''}`;
	};
	/** What a stretch says: what is done, and where there is room, of what. */
	function labelOf({ place, from_min, to_min }: Stretch): string {
		const of = assembled.tasks[place];
		const make = assembled.makes.find(({ id }) => id === of?.make);
		const count =
			of?.kind === 'pack' ? ` ${make?.packs ?? ''}` : of?.kind === 'divide' ? ` ${make?.pieces ?? ''}` : '';
		const words = of?.kind === 'pack' ? 'pack' : (of?.words ?? '');
		return (to_min - from_min) / span > 0.12 ? `${words}${count}, ${make?.name ?? ''}` : `${words}${count}`;
	}
	const colour = (place: number) => colourOf(products.indexOf(assembled.tasks[place]?.wish ?? ''));
</script>

<!-- For the wall the list below says the same in large type. -->
<Wide label="The day by hand, pan and bowl" class="mt-4 print:hidden">
	<div class="min-w-[46rem]" data-testid="lanes">
		<div class="relative ml-28 h-5 text-xs" aria-hidden="true">
			{#each marks as mark (mark)}
				<span class="text-quiet figure absolute -translate-x-1/2 whitespace-nowrap" style:left="{left(mark)}%"
					>{time(mark)}</span
				>
			{/each}
		</div>
		<div class="relative">
			{#each lanes as lane (lane.id)}
				<div class="border-rule flex h-9 items-center border-b">
					<b class="w-28 shrink-0 truncate pr-2 text-sm" title={nameOf(lane.id)}>{nameOf(lane.id)}</b>
					<div class="relative h-full min-w-0 flex-1" bind:this={board}>
						{#each marks as mark (mark)}
							<span class="border-rule absolute top-0 h-full border-l" style:left="{left(mark)}%"></span>
						{/each}
						{#if limits?.ids.includes(lane.id)}
							<span
								class="border-attention pointer-events-none absolute inset-y-0 border-2 border-dashed"
								style:left="{left(Math.min(...lane.stretches.map(({ from_min }) => from_min)))}%"
								style:right="{100 - left(Math.max(...lane.stretches.map(({ to_min }) => to_min)))}%"
							></span>
						{/if}
						{#each lane.stretches as stretch, nth (nth)}
							{@const moved = drag?.place === stretch.place ? drag.by_min : 0}
							{#if stretch.kept}
								<span
									class="absolute top-3 h-3 opacity-60"
									style:left="{left(stretch.from_min)}%"
									style:width="{left(stretch.to_min) - left(stretch.from_min)}%"
									style:background={colour(stretch.place)}
									title={wordsOf(stretch)}
								></span>
							{:else}
								<button
									type="button"
									class={[
										'text-ink absolute top-1 h-7 touch-none overflow-hidden border px-1 text-left text-xs whitespace-nowrap',
										pinned.has(keyOf(stretch.place)) ? 'border-ink border-2' : 'border-edge',
										begun.has(stretch.place) && 'opacity-60',
										onmove && !begun.has(stretch.place) ? 'cursor-grab' : 'cursor-default',
										drag?.place === stretch.place && 'z-10 cursor-grabbing shadow'
									]}
									style:left="{left(stretch.from_min + moved)}%"
									style:width="{Math.max(0.6, left(stretch.to_min) - left(stretch.from_min))}%"
									style:background={colour(stretch.place)}
									title={wordsOf(stretch)}
									aria-label={wordsOf(stretch)}
									data-key={keyOf(stretch.place)}
									data-start={stretch.from_min}
									onpointerdown={(event) => begin(event, stretch)}
									onpointermove={move}
									onpointerup={drop}
									onpointercancel={() => (drag = null)}
									onkeydown={(event) => key(event, stretch)}
									>{#if pinned.has(keyOf(stretch.place))}<span aria-hidden="true">⚑ </span>{/if}{labelOf(
										stretch
									)}</button
								>
							{/if}
						{/each}
					</div>
				</div>
			{/each}
			<div class="pointer-events-none absolute inset-y-0 right-0 left-28">
				{#each [[first, 'border-action'], [0, 'border-ink']] as const as [minute, tone] (tone)}
					<span class={['absolute inset-y-0 border-l-2', tone]} style:left="{left(minute)}%"></span>
				{/each}
				{#if now_min !== null && now_min > from && now_min < to}
					<span class="border-loss absolute inset-y-0 border-l-2 border-dotted" style:left="{left(now_min)}%"
					></span>
				{/if}
			</div>
		</div>
		<div class="relative ml-28 h-6 text-sm font-semibold">
			<span class="text-action absolute whitespace-nowrap" style:left="{left(first)}%"
				>start {time(first)}</span
			>
			<span class="absolute -translate-x-full whitespace-nowrap" style:left="{left(Math.max(0, packed_min))}%"
				>packed {time(packed_min)}</span
			>
		</div>
	</div>
</Wide>
{#if limits}<p class="text-attention-ink mt-1 text-sm print:hidden">{limits.words}</p>{/if}
{#if drag}<p class="sr-only" aria-live="polite">{time(drag.from_min + drag.by_min)}</p>{/if}
