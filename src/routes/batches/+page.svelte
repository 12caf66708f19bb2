<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import { dayText, money, percent, plain } from '$lib/format.ts';
	import Figure from '$lib/ui/Figure.svelte';
	import Mark from '$lib/ui/Mark.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
	const onBench = $derived(data.batches.filter((batch) => batch.next !== null));
	const made = $derived(data.batches.filter((batch) => batch.next === null));
	const off = $derived(
		made.filter((batch) => batch.closings.some((closing) => closing.state === 'off')).length
	);
	/** What to say of a batch in one mark: what is off first, then what is missing. */
	const telling = (closings: (typeof made)[number]['closings']) =>
		closings.find((closing) => closing.state === 'off') ??
		closings.find((closing) => closing.state === 'open') ??
		closings[0];
</script>

<svelte:head><title>Batches · Square Batch</title></svelte:head>

<div class="mb-4 flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1>Batches</h1>
		<p class="text-quiet">
			{plain(data.made)} made{#if off > 0}, <span class="text-loss font-semibold"
					>{off} off{data.hasMore ? ` of the newest ${made.length}` : ''}</span
				>{/if}
		</p>
	</div>
	<a href="/batches/new" class="button button-main">New batch</a>
</div>

{#if data.batches.length === 0}
	<p class="max-w-prose">
		A batch is one making of a product. Plan one from a formula, then record what the scale says: the dough,
		some balls, some finished pieces. Its facts, cost and packs follow.
	</p>
{/if}

{#if onBench.length > 0}
	<section aria-labelledby="bench" class="mb-8">
		<h2 id="bench">On the bench</h2>
		<ul class="mt-2 grid gap-2 sm:grid-cols-2 xl:grid-cols-3">
			{#each onBench as batch (batch.id)}
				<li>
					<a
						href="/batches/{batch.id}/{batch.next?.path}"
						class="bg-sheet border-rule hover:border-action block border p-4 no-underline"
					>
						<span class="font-bold">{batch.name}</span>
						<span class="text-quiet figure ml-1 text-sm">{batch.code}</span>
						<span class="text-quiet block text-sm">{dayText(batch.madeOn)}, {batch.next?.words}</span>
					</a>
				</li>
			{/each}
		</ul>
	</section>
{/if}

{#if made.length > 0}
	<Wide label="Batches made">
		<table class="ledger">
			<thead>
				<tr>
					<th>Batch</th>
					<th class="hidden md:table-cell">Made on</th>
					<th class="hidden sm:table-cell">Does it square?</th>
					<th class="number hidden lg:table-cell">Cook loss</th>
					<th class="number hidden lg:table-cell">Overall yield</th>
					<th class="number">Packs</th>
					<th class="number">Left</th>
					{#if mayHere('costs')}<th class="number">Cost a pack</th>{/if}
				</tr>
			</thead>
			<tbody>
				{#each made as batch (batch.id)}
					{@const closing = telling(batch.closings)}
					<tr>
						<td class="min-w-40">
							<a href="/batches/{batch.id}" class="font-semibold hover:underline">{batch.name}</a>
							<span class="figure text-quiet block text-sm">{batch.code}</span>
							{#if closing}<span class="sm:hidden"><Mark {closing} /></span>{/if}
						</td>
						<td class="text-quiet hidden whitespace-nowrap md:table-cell">{dayText(batch.madeOn)}</td>
						<td class="hidden sm:table-cell"
							>{#if closing}<Mark {closing} />{/if}</td
						>
						<td class="number hidden lg:table-cell"
							><Figure value={batch.cookLoss === null ? null : percent(batch.cookLoss)} unit="%" /></td
						>
						<td class="number hidden lg:table-cell"
							><Figure
								value={batch.overallYield === null ? null : percent(batch.overallYield)}
								unit="%"
							/></td
						>
						<td class="number">{batch.packsMade}<span class="unit">× {batch.packPieces}</span></td>
						<td class={['number', batch.packsLeft > 0 && 'font-bold']}>{batch.packsLeft}</td>
						{#if mayHere('costs')}
							<td class="number"
								><Figure
									value={batch.perPack === null ? null : money(batch.perPack, data.kitchen.currency)}
								/></td
							>
						{/if}
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
{/if}
{#if data.hasMore}
	<a class="button mt-3" href="/batches?shown={data.shown + 200}" data-sveltekit-noscroll
		>Show earlier batches</a
	>
{/if}
