<script lang="ts">
	import type { Choice } from '$core/reformulate/choices.ts';
	import type { Impossible, Reformulated } from '$core/reformulate/reformulate.ts';
	import type { Target } from '$core/reformulate/wish.ts';
	import { plain } from '$lib/format.ts';
	import { amountText, askText, unitOf } from '$lib/reformulate/words.ts';

	/** What came of the wish in sentences: how near it is, what holds it back, or what cannot hold together. */
	interface Props {
		found: Reformulated;
		targets: readonly Target[];
		choices: readonly Choice[] | null;
		chosen: string;
		currency: string;
		ongive: (target: number, would: number) => void;
		onleave: () => void;
	}
	let { found, targets, choices, chosen = $bindable(), currency, ongive, onleave }: Props = $props();
	const CHOICE_WORDS: Record<string, string> = {
		nearest: 'Least change',
		cheapest: 'Cheapest',
		'fewest lines': 'Fewest lines'
	};
	const options = $derived(
		found.status === 'met'
			? [
					{ best: 'nearest', change: found.change },
					...(choices ?? []).map(({ best, change }) => ({ best: best as string, change }))
				]
			: []
	);
	/** What a bound is worth, of a step that a person would take. */
	const worthText = (ask: Parameters<typeof askText>[0], worth: number) => {
		const target = ask.kind === 'target' ? targets[ask.target] : undefined;
		const isMoney = target?.figure === 'cost';
		const step = isMoney ? 0.01 : 1;
		const unit = isMoney ? amountText('cost', 0.01, currency) : `1 ${target ? unitOf(target.figure) : '%'}`;
		return `${unit} more room would save ${plain(worth * step * 100, worth * step < 0.01 ? 2 : 1)} % of change`;
	};
	const wouldText = (impossible: Impossible, nth: number) => {
		const giving = impossible.giving[nth];
		if (!giving) return '';
		const { ask, would } = giving;
		const target = ask.kind === 'target' ? targets[ask.target] : undefined;
		return target ? amountText(target.figure, would, currency) : `${plain(would, 1)} %`;
	};
	const needsWindows = $derived(
		found.status === 'impossible' && found.conflict.some(({ kind }) => kind === 'window')
	);
</script>

<div role="status" data-testid="answer">
	{#if found.status === 'met'}
		<p class="text-lg">
			{#if found.change < 1e-9}It grants all of that as it is.
			{:else}The nearest formula changes its lines by <b class="figure">{plain(found.change * 100, 1)} %</b> in
				all.{/if}
		</p>
		{#if found.binding.length > 0}
			<p class="text-sm">
				<span class="text-quiet">What holds it back:</span>
				{found.binding
					.map(({ ask, worth }) => `${askText(ask, targets, currency)} (${worthText(ask, worth)})`)
					.join('; ')}.
			</p>
		{/if}
		{#if options.length > 1}
			<div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Formulas that grant it">
				{#each options as { best, change } (best)}
					<button
						type="button"
						class={['button', chosen === best ? 'button-main' : '']}
						aria-pressed={chosen === best}
						onclick={() => (chosen = best)}>{CHOICE_WORDS[best]}, {plain(change * 100, 1)} %</button
					>
				{/each}
			</div>
		{/if}
	{:else}
		<div class="border-loss bg-loss-pale max-w-3xl border-l-4 p-4">
			<p class="font-semibold">
				{#if found.isTooCoarse}It could be, but for the step of the scale: weigh finer, or give a little.
				{:else if found.conflict.length === 0}No formula of these lines is possible within what each line may
					be.
				{:else if found.conflict.length === 1}This cannot be with the lines that may change:
				{:else}These cannot hold together:{/if}
			</p>
			<ul class="mt-1 space-y-1">
				{#each found.conflict as ask, nth (nth)}
					<li class="flex flex-wrap items-center gap-2" data-testid="conflict">
						<span
							>{askText(ask, targets, currency)}{wouldText(found, nth)
								? `: alone it would have to give to ${wouldText(found, nth)}`
								: ''}</span
						>
						{#if ask.kind === 'target' && found.giving[nth]}
							<button
								type="button"
								class="button px-3!"
								onclick={() => ongive(ask.target, found.giving[nth]?.would ?? 0)}>Ask for that</button
							>
						{/if}
					</li>
				{/each}
			</ul>
			{#if needsWindows}<button type="button" class="button mt-2" onclick={onleave}
					>Leave the usual windows</button
				>{/if}
		</div>
	{/if}
</div>
