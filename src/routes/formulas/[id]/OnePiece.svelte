<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import type { Facts } from '$core/facts.ts';
	import { readMoney } from '$core/measure/reading.ts';
	import type { Ingredient, Recipe } from '$core/formula/types.ts';
	import { ribbonFigures } from '$core/ribbon/ribbon.ts';
	import { timesMakeup } from '$core/formula/makeup.ts';
	import { nutrientWord } from '$core/composition/nutrients.ts';
	import { Decimal } from 'decimal.js';
	import { fixed, money, percent, plural } from '$lib/format.ts';
	import Figure from '$lib/ui/Figure.svelte';
	import FactsPanel from '$lib/ui/facts/FactsPanel.svelte';
	import type { ValueSource } from '$lib/shelf/sources.ts';
	import PieceSquares from '$lib/ui/PieceSquares.svelte';

	interface Props {
		facts: Facts | null;
		/** The same at the most that is planned of lines by feel; null where none is. */
		atMost: Facts | null;
		recipe: Recipe | null;
		/** Where each ingredient's values come from, by its id. */
		sources: Record<string, ValueSource>;
		/** Address of the one-page record of a figure; empty while what is shown is not saved. */
		record: string;
		/** Where it is said how sure the figures are; empty while nothing is kept. */
		sure: string;
		/** Why the figures stand still; empty while they follow what is typed. */
		waiting: string;
		price: string;
		currency: string;
		/** What the cook loss goes by: batches weighed, this kitchen's others of the family, or what is usual. */
		loss: 'weighed' | 'family' | 'usual';
	}
	let { facts, atMost, recipe, sources, record, sure, waiting, price, currency, loss }: Props = $props();

	const LOSS_WORDS = {
		weighed: 'loss from the last batches',
		family: 'preview: loss of this family',
		usual: 'preview: usual loss'
	};
	const nameOf = (id: string) =>
		recipe?.ingredients.find((ingredient: Ingredient) => ingredient.id === id)?.name ?? id;
	const makeup = $derived.by(() => {
		if (!facts || !recipe) return null;
		const { stages } = ribbonFigures(recipe, facts, 0);
		const stage =
			stages.find((each) => each.key === 'pieces' && each.makeup) ??
			stages.find((each) => each.key === 'balls');
		return stage?.makeup ? timesMakeup(stage.makeup, 1 / facts.yield.pieces) : null;
	});
	const left = $derived.by(() => {
		const read = readMoney(price);
		if (!read.ok || !facts?.cost.perPack) return null;
		return new Decimal(read.value).minus(facts.cost.perPack).toFixed(2);
	});
	const energy_kcal = $derived(facts && recipe ? rulesOf(recipe.rules).energy_kcal(facts.energy) : null);
	const energyAtMost_kcal = $derived(
		atMost && recipe ? rulesOf(recipe.rules).energy_kcal(atMost.energy) : null
	);
	/** One figure, or from the lesser to the greater where what is planned is a range. */
	function spanned(one: number, other: number | null): string {
		const [low, high] = [Math.min(one, other ?? one), Math.max(one, other ?? one)].map((each) =>
			fixed(each, 0)
		);
		return low === high ? `${low}` : `${low}–${high}`;
	}
	const notices = $derived((facts?.notices ?? []).filter((notice) => notice.code !== 'no-finished-weight'));
</script>

<aside
	aria-label="One piece"
	class="bg-sheet border-rule mt-6 border-t p-4 xl:-my-5 xl:-mr-6 xl:border-t-0 xl:border-l xl:py-5"
>
	<div class="flex items-baseline justify-between gap-2">
		<h2>One piece</h2>
		<p class={['text-xs', loss === 'weighed' ? 'text-quiet' : 'text-attention-ink font-semibold']}>
			{LOSS_WORDS[loss]}
		</p>
	</div>
	{#if waiting}<p role="status" class="text-attention-ink mt-2 text-sm">{waiting}</p>{/if}
	{#if !facts || !recipe}
		<p class="text-quiet mt-3">
			Lines in the dough, a ball weight and a pack size give the figures of one piece here.
		</p>
	{:else}
		<div class={waiting ? 'opacity-50' : ''}>
			<p class="figure mt-2 text-3xl whitespace-nowrap" data-testid="ball-to-finished">
				{fixed(facts.yield.ballWeight_g, 1)}<span class="text-quiet text-xl"> → </span><Figure
					value={facts.yield.finishedWeight_g === null ? null : fixed(facts.yield.finishedWeight_g, 1)}
					unit="g"
				/>
			</p>
			<p class="text-quiet mb-3 text-sm">
				{#if facts.yield.cookLoss !== null}ball to finished, {percent(facts.yield.cookLoss, 0)} % of it water off
				{:else}not made yet: weigh cooled pieces of a batch for the facts by weight{/if}
			</p>
			{#if loss !== 'weighed' && facts.yield.cookLoss !== null}
				<p class="border-attention bg-attention-pale text-attention-ink mb-3 border-l-4 px-3 py-2 text-sm">
					A preview: no piece of it was weighed yet. It goes by {percent(facts.yield.cookLoss, 0)} % lost in cooking,
					{loss === 'family' ? 'as your other breads of this family lose' : 'as such bread usually does'}.
					Weigh cooled pieces of the first batch: until then no label is printed.
				</p>
			{/if}
			{#if makeup}<PieceSquares {makeup} />{/if}

			<dl class="border-rule mt-4 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1.5 border-y py-3">
				<dt>Contains</dt>
				<dd class="text-right font-bold">
					{facts.allergens.contains.join(', ') ||
						(facts.allergens.unconfirmed.length > 0 ? 'not confirmed yet' : 'none of the major allergens')}
				</dd>
				<dt>Energy, a piece</dt>
				<dd class="text-right font-bold">
					<Figure value={energy_kcal === null ? null : spanned(energy_kcal, energyAtMost_kcal)} unit="kcal" />
				</dd>
				<dt>Makes</dt>
				<dd class="text-right font-bold" data-testid="makes">
					{atMost && atMost.yield.pieces !== facts.yield.pieces
						? `${facts.yield.pieces}–${atMost.yield.pieces} ${recipe.product.many}`
						: plural(facts.yield.pieces, recipe.product.one, recipe.product.many)}{facts.yield.packs === null
						? ''
						: `, ${atMost?.yield.packs != null && atMost.yield.packs !== facts.yield.packs ? `${facts.yield.packs}–${atMost.yield.packs} packs` : plural(facts.yield.packs, 'pack')}`}
				</dd>
				{#if mayHere('costs')}<dt>Ingredient cost, a piece</dt>
					<dd class="text-right font-bold" data-testid="cost-piece">
						<Figure value={facts.cost.perPiece === null ? null : money(facts.cost.perPiece, currency, 4)} />
					</dd>
					<dt>A pack of {recipe.product.packPieces}, with materials</dt>
					<dd class="text-right font-bold">
						<Figure value={facts.cost.perPack === null ? null : money(facts.cost.perPack, currency)} />
					</dd>
					{#if left !== null}
						<dt>Left of {money(price.replace(',', '.').replace(/[^\d.]/g, ''), currency)} a pack</dt>
						<dd class="text-right font-bold"><Figure value={money(left, currency)} /></dd>
					{/if}{/if}
			</dl>

			{#if facts.allergens.unconfirmed.length > 0 || (mayHere('costs') && facts.cost.unpriced.length > 0) || facts.incomplete.length > 0}
				<ul class="text-attention-ink mt-3 space-y-1 text-sm">
					{#each facts.allergens.unconfirmed as id (id)}
						<li>
							<a href="/shelf/{id}" class="font-semibold">{nameOf(id)}</a>: nobody has confirmed its
							allergens. The label waits.
						</li>
					{/each}
					{#each facts.incomplete as each (each.nutrient)}
						<li>
							<b>{nutrientWord(each.nutrient)}</b> unknown in {#each each.ingredients as id, index (id)}{index >
								0
									? ', '
									: ''}<a href="/shelf/{id}">{nameOf(id)}</a>{/each}: its line waits.
						</li>
					{/each}
					{#each mayHere('costs') ? facts.cost.unpriced : [] as id (id)}
						<li><a href="/shelf/{id}">{nameOf(id)}</a> has no price: the cost leaves it out.</li>
					{/each}
				</ul>
			{/if}

			<div class={['mt-4', loss !== 'weighed' && 'print:hidden']}>
				<FactsPanel {facts} {recipe} {sources} {currency} {record} {sure} />
			</div>
			{#if facts.statement}
				<h3 class="mt-4">Ingredients</h3>
				<p class="text-sm" data-testid="statement">{facts.statement.replaceAll('**', '')}</p>
				{#if facts.allergens.text}<p class="mt-1 text-sm font-bold">{facts.allergens.text}</p>{/if}
			{/if}
			{#if notices.length > 0}
				<h3 class="mt-4">Worth knowing</h3>
				<ul class="text-quiet mt-1 list-disc space-y-1 pl-4 text-sm">
					{#each notices as notice, nth (nth)}<li>{notice.message}</li>{/each}
				</ul>
			{/if}
		</div>
	{/if}
</aside>
