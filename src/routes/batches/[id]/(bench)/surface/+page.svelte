<script lang="ts">
	import { uptakeIsAssumed } from '$core/formula/surface.ts';
	import { surfaceUse } from '$core/bench/bench.ts';
	import type { Weighed } from '$core/bench/entries.ts';
	import { useSession } from '$lib/batch/bench/session.svelte.ts';
	import { fixed, plain } from '$lib/format.ts';
	import { USE_WORDS } from '$lib/formula/draft.ts';
	import LotPick from '$lib/ui/bench/LotPick.svelte';
	import Scale from '$lib/ui/bench/Scale.svelte';
	import Next from '../Next.svelte';

	let { data } = $props();
	const session = useSession();
	/** What is planned to be set out: more than is used up where some goes back. */
	const toSetOut_g = (of: { planned_g: number; most_g: number | null }) => of.most_g ?? of.planned_g;
	const decimals = $derived(Math.max(0, -Math.floor(Math.log10(data.scaleDivision_g))));

	const WHAT = ['set out', 'returned', 'swept'] as const;
	const WORDS: Record<(typeof WHAT)[number], string> = {
		'set out': 'Set out',
		returned: 'Returned to stock',
		swept: 'Swept or wiped away'
	};
	const lines = $derived(
		session.batch.lines
			.filter((line) => line.use !== 'dough')
			.map((line) => ({ ...line, ...surfaceUse(session.bench, line.id) }))
	);
	const isDairy = $derived(
		lines.some((line) =>
			session.batch.recipe.ingredients
				.find((ingredient) => ingredient.id === line.ingredient)
				?.allergens?.includes('milk')
		)
	);
	let chosen = $state<{ lineId: string; what: (typeof WHAT)[number] } | null>(null);
	const now = $derived.by((): { lineId: string; what: (typeof WHAT)[number] } | null => {
		if (chosen) return chosen;
		// The next one that nobody weighed: all set out first, then what came back.
		for (const what of ['set out', 'returned'] as const)
			for (const line of lines)
				if (line.consumed_g === null && session.bench.readings(what, line.id).length === 0)
					return { lineId: line.id, what };
		// What stays on is assumed until what was swept or wiped away is weighed.
		for (const line of lines)
			if (
				line.consumed_g !== null &&
				line.uptake_g === null &&
				uptakeIsAssumed({ use: line.use, uptake_g: null })
			)
				return { lineId: line.id, what: 'swept' };
		return null;
	});
	const line = $derived(lines.find((each) => each.id === now?.lineId) ?? null);

	const readings = (what: Weighed, lineId: string) => session.bench.readings(what, lineId);
	const total = (what: Weighed, lineId: string) =>
		readings(what, lineId).reduce((sum, reading) => sum + reading.grams, 0);
	function take(grams: number, by: 'scale' | 'typed'): void {
		if (!now) return;
		session.weigh({
			what: now.what,
			lineId: now.lineId,
			grams,
			by,
			lotId: now.what === 'set out' ? lots[line?.ingredient ?? ''] || null : null
		});
		chosen = null;
	}
	/** The lot that was said of an ingredient, by ingredient id. */
	let lots = $state<Record<string, string>>({});
	const isMine = (entry: { kind: string; what?: string }) =>
		entry.kind === 'weighing' && WHAT.some((what) => what === entry.what);
</script>

<svelte:head><title>Surface · {session.batch.name} · Square Batch</title></svelte:head>

{#if lines.length === 0}
	<p class="max-w-prose text-lg">
		Nothing is dusted, brushed or spread on this one. If something is, write it down as a line of the
		<a href="/formulas/{session.batch.formulaId}">formula</a>: it is eaten, and it may be an allergen.
	</p>
{:else}
	<div class="grid gap-x-8 gap-y-5 md:grid-cols-[18rem_minmax(0,1fr)]">
		<div class="md:sticky md:top-12 md:self-start">
			<Scale
				of={line && now ? `${line.name}, ${WORDS[now.what].toLowerCase()}` : 'choose what to weigh'}
				target_g={now?.what === 'set out' && line && !line.toWeigh ? toSetOut_g(line) : null}
				tolerance_g={(line ? toSetOut_g(line) : 0) * 0.1}
				already_g={now?.what === 'set out' && line ? total('set out', line.id) : 0}
				least_g={2 * data.scaleDivision_g}
				division_g={data.scaleDivision_g}
				containers={data.containers}
				disabled={session.isClosed || now === null}
				ontake={take}
				onundo={session.canUndo(isMine) ? () => session.undo(isMine) : null}
			/>
		</div>
		<div class="min-w-0 space-y-4">
			{#if line && now?.what === 'set out'}
				<div class="max-w-md">
					<LotPick
						lots={data.lots}
						ingredientId={line.ingredient}
						bind:value={() => lots[line.ingredient] ?? '', (lot) => (lots[line.ingredient] = lot)}
						day={session.batch.madeOn}
					/>
				</div>
			{/if}
			<p class="max-w-prose">
				Weigh the bowl of flour or fat before the first piece and after the last. What is gone was <b
					>consumed</b
				>
				and paid for; less what is swept or wiped away, it <b>stays on</b> the pieces and is eaten.
			</p>
			{#each lines as each (each.id)}
				<section class="border-rule bg-sheet border px-4 py-3" aria-labelledby="surface-{each.id}">
					<h2 id="surface-{each.id}" class="break-words">
						{each.name} <span class="text-quiet text-sm font-normal">{USE_WORDS[each.use]}</span>
					</h2>
					<div class="mt-2 flex flex-wrap gap-2">
						{#each WHAT as what (what)}
							{@const taken = readings(what, each.id)}
							{@const isNow = now?.lineId === each.id && now.what === what}
							<button
								type="button"
								class={['button flex-col items-start', isNow && 'border-action border-2']}
								aria-pressed={isNow}
								onclick={() => (chosen = { lineId: each.id, what })}
								disabled={session.isClosed}
							>
								<span class="text-sm font-normal">{WORDS[what]}</span>
								<span class="figure"
									>{taken.length === 0 ? '–' : fixed(total(what, each.id), decimals)}<span class="unit"
										>g</span
									>{taken.some((reading) => session.isWaiting(reading.id)) ? ' …' : ''}</span
								>
							</button>
						{/each}
					</div>
					<p class="mt-2" data-testid="consumed">
						{#if each.consumed_g === null}
							<span class="text-quiet"
								>{each.most_g === null ? '' : `Set out ${plain(each.most_g, 1)} g. `}Planned to be used up: {plain(
									each.planned_g,
									1
								)} g, of which {plain(each.plannedUptake_g ?? 0, 1)} g stay on.</span
							>
						{:else}
							Consumed <b class="figure">{fixed(each.consumed_g, decimals)}</b> g;
							{#if each.uptake_g === null}
								what of it stays on is <span class="text-attention-ink font-semibold">assumed</span> until what
								is swept away is weighed.
							{:else}
								<b class="figure">{fixed(each.uptake_g, decimals)}</b> g stay on the pieces.
							{/if}
						{/if}
					</p>
				</section>
			{/each}
		</div>
	</div>
{/if}
<Next
	to="/batches/{session.batch.id}/cook"
	word="Cook"
	ready={lines.every((each) => each.consumed_g !== null)}
	cautions={[
		'Raw flour is not eaten: what stays on goes through the heat. Sweep with a dry brush, not by blowing.',
		...(isDairy ? ['Dairy brushed on shortens the life of the bread.'] : [])
	]}
/>
