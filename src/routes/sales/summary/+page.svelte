<script lang="ts">
	import { dayText, money, plain } from '$lib/format.ts';
	import type { GroupSum } from '$lib/sales/totals.ts';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
	const currency = $derived(data.kitchen.currency);
	const monthText = (month: string) =>
		new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
			new Date(`${month}-01T00:00:00Z`)
		);
	const PAID: Record<string, string> = { cash: 'cash', card: 'card', owed: 'owed', '': 'not said' };
	const most = $derived(Math.max(1, ...data.byTime.map((each) => Number(each.money))));
	const tables = $derived<{ heading: string; of: GroupSum[]; word: (name: string) => string }[]>([
		{ heading: 'By product', of: data.byProduct, word: (name) => name },
		{ heading: 'By place', of: data.byChannel, word: (name) => name },
		{ heading: 'By way of paying', of: data.byPaying, word: (name) => PAID[name] ?? name }
	]);
</script>

<svelte:head><title>Summary {data.month ?? data.year} · Square Batch</title></svelte:head>

<p class="text-quiet no-print"><a href="/sales">Sales</a></p>
<div class="flex flex-wrap items-end justify-between gap-3">
	<div>
		<p class="text-quiet">{data.kitchen.name}, {data.address ? `${data.address}, ` : ''}{data.town}</p>
		<h1>Sales in {data.month ? monthText(data.month) : data.year}</h1>
		<p data-testid="summary-total">
			<b class="figure">{money(data.total.money, currency)}</b> for
			<b class="figure">{plain(data.total.packs)}</b> packs{data.total.given > 0
				? `; ${plain(data.total.given)} given away, tasted or written off`
				: ''}. Voids and returns are taken off. Written {dayText(data.day)}.
		</p>
		{#if data.ofYear.limit !== null && data.ofYear.left !== null}
			<p class={data.ofYear.left.startsWith('-') ? 'text-loss font-semibold' : ''}>
				{money(data.ofYear.money, currency)} in {data.ofYear.year} of the {money(data.ofYear.limit, currency)} allowed
				in a year.
			</p>
		{/if}
	</div>
	<div class="no-print flex flex-wrap items-center gap-2">
		{#if data.month}<a href="/sales/summary?year={data.month.slice(0, 4)}" class="button"
				>All of {data.month.slice(0, 4)}</a
			>{/if}
		{#each data.years as year (year)}
			<a
				href="/sales/summary?year={year}"
				class="button"
				aria-current={year === data.year && !data.month ? 'page' : undefined}>{year}</a
			>
		{/each}
		<button type="button" class="button" onclick={() => print()}>Print</button>
	</div>
</div>

{#if data.total.entries === 0}
	<p class="mt-6">Nothing was sold in {data.month ? monthText(data.month) : data.year}.</p>
{:else}
	<section class="mt-6" aria-labelledby="by-time">
		<h2 id="by-time">{data.month ? 'By day' : 'By month'}</h2>
		<Wide label={data.month ? 'Days of the month' : 'Months of the year'}>
			<table class="ledger max-w-4xl">
				<thead
					><tr
						><th>{data.month ? 'Day' : 'Month'}</th><th class="number">Packs</th><th class="number">Given</th
						><th class="number">Money</th><th class="w-1/3"><span class="sr-only">Drawn</span></th></tr
					></thead
				>
				<tbody>
					{#each data.byTime as each (each.key)}
						<tr>
							<td
								>{#if data.month}<a href="/sales?from={each.key}&to={each.key}" class="underline"
										>{dayText(each.key)}</a
									>{:else}<a href="/sales/summary?month={each.key}" class="underline">{monthText(each.key)}</a
									>{/if}</td
							>
							<td class="number">{plain(each.packs)}</td>
							<td class="number">{each.given === 0 ? '–' : plain(each.given)}</td>
							<td class="number font-semibold">{money(each.money, currency)}</td>
							<td
								><span
									class="bg-flour block h-4"
									style:width="{Math.max(0, (100 * Number(each.money)) / most)}%"
									aria-hidden="true"
								></span></td
							>
						</tr>
					{/each}
				</tbody>
				<tfoot
					><tr class="border-ink border-t-2 font-semibold"
						><td>Together</td><td class="number">{plain(data.total.packs)}</td><td class="number"
							>{plain(data.total.given)}</td
						><td class="number">{money(data.total.money, currency)}</td><td></td></tr
					></tfoot
				>
			</table>
		</Wide>
	</section>
	<div class="mt-6 grid gap-8 md:grid-cols-2 xl:grid-cols-3">
		{#each tables as table (table.heading)}
			<section aria-label={table.heading}>
				<h2>{table.heading}</h2>
				<table class="ledger">
					<tbody>
						{#each table.of as group (group.key)}
							<tr
								><td class="break-words">{table.word(group.name)}</td><td class="number"
									>{plain(group.packs)}</td
								><td class="number">{money(group.money, currency)}</td></tr
							>
						{/each}
					</tbody>
				</table>
			</section>
		{/each}
	</div>
{/if}
