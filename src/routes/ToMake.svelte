<script lang="ts">
	import { WEEKS_BACK } from '$core/selling/rhythm.ts';
	import { dayText, plural } from '$lib/format.ts';
	import type { DemandDay } from '$lib/plan/types.ts';

	/** What the coming selling days want, what of it is there, and what is still to be made. */
	let { days }: { days: readonly DemandDay[] } = $props();
	const [next, later] = $derived([days.slice(0, 2), days.slice(2)]);
</script>

{#snippet table(day: DemandDay)}
	<section class="mt-3" aria-label="{dayText(day.day)}, {day.place}" data-testid="day-to-make">
		<h3 class="flex flex-wrap items-baseline justify-between gap-x-3">
			<span
				><a href="/plan/{day.day}?place={encodeURIComponent(day.place)}">{dayText(day.day)}</a>
				<span class="text-quiet font-normal">{day.place}</span></span
			>
			<span class={['text-sm', day.toMake > 0 ? 'font-semibold' : 'text-squared font-semibold']}
				>{day.toMake > 0 ? `${plural(day.toMake, 'pack')} to make` : 'enough is there or planned'}</span
			>
		</h3>
		<table class="ledger mt-1">
			<thead
				><tr
					><th>Product</th><th class="number">Likely wanted</th><th class="number hidden sm:table-cell"
						>There</th
					><th class="number hidden sm:table-cell">Planned</th><th class="number">To make</th><th class="w-24"
						><span class="sr-only">Plan it</span></th
					></tr
				></thead
			>
			<tbody>
				{#each day.products as product (product.productId)}
					<tr>
						<td>
							<span class="break-words">{product.name} × {product.packPieces}</span>
							<span class="text-quiet block text-xs"
								>{product.days.length === 0
									? 'not sold on such days yet'
									: `sold ${product.days.map(({ sold, soldOutAt }) => `${sold}${soldOutAt === null ? '' : ' and none left'}`).join(', ')}`}{product
									.ahead.ordered > 0
									? `; ${product.ahead.ordered} ordered`
									: ''}</span
							>
						</td>
						<td class="number">{product.ahead.make}</td>
						<td class="number hidden sm:table-cell">{product.there || '–'}</td>
						<td class="number hidden sm:table-cell">{product.planned || '–'}</td>
						<td class="number font-bold">{product.toMake || '–'}</td>
						<td class="text-right"
							>{#if product.toMake > 0}<a
									class="button"
									href="/batches/new?product={product.productId}&packs={product.toMake}"
									aria-label="Plan {plural(product.toMake, 'pack')} of {product.name}">Plan</a
								>{/if}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
{/snippet}

<section aria-labelledby="to-make" class="min-w-0">
	<h2 id="to-make">To make for the next selling days</h2>
	{#if days.length === 0}
		<p class="text-quiet mt-1 max-w-prose">
			Once a place has sold on the same weekday twice, what it usually wants stands here, with what of it is
			still to be made.
		</p>
	{:else}
		<p class="text-quiet mt-1 max-w-prose text-sm">
			What pays best to bring on such days, by what the last {WEEKS_BACK} weeks sold, newest first, and what is
			ordered. A day that had none left may have wanted more, and is reckoned so.
		</p>
		{#each next as day (`${day.day} ${day.place}`)}{@render table(day)}{/each}
		{#if later.length > 0}
			<details class="mt-4">
				<summary class="min-h-11 cursor-pointer py-2 font-semibold"
					>{plural(later.length, 'day')} more, to {dayText(later.at(-1)?.day ?? '')}</summary
				>
				{#each later as day (`${day.day} ${day.place}`)}{@render table(day)}{/each}
			</details>
		{/if}
	{/if}
</section>
