<script lang="ts">
	import { chanceOfMore } from '$core/selling/how-many.ts';
	import { oneMoreOrFewer } from '$core/selling/worth.ts';
	import { page } from '$app/state';
	import { money, percent } from '$lib/format.ts';
	import { readCount } from '$core/measure/reading.ts';
	import { colourOf } from '$lib/plan/colours.ts';
	import { packsOf } from '$lib/plan/day-wish.ts';
	import type { PlanBasis, PlanProduct, PlanWish } from '$lib/plan/types.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Wide from '$lib/ui/Wide.svelte';
	import Wanted from './Wanted.svelte';

	/** What to make of each product, what is likely wanted of it, and what one more or one fewer would mean. */
	interface Props {
		basis: PlanBasis;
		wish: PlanWish;
		seesMoney: boolean;
		mayChange: boolean;
		onchange: (packs: Record<string, number>) => void;
	}
	let { basis, wish, seesMoney, mayChange, onchange }: Props = $props();
	const shown = $derived(
		basis.products.filter(
			(product) => product.days.length > 0 || product.ahead.ordered > 0 || packsOf(wish, product) > 0
		)
	);
	const unmade = $derived(basis.products.filter((product) => !shown.includes(product)));
	let typed = $state<Record<string, string>>({});
	let wrong = $state<Record<string, string>>({});

	function take(product: PlanProduct, text: string) {
		typed[product.productId] = text;
		const read = readCount(text);
		wrong[product.productId] = read.ok ? '' : read.message;
		if (read.ok) onchange({ ...wish.packs, [product.productId]: read.value });
	}
	function propose(product: PlanProduct) {
		const { [product.productId]: _, ...rest } = wish.packs;
		const { [product.productId]: _typed, ...others } = typed;
		typed = others;
		wrong[product.productId] = '';
		onchange(rest);
	}
	/** Packs for who walks up with what is chosen: those made, there and planned, less what is ordered. */
	const walkUpOf = (product: PlanProduct) =>
		Math.max(
			0,
			packsOf(wish, product) + product.there + product.planned + product.soldToday - product.ahead.ordered
		);
	const chanceOf = (product: PlanProduct) => chanceOfMore(product.ahead.distribution, walkUpOf(product));
	const oneOf = (product: PlanProduct) =>
		product.money && product.ahead.distribution.length > 0
			? oneMoreOrFewer(
					{ ...product.money, cost: product.money.cost ?? '0' },
					{ distribution: product.ahead.distribution, walkUp: walkUpOf(product) }
				)
			: null;
	const signed = (amount: string) =>
		`${amount.startsWith('-') ? '−' : '+'}${money(amount.replace('-', ''), page.data.kitchen.currency)}`;
	const tone = (amount: string) => (amount.startsWith('-') ? 'text-loss' : 'text-squared');
	const placeOf = (product: PlanProduct) => basis.products.indexOf(product);
</script>

<Wide label="What to make">
	<table class="ledger plan-table">
		<thead>
			<tr>
				<th>Make</th><th>Likely wanted, and ordered</th><th class="number">There</th><th class="number"
					>Packs</th
				><th class="number">Sold out</th>
				{#if seesMoney}<th class="number">One more</th><th class="number">One fewer</th>{/if}
			</tr>
		</thead>
		<tbody>
			{#each shown as product (product.productId)}
				{@const one = oneOf(product)}
				<tr data-testid="to-make">
					<td>
						<span
							class="mr-1 inline-block size-3"
							style:background={colourOf(placeOf(product))}
							aria-hidden="true"
						></span><b>{product.name}</b> <span class="text-quiet text-sm">× {product.packPieces}</span>
						{#if product.ahead.littleKnown}<span class="text-quiet block text-xs"
								>{product.days.length === 0
									? 'nothing is known of such days'
									: `only ${product.days.length} such days are known`}</span
							>{/if}
						{#if product.money && product.money.cost === null}<span class="text-quiet block text-xs"
								>no batch says what a pack costs: reckoned as if nothing</span
							>{/if}
					</td>
					<td>
						<div class="flex flex-wrap items-end gap-x-2">
							<Wanted demand={product} walkUp={walkUpOf(product)} />
							{#if product.ahead.ordered > 0}<span class="text-quiet text-sm"
									>{product.ahead.ordered} ordered</span
								>{/if}
						</div>
					</td>
					<td class="number">{product.there + product.planned || '–'}</td>
					<td class="number w-28">
						{#if mayChange}
							<Field
								label="Packs of {product.name}"
								tight
								value={typed[product.productId] ?? String(packsOf(wish, product))}
								error={wrong[product.productId] ?? ''}
								inputmode="numeric"
								oninput={(event) => take(product, event.currentTarget.value)}
							/>
							{#if wish.packs[product.productId] !== undefined && wish.packs[product.productId] !== product.toMake}
								<button
									type="button"
									class="min-h-8 text-xs underline print:hidden"
									onclick={() => propose(product)}>{product.toMake} proposed</button
								>
							{/if}
						{:else}<b class="figure">{packsOf(wish, product)}</b>{/if}
					</td>
					<td class="number figure"
						>{product.ahead.distribution.length > 0 ? `${percent(chanceOf(product), 0)} %` : '–'}</td
					>
					{#if seesMoney}
						<td class={['number figure', one && tone(one.more)]}>{one ? signed(one.more) : '–'}</td>
						<td class={['number figure', one?.fewer && tone(one.fewer)]}
							>{one?.fewer ? signed(one.fewer) : '–'}</td
						>
					{/if}
				</tr>
			{/each}
		</tbody>
	</table>
</Wide>
{#if mayChange && unmade.length > 0}
	<Choice
		label="Make something else too"
		value=""
		options={unmade.map(({ productId, name, packPieces }) => ({
			value: productId,
			text: `${name} × ${packPieces}`
		}))}
		onchoose={(productId) => onchange({ ...wish.packs, [productId]: 1 })}
		class="mt-2 max-w-xs print:hidden"
	/>
{/if}

<style>
	.plan-table :global(input) {
		text-align: right;
	}
	@media (min-width: 64rem) {
		.plan-table td {
			padding-block: 0.25rem;
		}
	}
</style>
