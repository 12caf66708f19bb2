<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import { SHARE_WORDS } from '$lib/formula/share-words.ts';
	import { goto } from '$app/navigation';
	import { USE_WORDS } from '$lib/formula/draft.ts';
	import { fixed, money, plain } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
	const options = $derived(
		data.names.map((name) => ({ value: name, text: name === 'draft' ? 'the draft' : `version ${name}` }))
	);
	const shares = $derived(
		data.shares.filter((share) => (share.before ?? 0) !== 0 || (share.after ?? 0) !== 0)
	);
	const choose = (from: string, to: string) => void goto(`?from=${from}&to=${to}`, { noScroll: true });
	const differs = (a: number | null, b: number | null, step: number) =>
		Math.round((a ?? -1) / step) !== Math.round((b ?? -1) / step);
</script>

<svelte:head><title>Compare {data.formula.name} · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/formulas/{data.formula.id}">{data.formula.name}</a></p>
<h1>{data.formula.name}: {data.before} beside {data.after}</h1>
<div class="mt-3 grid max-w-md grid-cols-2 gap-3">
	<Choice
		label="Before"
		bind:value={() => data.from ?? '', (value) => choose(value, data.to ?? '')}
		{options}
	/>
	<Choice
		label="After"
		bind:value={() => data.to ?? '', (value) => choose(data.from ?? '', value)}
		{options}
	/>
</div>

<div class="mt-6 grid gap-8 xl:grid-cols-2">
	<section aria-labelledby="lines-heading">
		<h2 id="lines-heading">Lines</h2>
		<Wide label="Lines of both">
			<table class="ledger">
				<thead
					><tr
						><th>Ingredient</th><th>Stage</th><th class="number">{data.before}</th><th class="number"
							>{data.after}</th
						><td></td></tr
					></thead
				>
				<tbody>
					{#each data.lines as line, index (index)}
						<tr class={line.changed ? 'bg-attention-pale' : ''}>
							<td
								>{line.name}
								{#if line.use !== 'dough'}<span class="text-quiet text-sm">{USE_WORDS[line.use]}</span
									>{/if}</td
							>
							<td class="text-quiet">{line.stage}</td>
							<td class="number">{line.before_g === null ? '–' : plain(line.before_g, 2)}</td>
							<td class="number">{line.after_g === null ? '–' : plain(line.after_g, 2)}</td>
							<td class="text-attention-ink text-sm"
								>{line.before_g === null
									? 'new'
									: line.after_g === null
										? 'gone'
										: line.changed
											? 'changed'
											: ''}</td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
		<h2 class="mt-6">Percent of flour</h2>
		<table class="ledger">
			<thead
				><tr><th>Figure</th><th class="number">{data.before}</th><th class="number">{data.after}</th></tr
				></thead
			>
			<tbody>
				{#each shares as share (share.key)}
					<tr class={differs(share.before, share.after, 0.1) ? 'bg-attention-pale' : ''}>
						<td>{SHARE_WORDS[share.key]}</td>
						<td class="number">{share.before === null ? '–' : fixed(share.before, 1)}</td>
						<td class="number">{share.after === null ? '–' : fixed(share.after, 1)}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
	<section aria-labelledby="bag-heading">
		<h2 id="bag-heading">What the bag would say</h2>
		{#each data.products as product (product.id)}
			<h3 class="mt-3">Packs of {product.packPieces} {product.pieceMany}</h3>
			<table class="ledger">
				<thead
					><tr><th>One piece</th><th class="number">{data.before}</th><th class="number">{data.after}</th></tr
					></thead
				>
				<tbody>
					{#if mayHere('costs')}
						<tr
							><td>Ingredient cost</td>
							{#each product.perPiece as cost, index (index)}<td class="number"
									>{cost === null ? '–' : money(cost, data.kitchen.currency, 4)}</td
								>{/each}</tr
						>
					{/if}
					<tr
						><td>Energy</td>
						{#each product.energy as energy, index (index)}<td class="number"
								>{energy === null ? '–' : fixed(energy, 0)}<span class="unit">kcal</span></td
							>{/each}</tr
					>
					<tr
						><td>Finished weight, by the usual loss</td>
						{#each product.finished as grams, index (index)}<td class="number"
								>{grams === null ? '–' : fixed(grams, 1)}<span class="unit">g</span></td
							>{/each}</tr
					>
				</tbody>
			</table>
			{#if product.label === null}
				<p class="text-attention-ink mt-2">One of them does not derive: its figures cannot be compared.</p>
			{:else if product.label.length === 0}
				<p class="text-squared mt-2">Every label printed from {data.before} stays true.</p>
			{:else}
				<p class="text-loss mt-2 font-semibold">
					Labels printed from {data.before} would be untrue. They say, and would have to say:
				</p>
				<Wide label="What labels would have to say">
					<table class="ledger">
						<thead><tr><th>On the bag</th><th>{data.before}</th><th>{data.after}</th></tr></thead>
						<tbody>
							{#each product.label as change, nth (nth)}
								<tr><td>{change.what}</td><td>{change.before || '–'}</td><td>{change.after || '–'}</td></tr>
							{/each}
						</tbody>
					</table>
				</Wide>
			{/if}
		{/each}
	</section>
</div>
