<script lang="ts">
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { COMPOSITION_KEYS, nutrientUnit, nutrientWord } from '$core/composition/nutrients.ts';
	import { dayText, plain } from '$lib/format.ts';
	import type { StoredComposition } from '$lib/shelf/composition.ts';

	/** The values it had before: kept, because batches were made with them. */
	let { history }: { history: (StoredComposition & { batches: number })[] } = $props();

	const shown = (value: number | null | undefined) => (value == null ? 'unknown' : plain(value, 3));
	/** What the next newer composition changed of this one. */
	const changes = (index: number) => {
		const [newer, older] = [history[index - 1], history[index]];
		if (!newer || !older) return [];
		return COMPOSITION_KEYS.filter(
			(key) => (newer.per100g[key] ?? null) !== (older.per100g[key] ?? null)
		).map(
			(key) =>
				`${nutrientWord(key)} ${shown(older.per100g[key])} → ${shown(newer.per100g[key])} ${nutrientUnit(key)}`
		);
	};
</script>

<section class="border-rule mt-6 max-w-4xl border-t pt-4" aria-labelledby="history-heading">
	<h2 id="history-heading">Values it has had</h2>
	<ol class="mt-2 space-y-2 text-sm">
		{#each history as composition, index (composition.id)}
			<li class="border-rule border-b pb-2">
				<b>{index === 0 ? 'Now' : `Until ${dayTextOf(history[index - 1]?.createdAt ?? '')}`}</b>:
				{composition.source}{composition.sourceNote ? `, ${composition.sourceNote}` : ''}{composition.sourceOn
					? `, of ${dayText(composition.sourceOn)}`
					: ''}; noted {dayTextOf(composition.createdAt)}; {composition.batches === 0
					? 'no batch used it'
					: composition.batches === 1
						? '1 batch used it'
						: `${composition.batches} batches used it`}
				{#if index > 0}<span class="text-quiet block"
						>{changes(index).join('; ') || 'only where it comes from changed'}</span
					>{/if}
			</li>
		{/each}
	</ol>
</section>
