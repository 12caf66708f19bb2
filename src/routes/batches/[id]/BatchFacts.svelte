<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import type { Facts } from '$core/facts.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import { yieldsOf } from '$core/massflow/yields.ts';
	import { nutrientWord } from '$core/composition/nutrients.ts';
	import { fixed, money, percent, plain } from '$lib/format.ts';
	import Figure from '$lib/ui/Figure.svelte';
	import FactsPanel from '$lib/ui/facts/FactsPanel.svelte';
	import type { ValueSource } from '$lib/shelf/sources.ts';

	interface Props {
		facts: Facts | null;
		recipe: Recipe | null;
		/** Where each ingredient's values come from, by its id. */
		sources: Record<string, ValueSource>;
		/** Address of the one-page record of a figure; empty while what is shown is not saved. */
		record: string;
		/** Where it is said how sure the figures are; empty while nothing was weighed. */
		sure: string;
		waiting: string;
		currency: string;
	}
	let { facts, recipe, sources, record, sure, waiting, currency }: Props = $props();

	const yields = $derived(facts ? yieldsOf(facts.yield) : null);
	const nameOf = (id: string) => recipe?.ingredients.find((ingredient) => ingredient.id === id)?.name ?? id;
	const share = (fraction: number | null) => (fraction === null ? null : percent(fraction));
	const notices = $derived(facts?.notices ?? []);
</script>

<aside aria-label="Facts of this batch" class="bg-sheet border-rule self-start border p-4">
	<h2>Facts</h2>
	{#if waiting}<p role="status" class="text-attention-ink mt-1 text-sm">{waiting}</p>{/if}
	{#if facts && recipe && yields}
		<div class={waiting ? 'opacity-50' : ''}>
			<p class="mt-2 text-lg leading-snug" data-testid="made">
				<b class="figure">{facts.yield.packs ?? '–'}</b> packs of {recipe.product
					.packPieces}{#if facts.yield.loose},
					<b class="figure">{facts.yield.loose}</b> loose{/if}, from
				<b class="figure">{facts.yield.pieces}</b>
				{recipe.product.many} less {facts.yield.pieces - facts.yield.sellable} rejected.
			</p>
			<dl class="border-rule mt-3 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 border-y py-3">
				<dt>Mean ball</dt>
				<dd class="text-right"><Figure value={fixed(facts.yield.ballWeight_g, 1)} unit="g" /></dd>
				<dt>Finished piece</dt>
				<dd class="text-right">
					<Figure
						value={facts.yield.finishedWeight_g === null ? null : fixed(facts.yield.finishedWeight_g, 1)}
						unit="g"
					/>
				</dd>
				<dt>Cook loss</dt>
				<dd class="text-right"><Figure value={share(facts.yield.cookLoss)} unit="%" /></dd>
				<dt>Water in the finished piece</dt>
				<dd class="text-right"><Figure value={share(facts.yield.finishedMoisture)} unit="%" /></dd>
				<dt>Dough yield</dt>
				<dd class="text-right"><Figure value={share(yields.dough)} unit="%" /></dd>
				<dt>Dividing yield</dt>
				<dd class="text-right"><Figure value={share(yields.dividing)} unit="%" /></dd>
				<dt>Cook yield</dt>
				<dd class="text-right"><Figure value={share(yields.cook)} unit="%" /></dd>
				<dt>Piece yield</dt>
				<dd class="text-right"><Figure value={share(yields.piece)} unit="%" /></dd>
				<dt class="font-semibold">Overall yield</dt>
				<dd class="text-right font-semibold"><Figure value={share(yields.overall)} unit="%" /></dd>
			</dl>
			{#if mayHere('costs')}<dl class="border-rule grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 border-b py-3">
					<dt>Ingredients of the batch</dt>
					<dd class="text-right">
						<Figure value={facts.cost.batch === null ? null : money(facts.cost.batch, currency)} />
					</dd>
					<dt>Cost of a sellable piece</dt>
					<dd class="text-right">
						<Figure value={facts.cost.perPiece === null ? null : money(facts.cost.perPiece, currency, 4)} />
					</dd>
					<dt class="font-semibold">Cost of a pack, with materials</dt>
					<dd class="text-right font-semibold" data-testid="cost-pack">
						<Figure value={facts.cost.perPack === null ? null : money(facts.cost.perPack, currency)} />
					</dd>
				</dl>{/if}
			{#if facts.allergens.unconfirmed.length > 0 || facts.incomplete.length > 0 || (mayHere('costs') && facts.cost.unpriced.length > 0)}
				<ul class="text-attention-ink mt-3 space-y-1 text-sm">
					{#each facts.allergens.unconfirmed as id (id)}
						<li>
							<a href="/shelf/{id}" class="font-semibold">{nameOf(id)}</a>: nobody has confirmed its
							allergens. The label waits.
						</li>
					{/each}
					{#each facts.incomplete as each (each.nutrient)}
						<li>
							<b>{nutrientWord(each.nutrient)}</b> unknown in {each.ingredients.map(nameOf).join(', ')}: its
							line waits.
						</li>
					{/each}
					{#each mayHere('costs') ? facts.cost.unpriced : [] as id (id)}<li>
							<a href="/shelf/{id}">{nameOf(id)}</a> had no price that day: the cost leaves it out.
						</li>{/each}
				</ul>
			{/if}
			<div class="mt-4"><FactsPanel {facts} {recipe} {sources} {currency} {record} {sure} /></div>
			{#if facts.yield.finishedWeight_g === null}
				<p class="text-quiet mt-3 text-sm">
					Weigh some cooled pieces for the panel: a cook loss is never guessed.
				</p>
			{/if}
			{#if facts.statement}
				<h3 class="mt-4">Ingredients</h3>
				<p class="text-sm" data-testid="statement">{facts.statement.replaceAll('**', '')}</p>
			{/if}
			{#if facts.allergens.text}<p class="mt-1 text-sm font-bold" data-testid="contains">
					{facts.allergens.text}
				</p>{/if}
			{#if notices.length > 0}
				<h3 class="mt-4">Worth knowing</h3>
				<ul class="text-quiet mt-1 list-disc space-y-1 pl-4 text-sm">
					{#each notices as notice, nth (nth)}<li>{notice.message}</li>{/each}
				</ul>
			{/if}
			<p class="caution mt-4">
				From calculation, not a laboratory. Local law decides labels, allowed foods and channels; a licensed
				professional or your authority has the last word. Weighed in: {plain(facts.yield.doughMass_g)} g.
			</p>
		</div>
	{/if}
</aside>
