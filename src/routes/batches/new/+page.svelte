<script lang="ts">
	import DayField from '$lib/ui/control/DayField.svelte';
	import { COOKINGS, UNCOOKED } from '$core/formula/process.ts';
	import { doughMass_g } from '$core/formula/types.ts';
	import { ballsFrom, packsFrom } from '$core/massflow/balls.ts';
	import { enhance } from '$app/forms';
	import { onScale_g, packsFactor } from '$core/formula/scale.ts';
	import { readCount, readNumber } from '$core/measure/reading.ts';
	import { roundTo } from '$core/measure/round.ts';
	import { USE_WORDS } from '$lib/formula/draft.ts';
	import { fixed, plain, plural } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	let { data } = $props();
	let draft = $state(untrack(() => ({ ...data.draft })));
	/** As many decimals as the scale shows. */
	const decimals = $derived(Math.max(0, -Math.floor(Math.log10(data.scaleDivision_g))));
	/** What the amount is of: the formula so many times, or so many packs. */
	let by = $state<'factor' | 'packs'>(untrack(() => (data.asPacks ? 'packs' : 'factor')));
	const form = draftForm<never>({ saved: 'Planned' });

	const product = $derived(data.products.find((each) => each.id === draft.productId));
	const dough_g = $derived(doughMass_g(product?.lines ?? []));
	/** What of the dough reaches the packs: as this kitchen's batches had it, or all. */
	const share = $derived(product?.usualYield ?? 1);
	const amount = $derived(by === 'packs' ? readCount(draft.factor) : readNumber(draft.factor));
	const factor = $derived.by(() => {
		if (!product || !amount.ok || amount.value <= 0) return null;
		if (by === 'factor') return amount.value;
		return packsFactor(dough_g, { ...product, packs: amount.value, share });
	});
	const amountError = $derived(amount.ok || draft.factor.trim() === '' ? form.at('factor') : amount.message);
	const sent = $derived({ ...draft, factor: factor === null ? draft.factor : String(roundTo(factor, 1e-6)) });
	/** Lines of the dough that nobody knows the grams of yet. */
	const open = $derived(
		(product?.lines ?? []).flatMap((line) =>
			line.felt && line.used_g === 0 && line.use === 'dough' ? line.name : []
		)
	);
	const makes = $derived.by(() => {
		if (!product || factor === null) return null;
		const balls = ballsFrom(dough_g * factor * share, product.ballWeight_g);
		return { times: factor, dough_g: dough_g * factor, balls, packs: packsFrom(balls, product.packPieces) };
	});
</script>

<svelte:head><title>New batch · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/batches">Batches</a></p>
<h1>New batch</h1>

{#if data.products.length === 0}
	<p class="mt-3 max-w-prose">
		A batch is made of a product, and there is none yet. <a href="/formulas">Write down a formula</a> first.
	</p>
{:else}
	<form method="POST" use:enhance={form.enhance} class="mt-4 max-w-3xl">
		<input type="hidden" name="draft" value={JSON.stringify(sent)} />
		<Problems problems={form.problems} />
		<div class="grid gap-4 sm:grid-cols-[2fr_1fr]">
			<Choice
				label="Product"
				bind:value={draft.productId}
				options={data.products.map((each) => ({
					value: each.id,
					text: `${each.name}, packs of ${each.packPieces}`
				}))}
				error={form.at('productId')}
			/>
			<DayField label="Made on" bind:value={draft.madeOn} error={form.at('madeOn')} />
		</div>
		<div class="mt-4 flex flex-wrap items-start gap-4">
			<Choice
				label="How much"
				bind:value={by}
				options={[
					{ value: 'factor', text: 'times the formula' },
					{ value: 'packs', text: 'packs to sell' }
				]}
				class="w-56"
			/>
			<Field
				label={by === 'packs' ? 'Packs' : 'Times the formula'}
				bind:value={draft.factor}
				error={amountError}
				hint={by === 'packs' ? '' : '1, 1/2, 1 1/2, 2…'}
				inputmode={by === 'packs' ? 'numeric' : 'decimal'}
				class="w-40"
			/>
			{#if product && product.cooking !== UNCOOKED}
				<Choice
					label="Cooked on"
					bind:value={draft.cooking}
					options={[
						{ value: '', text: `${product.cooking}, as the formula` },
						...COOKINGS.filter((each) => each !== product.cooking).map((each) => ({
							value: each,
							text: each
						}))
					]}
					hint={draft.cooking === '' ? '' : 'Its loss is learned apart from the formula’s own way'}
					class="w-64"
				/>
			{/if}
		</div>
		{#if product && makes}
			<p class="mt-4 text-lg" data-testid="makes">
				<span class="figure font-bold">{plain(makes.dough_g)}<span class="unit">g</span></span> of dough,
				<b>{plural(makes.balls, 'sellable ball')}</b> of {plain(product.ballWeight_g, 1)} g, at most
				<b>{plural(makes.packs, 'pack')}</b> of {product.packPieces}.
			</p>
			<p class="text-quiet text-sm">
				{product.usualYield === null
					? 'As if none stayed in the bowl and no piece were rejected: no batch of it has squared yet.'
					: `In this kitchen ${plain(100 * product.usualYield, 1)} % of the dough reaches the packs: the rest stays in the bowl, is left over or rejected.`}
			</p>
			{#if open.length > 0}
				<p class="text-attention-ink mt-1 text-sm">
					Without {open.join(', ')}: the batch weighs what goes in, and it makes more than this.
				</p>
			{/if}
			{#if product.mixGap === 'evaporation'}
				<p class="caution mt-2">Boiling water: some steams off, and the dough burns until it has cooled.</p>
			{/if}
			<table class="ledger mt-4">
				<thead
					><tr
						><th>To weigh, version {product.number}</th><th>Stage</th><th>Use</th><th class="number">Grams</th
						></tr
					></thead
				>
				<tbody>
					{#each product.lines as line, index (index)}
						<tr>
							<td>{line.name}</td><td class="text-quiet">{line.stage}</td><td class="text-quiet"
								>{USE_WORDS[line.use]}</td
							>
							<td class="number"
								>{#if line.felt && line.used_g === 0}<span class="text-attention-ink">weigh it</span>
								{:else}{line.felt ? 'about ' : ''}{fixed(
										onScale_g(line.used_g * makes.times, data.scaleDivision_g),
										decimals
									)}{/if}</td
							>
						</tr>
					{/each}
				</tbody>
			</table>
			<p class="text-quiet mt-2 text-sm">
				Salt, yeast and leavening scale with the rest. Small batches lose relatively more to bowl and hands.
			</p>
		{/if}
		<button class="button button-main mt-5" disabled={form.saving}>Plan this batch</button>
	</form>
{/if}
