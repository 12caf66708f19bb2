<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { derive } from '$core/derive.ts';
	import { amountOf, wishOfLine } from '$core/reformulate/amount.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import type { Now } from '$core/reformulate/said.ts';
	import type { SwapBy } from '$core/reformulate/swap.ts';
	import type { Ingredient, Recipe } from '$core/formula/types.ts';
	import { Decimal } from 'decimal.js';
	import { WishSheet } from '$lib/reformulate/asking.svelte.ts';
	import { Reformulating } from '$lib/reformulate/reformulating.svelte.ts';
	import { targetText } from '$lib/reformulate/words.ts';
	import Check from '$lib/ui/control/Check.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Answer from './Answer.svelte';
	import Beside from './Beside.svelte';
	import LinesTable from './LinesTable.svelte';
	import SwapDialog from './SwapDialog.svelte';
	import Taking from './Taking.svelte';
	import Wishes from './Wishes.svelte';

	let { data } = $props();
	const basis = $derived(data.basis);
	const { currency } = $derived(data.kitchen);
	let sheet = $state.raw(untrack(() => new WishSheet(data.basis)));
	// Kept as a version, it goes on from that one; a draft that came meanwhile takes no wish away.
	$effect(() => {
		const fresh = data.basis;
		untrack(() => {
			if (fresh.number !== sheet.basis.number) sheet = new WishSheet(fresh);
		});
	});
	const reformulating = new Reformulating();
	onMount(() => () => reformulating.end());

	const factsOf = (recipe: Recipe) => {
		const outcome = derive(recipe);
		return outcome.ok ? outcome.value : null;
	};
	const now = $derived.by(() => {
		const facts = basis.recipe && factsOf(basis.recipe);
		return basis.recipe && facts ? { recipe: basis.recipe, facts } : null;
	});
	const known = $derived.by((): Now | null => {
		if (!now) return null;
		const { product } = now.recipe;
		return {
			printedPer: rulesOf(now.recipe.rules).printedPer,
			amountOf: (figure, per) => amountOf(now.recipe, now.facts, figure, per),
			pack:
				product.packPieces === null
					? null
					: {
							pieces: product.packPieces,
							materials: product.materials
								.reduce((sum, { cost }) => sum.plus(cost), new Decimal(0))
								.toNumber()
						}
		};
	});
	const { recipe, problem: swapProblem } = $derived(sheet.swapped);
	const CHANCE = 0.95;
	$effect(() => {
		const { wish } = sheet;
		if (!recipe || !wish) return;
		const survive = sheet.asked.survives ? { given: basis.given, chance: CHANCE } : null;
		untrack(() => reformulating.ask(recipe, wish, survive));
	});
	let chosen = $state('nearest');
	const found = $derived(reformulating.found);
	/** What it becomes: of the formulas that grant the wish the one that is chosen. */
	const then = $derived.by(() => {
		if (found?.status !== 'met') return null;
		return reformulating.choices?.find(({ best }) => best === chosen) ?? found;
	});
	const targets = $derived(sheet.wish?.targets ?? []);
	const reason = $derived(
		[
			...targets.map((target) => targetText(target, currency)),
			...sheet.asked.without.map((word) => `no ${word}`),
			...sheet.asked.swaps.map(
				({ line, by }) =>
					`${by.name} instead of ${nameOf(basis.recipe?.formula.lines[line]?.ingredient ?? '')}`
			)
		].join('; ')
	);
	const nameOf = (id: string) => recipe?.ingredients.find((each) => each.id === id)?.name ?? id;
	/** A line of the panel becomes a wish at what it prints now, to be moved from there. */
	function wishFor(key: string) {
		const target = now && wishOfLine(now.recipe, now.facts, key);
		if (target) sheet.add(target);
	}
	let swapping = $state(-1);
	let isSwapping = $state(false);
	function swap(line: number) {
		[swapping, isSwapping] = [line, true];
	}
	function takeSwap(by: Ingredient, keep: SwapBy) {
		const others = sheet.asked.swaps.filter(({ line }) => line !== swapping);
		sheet.change({ swaps: [...others, { line: swapping, by, keep }] });
	}
	function give(target: number, would: number) {
		const wish = sheet.asked.wishes[target];
		if (!wish) return;
		// Far enough that what is asked for holds after rounding too.
		const room = wish.side === 'atMost' ? 1.01 : 0.99;
		sheet.alter(wish.key, { value: String(Number((would * room).toPrecision(4))), as: 'exact' });
	}
	const differs = $derived(
		then !== null &&
			basis.recipe !== null &&
			then.recipe.formula.lines.some((line, at) => {
				const was = basis.recipe?.formula.lines[at];
				return was?.used_g !== line.used_g || was.ingredient !== line.ingredient;
			})
	);
	function onkeydown(event: KeyboardEvent) {
		if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
		if (event.target instanceof HTMLInputElement) return;
		event.preventDefault();
		sheet.undo();
	}
</script>

<svelte:window {onkeydown} />
<svelte:head><title>Reformulate {basis.name} · Square Batch</title></svelte:head>

<p class="text-sm"><a href="/formulas/{basis.formulaId}">{basis.name}</a></p>
<div class="flex flex-wrap items-end justify-between gap-3">
	<h1>Reformulate {basis.name} <span class="text-quiet text-sm font-normal">version {basis.number}</span></h1>
	<button type="button" class="button px-3!" disabled={!sheet.canUndo} onclick={() => sheet.undo()}
		>Undo</button
	>
</div>
{#if basis.problem}<p
		role="alert"
		class="border-attention bg-attention-pale text-attention-ink mt-3 max-w-3xl border-l-4 px-4 py-2"
	>
		It cannot be taken from here yet: {basis.problem}.
		<a href="/formulas/{basis.formulaId}">Open its sheet</a>
	</p>{/if}
{#if now && known && recipe && basis.recipe}
	{#if !basis.isWeighed}<p class="text-attention-ink mt-2 text-sm">
			A preview: no piece of it was weighed in a batch that squares, so its loss is the usual one.
		</p>{/if}
	<section aria-labelledby="wishes" class="mt-3">
		<h2 id="wishes">What it shall become</h2>
		<Wishes {sheet} now={known} />
		<div class="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
			{#if basis.windows}
				<Check checked={sheet.asked.keepsWindows} oncheck={(keepsWindows) => sheet.change({ keepsWindows })}
					>Keep to the usual windows of {basis.family}</Check
				>
			{/if}
			<Check checked={sheet.asked.survives} oncheck={(survives) => sheet.change({ survives })}
				>And 95 in 100 that what prints survives a laboratory</Check
			>
			<Field
				compact
				label="Scale shows"
				class="w-24"
				inputmode="decimal"
				unit="g"
				bind:value={() => sheet.asked.step, (step) => sheet.change({ step }, 'step')}
				error={sheet.errors.step ?? ''}
			/>
		</div>
	</section>
	<section aria-labelledby="becomes" class="mt-5" aria-busy={reformulating.isThinking}>
		<h2 id="becomes">What it becomes</h2>
		{#if swapProblem}<p role="alert" class="text-loss">{swapProblem}</p>{/if}
		{#if reformulating.problems.length > 0}
			<ul role="alert" class="text-loss">
				{#each reformulating.problems as { message }, nth (nth)}<li>{message}</li>{/each}
			</ul>
		{:else if sheet.asksNothing}
			<p class="text-quiet max-w-prose">
				Say a wish above, or swap an ingredient below: the nearest formula that grants it stands here beside
				today’s.
			</p>
		{:else if found}
			<Answer
				{found}
				{targets}
				choices={reformulating.choices}
				bind:chosen
				{currency}
				ongive={give}
				onleave={() => sheet.change({ keepsWindows: false })}
			/>
		{:else}<p class="text-quiet" role="status">Looking…</p>{/if}
		<div class="mt-3">
			<LinesTable {sheet} before={basis.recipe} {recipe} grams={then?.grams ?? null} onswap={swap} />
		</div>
	</section>
	{#if then}
		<section aria-labelledby="beside" class="mt-6">
			<h2 id="beside" class="sr-only">Beside today’s</h2>
			<Beside {now} {then} windows={basis.windows} {currency} onask={wishFor} />
		</section>
		{#if differs && !basis.problem && !sheet.asksNothing}
			<Taking
				lines={then.recipe.formula.lines.map(({ ingredient, used_g }) => ({ ingredient, grams: used_g }))}
				{reason}
				version={basis.version}
				number={basis.number}
				figures={targets.map(({ figure, per }) => ({ figure, per }))}
				trialId={data.trialId}
				day={data.day}
				pieces={basis.pieces}
				many={basis.recipe.product.many}
			/>
		{/if}
	{/if}
	<p class="caution mt-6 max-w-3xl">
		These are sums, not a laboratory. Less salt, acid or preservative can shorten how long it keeps; a new
		ingredient can bring allergens that its pack alone tells. Your authority decides what a label must say.
	</p>
	{#if swapping >= 0}
		<SwapDialog
			bind:open={isSwapping}
			{recipe}
			line={swapping}
			shelf={basis.shelf}
			step_g={sheet.step_g ?? basis.step_g}
			ontake={takeSwap}
		/>
	{/if}
{/if}
