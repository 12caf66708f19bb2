<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import OnceKey from '$lib/form/OnceKey.svelte';
	import { enhance } from '$app/forms';
	import { fixed, money } from '$lib/format.ts';
	import Figure from '$lib/ui/Figure.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Formulas · Square Batch</title></svelte:head>

<div class="mb-4 flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1>{data.archived ? 'Formulas put away' : 'Formulas'}</h1>
		<p class="text-quiet">
			Weighed lines, and what one piece of them holds and costs.
			{#if data.archived}<a href="/formulas">Those in use</a>{:else if data.away > 0}<a href="/formulas?away"
					>{data.away} put away</a
				>{/if}
		</p>
	</div>
	<div class="flex flex-wrap gap-2">
		<a href="/formulas/import" class="button">Bring one in</a>
		<form method="POST" action="?/new" use:enhance>
			<OnceKey />
			<button class="button button-main">New formula</button>
		</form>
	</div>
</div>

{#if data.formulas.length === 0}
	<p class="max-w-prose">
		A formula is what you bake, in grams: flour, water, salt, and what goes on the board and on top. Start one
		and type what you do, as you would say it: “2 ¼ cups bread flour”.
	</p>
{:else}
	<Wide label="All formulas">
		<table class="ledger">
			<thead>
				<tr>
					<th>Formula</th>
					<th>Pack</th>
					<th class="number hidden lg:table-cell">Hydration</th>
					<th class="number">Ball → finished</th>
					<th class="hidden sm:table-cell">Contains</th>
					{#if mayHere('costs')}<th class="number">Costs a pack</th>{/if}
					<th class="number hidden sm:table-cell">Sold at</th>
				</tr>
			</thead>
			<tbody>
				{#each data.formulas as formula (formula.id)}
					<tr>
						<td class="min-w-40">
							<a href="/formulas/{formula.id}" class="font-semibold hover:underline">{formula.name}</a>
							<span class="text-quiet block text-sm"
								>{formula.number === 0
									? 'a draft, no version kept yet'
									: `version ${formula.number}, made ${formula.batches === 1 ? 'once' : `${formula.batches} times`}${formula.hasDraft ? ', with a draft' : ''}`}</span
							>
						</td>
						<td class="whitespace-nowrap"
							>{formula.packPieces === null ? '–' : `${formula.packPieces} ${formula.pieceMany}`}</td
						>
						<td class="number hidden lg:table-cell"
							><Figure value={formula.hydration === null ? null : fixed(formula.hydration, 1)} unit="%" /></td
						>
						<td class="number">
							{#if formula.ballWeight_g !== null}{fixed(formula.ballWeight_g, 1)} →
							{/if}<Figure
								value={formula.finishedWeight_g === null ? null : fixed(formula.finishedWeight_g, 1)}
								unit="g"
							/>
						</td>
						<td class="hidden sm:table-cell">
							{formula.contains.join(', ')}
							{#if formula.unconfirmed > 0}
								<span class="text-attention-ink block text-sm font-semibold">allergens not all confirmed</span
								>
							{/if}
						</td>
						{#if mayHere('costs')}
							<td class="number"
								><Figure
									value={formula.perPack === null ? null : money(formula.perPack, data.kitchen.currency)}
								/></td
							>
						{/if}
						<td class="number hidden sm:table-cell"
							><Figure
								value={formula.price === null ? null : money(formula.price, data.kitchen.currency)}
							/></td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
{/if}
