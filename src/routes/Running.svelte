<script lang="ts">
	import { page } from '$app/state';
	import { timerOf } from '$core/bench/timers.ts';
	import { ring } from '$lib/batch/bench/alarm.ts';
	import { clock } from '$lib/batch/bench/clock.svelte.ts';
	import { clockText, timesText } from '$lib/batch/bench/time.ts';
	import type { RunningStep } from '$lib/batch/bench/running-step.ts';

	/** The steps going on at any batch of the kitchen, on every page; what is due rings once. */
	let { steps }: { steps: readonly RunningStep[] } = $props();

	const time = clock();
	const timers = $derived(steps.map((step) => ({ ...step, timer: timerOf(step, step.begunAt, time.now) })));
	$effect(() => {
		for (const { batchId, step, begunAt, text, name, code, timer } of timers)
			if (timer.toShortest_min !== null && timer.toShortest_min <= 0)
				ring(`${batchId}:${step}:${begunAt}`, `${text}: time`, `${name}, batch ${code}`);
	});
	function standing(timer: ReturnType<typeof timerOf>): string {
		if (timer.state === 'late') return `${clockText(timer.toLongest_min ?? 0)} over`;
		if (timer.state === 'early') return `${clockText(timer.toShortest_min ?? 0)} to go`;
		return timer.toShortest_min === null ? clockText(timer.elapsed_min) : 'may end now';
	}
</script>

{#if timers.length > 0}
	<ul class="mb-3 flex flex-wrap gap-2" aria-label="Under way">
		{#each timers as { batchId, begunAt, kind, name, timer, ...times }, nth (nth)}
			<li>
				<a
					href="/batches/{batchId}/mix"
					aria-current={page.url.pathname === `/batches/${batchId}/mix` ? 'page' : undefined}
					class={[
						'flex min-h-11 flex-wrap items-center gap-x-2 border px-3 text-sm no-underline',
						timer.state === 'early' ? 'border-rule bg-sheet' : 'border-attention bg-attention-pale'
					]}
					data-testid="running"
					title={`since ${begunAt}`}
				>
					<span>{kind[0]?.toUpperCase()}{kind.slice(1)}, {name}</span>
					<b class="figure">{standing(timer)}</b>
					<span class="text-quiet">{timesText(times)}</span>
				</a>
			</li>
		{/each}
	</ul>
{/if}
