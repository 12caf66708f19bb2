<script lang="ts">
	import type { Closing } from '$core/squaring/closings.ts';
	import type { Stage } from '$core/squaring/stages.ts';
	import { page } from '$app/state';
	import type { Batch } from '$lib/batch/types.ts';
	import Mark from '$lib/ui/Mark.svelte';

	/** The stations of a batch in the order of the work, each with the squares of the stages it settles. */
	let { batch, marks }: { batch: Batch; marks: readonly Closing[] } = $props();

	const STATIONS: { path: string; word: string; stages: Stage[] }[] = [
		{ path: '/weigh', word: 'Weigh in', stages: [] },
		{ path: '/mix', word: 'Mix and rest', stages: ['mix'] },
		{ path: '/divide', word: 'Divide', stages: ['divide'] },
		{ path: '/surface', word: 'Surface', stages: [] },
		{ path: '/cook', word: 'Cook', stages: ['cook'] },
		{ path: '/pack', word: 'Count and pack', stages: ['count', 'pack'] },
		{ path: '', word: 'Square', stages: [] }
	];
	const base = $derived(`/batches/${batch.id}`);
	/** What is not weighed yet of what has no stage of its own. */
	const toDo = $derived({
		'/weigh': batch.lines.filter((line) => line.use === 'dough' && line.weighed_g === null).length,
		'/surface': batch.lines.filter((line) => line.use !== 'dough' && line.weighed_g === null).length
	});
	let row = $state<HTMLElement>();
	// On a phone the row is wider than the screen: the station one is at has to be seen.
	$effect(() => {
		void page.url.pathname;
		const here = row?.querySelector<HTMLElement>('[aria-current]');
		if (row && here) row.scrollLeft = here.offsetLeft - row.offsetLeft - 16;
	});
	const squared = $derived(marks.filter((mark) => mark.state === 'squares').length);
</script>

<nav bind:this={row} aria-label="Stations" class="border-rule relative mt-2 overflow-x-auto border-b">
	<ul class="flex min-w-max items-stretch gap-x-1 sm:min-w-0 sm:flex-wrap">
		{#each STATIONS as { path, word, stages } (path)}
			{@const here = page.url.pathname === base + path}
			<li>
				<a
					href={base + path}
					aria-current={here ? 'page' : undefined}
					class={[
						'flex h-full min-h-13 flex-col px-3 pt-1.5 pb-1 no-underline',
						here
							? 'border-action bg-sheet border-b-4 font-bold'
							: 'hover:bg-sheet border-b-4 border-transparent'
					]}
				>
					{word}
					<span class="flex gap-x-3 text-xs font-normal" data-testid="marks">
						{#each marks.filter((mark) => stages.includes(mark.stage)) as closing (closing.stage)}
							<Mark {closing} small word={stages.length > 1 ? closing.stage : ''} />
						{/each}
						{#if path === '/weigh' || path === '/surface'}
							<span class="text-quiet">{toDo[path] === 0 ? 'weighed' : `${toDo[path]} to weigh`}</span>
						{:else if path === ''}
							<span class="text-quiet">{squared} of {marks.length} squares</span>
						{/if}
					</span>
				</a>
			</li>
		{/each}
	</ul>
</nav>
