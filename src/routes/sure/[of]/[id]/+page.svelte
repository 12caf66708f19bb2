<script lang="ts">
	import { onMount } from 'svelte';
	import { rulesOf } from '$core/rules/index.ts';
	import type { PrintedSure } from '$core/sure/result.ts';
	import { SureDrawing } from '$lib/sure/drawing.svelte.ts';
	import { SURE_ENOUGH } from '$lib/sure/types.ts';
	import Acts from './Acts.svelte';
	import Bands from './Bands.svelte';
	import Doubt from './Doubt.svelte';
	import Reports from './Reports.svelte';
	import Sentences from './Sentences.svelte';
	import Spread from './Spread.svelte';

	let { data } = $props();
	const subject = $derived(data.subject);
	const drawing = new SureDrawing();
	$effect(() => {
		const { recipe, given } = data.subject;
		if (recipe) drawing.ask(recipe, given);
		else drawing.end();
	});
	onMount(() => () => drawing.end());

	const progress = $derived(drawing.progress);
	const names = $derived({
		lines: subject.lines,
		nameOf: (id: string) => subject.recipe?.ingredients.find((each) => each.id === id)?.name ?? id
	});
	const rules = $derived(rulesOf(subject.recipe?.rules ?? data.kitchen.rules));
	const figures = $derived(
		(progress?.figures ?? []).filter((each): each is PrintedSure => each.printed !== null)
	);
	const unknown = $derived((progress?.figures ?? []).filter((each) => each.printed === null));
	const nameOf = (key: string) => rules.figures.find((figure) => figure.key === key)?.name ?? key;
	let asked = $state('');
	/** The one that was pressed, or else the least sure. */
	const shown = $derived(
		figures.find((each) => each.figure === asked) ??
			figures.toSorted((a, b) => a.survives - b.survives).find((each) => each.survives < SURE_ENOUGH) ??
			figures[0]
	);
	const drawn = $derived((progress?.done ?? 0).toLocaleString('en-US'));
</script>

<svelte:head><title>How sure: {subject.name} · Square Batch</title></svelte:head>

<!-- On paper it is one page, for the folder an inspector sees. -->
<div class="print:[zoom:0.6]">
	<p class="text-sm"><a href={subject.href}>{subject.name}</a></p>
	<div class="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
		<div class="max-w-xl">
			<h1>How sure is each figure?</h1>
			<p class="text-quiet">
				{data.question === 'batch'
					? 'What a laboratory would find in packs of this batch'
					: 'What a laboratory would find in packs of a coming batch'}, beside what the label prints and how
				far the law lets it differ. Of 100 times, it would survive so many.
			</p>
		</div>
		<div class="text-right">
			{#if subject.of === 'batch'}
				<nav aria-label="What is asked" class="flex">
					{#each [['batch', 'This batch'], ['label', 'The label']] as const as [question, words] (question)}
						<a
							href="?question={question}"
							class={['button', data.question === question && 'button-main']}
							aria-current={data.question === question ? 'page' : undefined}>{words}</a
						>
					{/each}
				</nav>
			{/if}
			<p class="text-quiet mt-1 text-sm" role="status" data-testid="draws">
				{#if drawing.isRunning}
					{drawn} draws…
					<button type="button" class="min-h-8 underline print:hidden" onclick={() => drawing.end()}
						>Stop</button
					>
				{:else if progress}
					{drawn} draws, {progress.done < progress.draws ? 'stopped' : 'done'}
				{/if}
			</p>
		</div>
	</div>
	<p class="caution mt-2 max-w-3xl" data-testid="is-a-calculation">
		A calculation from <a href="/kitchen/spreads">the spreads you can see and change</a>, not a laboratory and
		not a promise of the law. An authority or a licensed professional decides.
	</p>

	{#if subject.problem}
		<p class="bg-sheet border-rule mt-4 max-w-prose border p-4">
			Nothing can be said yet: {subject.problem}. <a href={subject.href}>Go back to it</a>.
		</p>
	{:else if figures.length > 0}
		<div class="mt-4 grid gap-8 xl:grid-cols-[minmax(0,1fr)_22rem]">
			<div class="min-w-0">
				<Bands {figures} {nameOf} chosen={shown?.figure ?? ''} onask={(key) => (asked = key)} />
				{#if unknown.length > 0}
					<p class="text-quiet mt-2 text-sm">
						Unknown, so nothing can be said of it: {unknown.map(({ figure }) => nameOf(figure)).join(', ')}.
					</p>
				{/if}
				<p class="text-quiet mt-2 text-sm">
					{#if data.question === 'label'}
						{subject.history.batches >= 3
							? `How batches differ is taken from ${subject.history.batches} of this formula that square.`
							: `Fewer than three batches of this formula square: twice the spread of ${subject.history.family ? 'its family' : 'breads like it'} is assumed.`}
					{:else}
						What differs from batch to batch is left out: it is what lies in these bags.
					{/if}
					{rules.boundsHoldLaboratory ? 'The bounds already hold what a laboratory is unsure of.' : ''}
				</p>
			</div>
			<div class="min-w-0">
				<Sentences {figures} helps={drawing.helps} {nameOf} {names} isRunning={drawing.isRunning} />
				<Acts
					helps={drawing.helps}
					{nameOf}
					{names}
					formulaHref={subject.formulaHref}
					batchHref={subject.of === 'batch' ? subject.href : ''}
					isRunning={drawing.isRunning}
					unsure={figures.filter((each) => each.survives < SURE_ENOUGH).length}
				/>
				{#if shown}
					{@const bins = progress?.bins[shown.figure]}
					{#if bins}<Spread figure={shown} name={nameOf(shown.figure)} {bins} />{/if}
					<Doubt figure={shown} name={nameOf(shown.figure)} {names} />
				{/if}
			</div>
		</div>
	{:else}
		<p class="text-quiet mt-4">Drawing…</p>
	{/if}
	{#if subject.productId && subject.recipe}
		<Reports
			reports={data.reports}
			reportId={data.reportId}
			{figures}
			{rules}
			{nameOf}
			{names}
			recipe={subject.recipe}
			mayAdd={data.who?.rights.includes('approve') ?? false}
		/>
	{/if}
	<p class="mt-6 print:hidden">
		<button type="button" class="button" onclick={() => print()}>Print this page</button>
	</p>
</div>
