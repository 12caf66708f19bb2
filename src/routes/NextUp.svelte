<script lang="ts">
	import { page } from '$app/state';
	import { ring } from '$lib/batch/bench/alarm.ts';
	import { clock } from '$lib/batch/bench/clock.svelte.ts';
	import { clockAt, minutesText } from '$lib/plan/times.ts';
	import type { NextTask } from '$lib/plan/types.ts';

	/** What a plan that was taken has next, on every page; it rings once when it is due. */
	let { next }: { next: readonly NextTask[] } = $props();
	const time = clock();
	const MINUTE_MS = 60_000;
	/** Longer past than this nobody waits for it. */
	const RINGS_FOR_MIN = 30;
	const due = $derived(
		next.map((each) => ({ ...each, in_min: (Date.parse(each.at) - Date.parse(time.now)) / MINUTE_MS }))
	);
	$effect(() => {
		for (const { words, at, plan, in_min } of due)
			if (in_min <= 0 && in_min > -RINGS_FOR_MIN)
				ring(`${plan} ${words} ${at}`, `Now: ${words}`, 'as the plan has it');
	});
	const day = $derived(page.data.today as string);
</script>

{#if due.length > 0 && !page.url.pathname.startsWith('/plan/')}
	<ul class="mb-3 flex flex-wrap gap-2 print:hidden" aria-label="Next of the plan">
		{#each due as { words, at, href, plan, in_min, late_min, packedAt } (plan)}
			<li
				class={[
					'flex min-h-11 flex-wrap items-center gap-x-2 border px-3 text-sm',
					in_min <= 0 || late_min > 0 ? 'border-attention bg-attention-pale' : 'border-rule bg-sheet'
				]}
				data-testid="next-up"
			>
				<a {href} class="no-underline">Next: <b>{words}</b></a>
				<b class="figure">{clockAt(Date.parse(at), page.data.kitchen.timeZone, day)}</b>
				<span class="text-quiet"
					>{in_min <= 0 ? `${minutesText(in_min)} ago` : `in ${minutesText(in_min)}`}</span
				>
				<a href={plan}
					>{late_min > 0
						? `packed ${clockAt(Date.parse(packedAt), page.data.kitchen.timeZone, day)}, ${minutesText(late_min)} late`
						: 'plan'}</a
				>
			</li>
		{/each}
	</ul>
{/if}
