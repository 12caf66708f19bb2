<script lang="ts">
	import { closings, type Closing } from '$core/squaring/closings.ts';
	import { explanations } from '$core/squaring/explain.ts';
	import type { Correction, ExplainFigures } from '$core/squaring/likelihood.ts';
	import type { Stage } from '$core/squaring/stages.ts';
	import { fixed, plain, plural } from '$lib/format.ts';
	import Mark from '$lib/ui/Mark.svelte';

	/** Whether each stage squares, by how much it is off, and what would explain it. */
	interface Props {
		figures: ExplainFigures;
		/** Puts the figures right that an explanation names. */
		oncorrect: (corrections: Correction[], words: string) => void;
	}
	let { figures, oncorrect }: Props = $props();
	const STAGES: Record<Stage, { name: string; in: string; out: string }> = {
		mix: { name: 'Mix', in: 'weighed in', out: 'dough' },
		divide: { name: 'Divide', in: 'dough', out: 'balls and leftover' },
		cook: { name: 'Cook', in: 'balls and what stayed on', out: 'finished pieces' },
		count: { name: 'Count', in: 'balls made', out: 'sellable and rejects' },
		pack: { name: 'Pack', in: 'sellable', out: 'packs and loose' },
		stock: { name: 'Stock', in: 'used', out: 'drawn from lots' }
	};
	const stages = $derived(closings(figures));
	const gapText = (closing: Closing) =>
		closing.state === 'open' || closing.stage === 'cook'
			? ''
			: closing.unit === 'pieces'
				? plural(Math.abs(closing.gap), 'piece')
				: `${fixed(closing.gap, 1)} g ± ${fixed(closing.tolerance, 1)} g`;
	const share = (likelihood: number) => `${Math.round(100 * likelihood)} %`;
</script>

<ul class="divide-rule mt-2 max-w-4xl divide-y">
	{#each stages as closing (closing.stage)}
		{@const words = STAGES[closing.stage]}
		<li class="py-2" data-testid="stage-{closing.stage}">
			<div class="flex flex-wrap items-start gap-x-4 gap-y-1">
				<span class="w-16 font-semibold">{words.name}</span>
				<span class="text-quiet w-56 text-sm">{words.in} − {words.out}</span>
				<span class="figure w-40 text-right text-sm">{gapText(closing)}</span>
				<Mark {closing} />
			</div>
			{#if closing.state === 'off'}
				{@const found = explanations(closing, figures)}
				{#if found.length === 0}
					<p class="text-quiet mt-1 ml-20 text-sm">
						{#if closing.stage === 'stock'}
							Something was received and not written down, or there was more of a lot than was thought:
							<a href="/shelf/lots">receive it or count the stock</a>.
						{:else}
							Nothing known explains {closing.unit === 'g' ? `${plain(Math.abs(closing.gap))} g` : 'it'}:
							weigh or count again.
						{/if}
					</p>
				{:else}
					<ol class="mt-1 ml-4 space-y-1 sm:ml-20">
						{#each found as each, nth (nth)}
							<li class="flex flex-wrap items-center gap-x-3">
								<span class="min-w-0 text-sm">{each.words}</span>
								<span class="text-quiet figure text-xs">{share(each.likelihood)}</span>
								<button
									type="button"
									class="button"
									aria-label="Record that {each.words}"
									onclick={() => oncorrect(each.corrections, each.words)}>That was it</button
								>
							</li>
						{/each}
					</ol>
				{/if}
			{/if}
		</li>
	{/each}
</ul>
