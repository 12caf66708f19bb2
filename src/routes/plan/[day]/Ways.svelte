<script lang="ts">
	import { page } from '$app/state';
	import type { WayOut } from '$core/planning/ways-out.ts';
	import type { PlanBasis } from '$lib/plan/types.ts';
	import { clockAt, minutesText, momentAt } from '$lib/plan/times.ts';

	/** Ways that would let the day begin later, or be in time; each was tried. */
	interface Props {
		ways: readonly WayOut[] | null;
		basis: PlanBasis;
		late_min: number;
		zero_ms: number;
		day: string;
		ontake: (way: WayOut) => void;
	}
	let { ways, basis, late_min, zero_ms, day, ontake }: Props = $props();
	const SHOWN = 4;
	const time = (minute: number) => clockAt(momentAt(zero_ms, minute), page.data.kitchen.timeZone, day);
	const product = (id: string) => basis.products.find(({ productId }) => productId === id);
	function wordsOf(way: WayOut): string {
		const of = product(way.of);
		switch (way.kind) {
			case 'tool':
				return `Another ${(basis.tools.find(({ id }) => id === way.of)?.name ?? 'one').toLowerCase()}`;
			case 'person':
				return 'One more who helps all along';
			case 'helper':
				return `A helper from ${time(way.from_min ?? 0)} for an hour`;
			case 'overnight':
				return `Chill the ${of?.name ?? ''} dough overnight`;
			case 'fewer':
				return `2 packs of ${of?.name ?? ''} fewer`;
			case 'evening':
				return 'Begin the evening before';
		}
	}
	/** One of each kind before a second of any. */
	const shown = $derived(
		(ways ?? [])
			.filter((way, at, all) => all.findIndex((other) => other.kind === way.kind) === at)
			.concat((ways ?? []).filter((way, at, all) => all.findIndex((other) => other.kind === way.kind) !== at))
			.slice(0, SHOWN)
	);
</script>

<section aria-labelledby="ways" class="mt-3 print:hidden">
	<h2 id="ways" class="text-base">{late_min > 0 ? 'What would make it possible' : 'Sleep longer'}</h2>
	{#if ways === null}
		<p class="text-quiet text-sm" role="status">Trying what else could be…</p>
	{:else if shown.length === 0}
		<p class="text-quiet text-sm">
			{late_min > 0
				? 'Neither another pan, nor a helper, nor fewer packs would make it: take something off the list, or say a later time.'
				: 'Neither another pan, nor a helper, nor fewer packs would let it begin more than five minutes later.'}
		</p>
	{:else}
		<div class="mt-1 flex flex-wrap gap-2">
			{#each shown as way (`${way.kind} ${way.of} ${way.from_min}`)}
				<button
					type="button"
					class="button"
					data-testid="way"
					data-kind={way.kind}
					onclick={() => ontake(way)}
				>
					{wordsOf(way)}:
					{#if way.late_min > 0}still {minutesText(way.late_min)} late{:else}start <b class="figure"
							>{time(way.firstStart_min)}</b
						>{/if}
				</button>
			{/each}
		</div>
	{/if}
</section>
