<script lang="ts">
	import { page } from '$app/state';
	import type { AssembledDay } from '$core/planning/assemble.ts';
	import type { Lane } from '$core/planning/lanes.ts';
	import { clockAt, minutesText, momentAt } from '$lib/plan/times.ts';

	/** The day as a list, for the wall and for whoever does not see the lanes: when, what, by whom, on what. */
	interface Props {
		assembled: AssembledDay;
		lanes: readonly Lane[];
		nameOf: (id: string) => string;
		/** By the task's place. */
		starts: readonly number[];
		minutes: (place: number) => number;
		latest: readonly number[];
		begun?: ReadonlySet<number>;
		next?: number | null;
		hrefOf?: (make: string) => string | null;
		zero_ms: number;
		day: string;
	}
	let {
		assembled,
		lanes,
		nameOf,
		starts,
		minutes,
		latest,
		begun = new Set(),
		next = null,
		hrefOf,
		zero_ms,
		day
	}: Props = $props();
	const timeZone = $derived(page.data.kitchen.timeZone);
	const time = (minute: number) => clockAt(momentAt(zero_ms, minute), timeZone, day);
	const rows = $derived(
		[...assembled.tasks.entries()]
			.map(([place, task]) => ({
				place,
				task,
				start: starts[place] ?? 0,
				make: assembled.makes.find(({ id }) => id === task.make),
				on: lanes.filter(({ stretches }) => stretches.some((each) => each.place === place && !each.kept))
			}))
			.sort((a, b) => a.start - b.start || a.place - b.place)
	);
	const count = (kind: string, make: { pieces: number; packs: number } | undefined) =>
		kind === 'pack' ? `${make?.packs ?? 0} packs` : kind === 'mix' ? '' : `${make?.pieces ?? 0} pieces`;

	/** Lines a step may take on paper: letters that fit beside each other in its two columns of words. */
	const LETTERS = { what: 44, who: 26 };
	const linesOf = ({ task, make, on }: (typeof rows)[number]) =>
		Math.max(
			Math.ceil(`${task.words}, ${make?.name ?? ''} ${count(task.kind, make)}`.length / LETTERS.what),
			Math.ceil(on.map(({ id }) => nameOf(id)).join(', ').length / LETTERS.who)
		);
	const lines = $derived(rows.reduce((sum, row) => sum + linesOf(row), 0));
</script>

<table class="ledger in-order mt-2" style:--lines={lines}>
	<thead>
		<tr>
			<th>From</th><th>What</th><th>Who, and on what</th><th class="number">Takes</th><th
				class="number print:hidden">Latest</th
			>
			<th class="hidden lg:table-cell print:hidden">How long is known from</th>
		</tr>
	</thead>
	<tbody>
		{#each rows as { place, task, start, make, on } (place)}
			{@const href = hrefOf?.(task.make) ?? null}
			<tr class={[place === next && 'bg-action-pale', begun.has(place) && 'text-quiet']} data-testid="step">
				<td class="figure font-semibold whitespace-nowrap">{time(start)}</td>
				<td
					>{#if href}<a {href}>{task.words}, {make?.name ?? ''}</a>{:else}{task.words},
						<b>{make?.name ?? ''}</b>{/if}
					<span class="text-quiet text-sm"
						>{count(task.kind, make)}{begun.has(place) ? ', begun' : ''}{place === next ? ', next' : ''}</span
					></td
				>
				<td class="text-sm">{on.map(({ id }) => nameOf(id)).join(', ') || '–'}</td>
				<td class="number figure whitespace-nowrap">{minutesText(minutes(place))}</td>
				<td class="number figure print:hidden"
					>{(latest[place] ?? start) > start ? time(latest[place] ?? start) : '–'}</td
				>
				<td class="text-quiet hidden text-sm lg:table-cell print:hidden"
					>{task.batches > 0 ? `${task.batches} batches here` : 'the process'}</td
				>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	@media print {
		.in-order {
			font-size: 1.05rem;
			line-height: 1.15;
			/* One page for the wall: what has more lines than fill it in large type is drawn smaller, up to some fifty of
			   them; smaller nobody reads it from the bench. */
			zoom: clamp(0.45, 22 / var(--lines), 1);
		}
		.in-order td {
			padding-block: 0.1rem;
		}
	}
</style>
