<script lang="ts">
	import { dayText, money } from '$lib/format.ts';
	import type { CostPoint } from '$lib/batch/cost.ts';
	import { chartIn } from '$lib/ui/chart-in.ts';
	import Wide from '$lib/ui/Wide.svelte';

	/** How the ingredient cost of a piece moved from batch to batch, and why. */
	let { points, currency }: { points: readonly CostPoint[]; currency: string } = $props();
	const newestFirst = $derived(points.toReversed());
	let element = $state<HTMLDivElement>();
	$effect(() => {
		const target = element;
		const line = points.map(({ perPiece, code }) => ({ value: Number(perPiece), stands: false, name: code }));
		const unit = currency;
		if (!target) return undefined;
		return chartIn(({ drawControl }) =>
			drawControl(target, line, [], (value) => money(String(value), unit, 3), 0.01)
		);
	});
	/** More costs more: with its sign, so that the parts can be added. */
	const signed = (amount: string) =>
		/^-?0+\.?0*$/.test(amount)
			? '–'
			: amount.startsWith('-')
				? `−${money(amount.slice(1), currency, 4)}`
				: `+${money(amount, currency, 4)}`;
	/** The ingredient that moved it most. */
	function most(point: CostPoint): string {
		const [first] = point.moved?.byIngredient ?? [];
		if (!first) return '';
		const parts = (['price', 'yield', 'uptake'] as const).toSorted(
			(a, b) => Math.abs(Number(first[b])) - Math.abs(Number(first[a]))
		);
		const [why] = parts;
		return why ? `${first.name} ${signed(first.change)}, mostly ${becauseOf(why, first[why])}` : '';
	}
	function becauseOf(part: 'price' | 'yield' | 'uptake', amount: string): string {
		const more = !amount.startsWith('-');
		if (part === 'price') return more ? 'a higher price' : 'a lower price';
		if (part === 'yield') return `${more ? 'more' : 'less'} dough for a piece`;
		return `${more ? 'more' : 'less'} on the surface`;
	}
</script>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="moves-heading">
	<h2 id="moves-heading">How the cost of a piece moved, and why</h2>
	{#if points.length < 2}
		<p class="text-quiet mt-1">Two batches with prices say how it moves.</p>
	{:else}
		<p class="text-quiet max-w-prose text-sm">
			Ingredients of a sellable piece. Price, yield and uptake add up to the change from the batch before:
			what was paid, how much dough a sellable piece took (ball, residue, rejects, the formula), and how much
			was used on its surface.
		</p>
		<div
			bind:this={element}
			class="mt-2 h-44 w-full"
			role="img"
			aria-label="Ingredient cost of a piece, batch by batch: {points
				.map(({ code, perPiece }) => `${code} ${money(perPiece, currency, 4)}`)
				.join(', ')}"
		></div>
		<Wide label="How the cost of a piece moved">
			<table class="ledger text-sm" data-testid="moves">
				<thead
					><tr
						><th>Batch</th><th class="number">A piece</th><th class="number">Change</th><th class="number"
							>Price</th
						><th class="number">Yield</th><th class="number">Uptake</th><th>Most of it</th></tr
					></thead
				>
				<tbody>
					{#each newestFirst as point (point.id)}
						<tr>
							<td class="whitespace-nowrap"
								><a href="/batches/{point.id}" class="figure underline">{point.code}</a>
								<span class="text-quiet">{dayText(point.madeOn)}</span></td
							>
							<td class="number font-semibold">{money(point.perPiece, currency, 4)}</td>
							{#if point.moved}
								<td class="number">{signed(point.moved.change)}</td>
								<td class="number">{signed(point.moved.price)}</td>
								<td class="number">{signed(point.moved.yield)}</td>
								<td class="number">{signed(point.moved.uptake)}</td>
								<td class="min-w-48">{[most(point), ...point.changed].filter(Boolean).join('; ')}</td>
							{:else}
								<td colspan="5" class="text-quiet"
									>{point === points[0]
										? 'the first shown'
										: 'something of it, or of the one before, had no price'}</td
								>
							{/if}
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
	{/if}
</section>
