<script lang="ts">
	import { scaleFactor, scaleLines, shownOnScale, type ScaleTarget } from '$core/formula/scale.ts';
	import type { Ingredient, Line } from '$core/formula/types.ts';
	import { readGrams, readNumber } from '$core/measure/reading.ts';
	import { USE_WORDS } from '$lib/formula/draft.ts';
	import { fixed, plain } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	/** The formula times whatever is wanted, beside the original, as the kitchen's scale can show it. */
	interface Props {
		/** The lines that can be read. */
		lines: Line[];
		ingredients: readonly Ingredient[];
		ballWeight_g: number | null;
		packPieces: number | null;
		pieceMany: string;
		division_g: number;
		/** Puts the grams into the sheet. */
		ontake: (factor: number) => void;
		/** Where a batch of it is planned; empty while no version is kept. */
		batchHref: (factor: number) => string;
	}
	let { lines, ingredients, ballWeight_g, packPieces, pieceMany, division_g, ontake, batchHref }: Props =
		$props();

	let by = $state<ScaleTarget['by']>('packs');
	let typed = $state('');
	let ingredient = $state('');

	const ingredientOf = (id: string) => ingredients.find((each) => each.id === id) as Ingredient;
	const used = $derived([...new Set(lines.map((line) => line.ingredient))].map(ingredientOf));
	const options = $derived([
		{ value: 'packs', text: 'packs' },
		{ value: 'pieces', text: pieceMany || 'pieces' },
		{ value: 'dough', text: 'dough, by weight' },
		{ value: 'flour', text: 'flour, by weight' },
		{ value: 'ingredient', text: 'all there is of an ingredient' },
		{ value: 'factor', text: 'times the formula' }
	]);
	const isWeight = $derived(by === 'dough' || by === 'flour' || by === 'ingredient');
	const value = $derived(isWeight ? readGrams(typed) : readNumber(typed));
	const wrong = $derived(typed.trim() === '' || value.ok ? '' : value.message);
	const target = $derived.by((): ScaleTarget | null => {
		if (!value.ok) return null;
		const amount = value.value;
		if (by === 'factor') return { by, factor: amount };
		if (by === 'flour' || by === 'dough') return { by, grams: amount };
		if (by === 'ingredient') return { by, ingredient: ingredient || (used[0]?.id ?? ''), grams: amount };
		if (ballWeight_g === null) return null;
		if (by === 'pieces') return { by, pieces: amount, ballWeight_g };
		return packPieces === null ? null : { by, packs: amount, packPieces, ballWeight_g };
	});
	const factor = $derived(target ? scaleFactor(lines, ingredientOf, target) : null);
	const scaled = $derived(factor === null ? [] : shownOnScale(scaleLines(lines, factor), division_g));
	const dough_g = $derived(
		scaled.reduce((sum, line, index) => sum + (lines[index]?.use === 'dough' ? line.shown_g : 0), 0)
	);
	const worst = $derived(Math.max(0, ...scaled.map((line) => Math.abs(line.errorShare))));
	const decimals = $derived(division_g < 1 ? 1 : 0);
</script>

<div class="grid gap-3 sm:grid-cols-3">
	<Choice label="Make enough for" bind:value={by} {options} />
	{#if by === 'ingredient'}
		<Choice
			label="Of which"
			bind:value={ingredient}
			options={used.map(({ id, name }) => ({ value: id, text: name }))}
		/>
	{/if}
	<Field
		label={isWeight ? 'How much' : 'How many'}
		bind:value={typed}
		error={wrong}
		inputmode="decimal"
		placeholder={isWeight ? '2 kg' : '10'}
	/>
</div>
{#if by !== 'factor' && !isWeight && (ballWeight_g === null || packPieces === null)}
	<p class="text-attention-ink mt-2 text-sm">
		A ball weight and a pack size are needed first: see “Sold as”.
	</p>
{:else if target && factor === null}
	<p class="text-attention-ink mt-2 text-sm">The formula holds none of it, so it cannot be scaled by it.</p>
{/if}
{#if factor !== null}
	<p class="mt-3" data-testid="scaled">
		Times <b class="figure">{plain(factor, 4)}</b>:
		<b class="figure">{plain(dough_g, 1)}<span class="unit">g</span></b>
		of dough{#if ballWeight_g}, <b>{plain(Math.floor(dough_g / ballWeight_g + 1e-9))}</b> balls if none stays in
			the bowl{/if}. Percentages stay as they are; salt, yeast and leavening scale with the rest. Water wants
		judgement: a small batch loses relatively more to bowl and hands.
	</p>
	<Wide label="Scaled lines" class="mt-2">
		<table class="ledger">
			<thead>
				<tr>
					<th>Line</th><th class="number">As written</th><th class="number">Exactly</th><th class="number"
						>On the scale</th
					><th class="number">Error</th>
				</tr>
			</thead>
			<tbody>
				{#each scaled as line, index (index)}
					{@const source = lines[index]}
					{#if source}
						<tr>
							<td
								>{ingredientOf(source.ingredient).name}
								{#if source.use !== 'dough'}<span class="text-quiet text-sm">{USE_WORDS[source.use]}</span
									>{/if}</td
							>
							<td class="number text-quiet">{plain(source.used_g, 2)}</td>
							<td class="number text-quiet">{fixed(line.exact_g, 2)}</td>
							<td class="number font-semibold">{fixed(line.shown_g, decimals)}<span class="unit">g</span></td>
							<td class={['number', Math.abs(line.errorShare) > 0.02 && 'text-attention-ink font-semibold']}
								>{fixed(line.errorShare * 100, 2)}<span class="unit">%</span></td
							>
						</tr>
					{/if}
				{/each}
			</tbody>
		</table>
	</Wide>
	{#if worst > 0.02}
		<p class="text-attention-ink mt-2 text-sm">
			This scale shows {plain(division_g, 2)} g at a time: the marked lines want a finer one, or a larger batch.
		</p>
	{/if}
	<div class="mt-3 flex flex-wrap gap-2">
		{#if batchHref(factor)}<a class="button" href={batchHref(factor)}>Make a batch of this</a>{/if}
		<button type="button" class="button" onclick={() => ontake(factor)}>Put these grams into the sheet</button
		>
	</div>
{/if}
