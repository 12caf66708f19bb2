<script lang="ts">
	import { readNumber } from '$core/measure/reading.ts';
	import { readWish, type Now } from '$core/reformulate/said.ts';
	import type { Per, TargetFigure } from '$core/reformulate/wish.ts';
	import { linesHolding, type WishSheet } from '$lib/reformulate/asking.svelte.ts';
	import { figureWord, hasPer, OFFERED, PER_WORDS, unitOf } from '$lib/reformulate/words.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';

	/** What is wished: said in words, or put together. */
	interface Props {
		sheet: WishSheet;
		now: Now;
	}
	let { sheet, now }: Props = $props();
	let said = $state('');
	let error = $state('');
	const figures = OFFERED.map((figure) => ({ value: figure, text: figureWord(figure) }));
	const pers = $derived(
		(['serving', 'piece', '100g'] as const)
			.filter((per) => per !== 'serving' || now.printedPer === 'serving')
			.map((per) => ({ value: per, text: PER_WORDS[per] }))
	);
	const SIDES = [
		{ value: 'atMost', text: 'at most' },
		{ value: 'atLeast', text: 'at least' }
	];
	const AS = [
		{ value: 'printed', text: 'as it prints' },
		{ value: 'exact', text: 'exactly' }
	];
	/** Only what stands in the printed column prints. */
	const canPrint = (figure: TargetFigure, per: Per) => /_/.test(figure) && per === now.printedPer;

	/** The arrows move a figure by a step that a person would take of it. */
	function move(event: KeyboardEvent, key: number, value: string) {
		const way = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
		const read = readNumber(value);
		if (way === 0 || !read.ok) return;
		event.preventDefault();
		const size = read.value;
		const step = size >= 140 ? 10 : size >= 20 ? 5 : size >= 5 ? 1 : size >= 0.5 ? 0.1 : 0.01;
		sheet.alter(key, { value: String(Number(Math.max(0, size + way * step).toPrecision(8))) });
	}
	function add(event: SubmitEvent) {
		event.preventDefault();
		const read = readWish(said, now);
		if (!read.ok) {
			error = read.message;
			return;
		}
		if (read.value.kind === 'without') {
			const { word } = read.value;
			if (linesHolding(sheet.swapped.recipe, word).length === 0) {
				error = `no line is said to hold ${word}: its allergens are on the shelf`;
				return;
			}
			sheet.change({ without: [...new Set([...sheet.asked.without, word])] });
		} else sheet.add(read.value.target);
		[said, error] = ['', ''];
	}
</script>

<form onsubmit={add} class="flex flex-wrap items-end gap-2">
	<Field
		label="Say a wish"
		bind:value={said}
		{error}
		placeholder="sodium at most 140 mg"
		hint="or “cost under 0.90 a pack”, “10 % cheaper”, “hydration at least 52”, “no milk”"
		maxlength={120}
		class="min-w-64 flex-1"
	/>
	<button class="button button-main mb-6">Add</button>
</form>
<ul class="mt-2 space-y-2" aria-label="Wishes">
	{#each sheet.asked.wishes as wish (wish.key)}
		<li class="flex flex-wrap items-start gap-2" data-testid="wish">
			<Choice
				tight
				label="Figure"
				class="w-44"
				options={figures}
				value={wish.figure}
				onchoose={(figure) =>
					sheet.alter(wish.key, {
						figure: figure as TargetFigure,
						as: canPrint(figure as TargetFigure, wish.per) ? wish.as : 'exact'
					})}
			/>
			<Choice
				tight
				label="Which way"
				class="w-28"
				options={SIDES}
				value={wish.side}
				onchoose={(side) => sheet.alter(wish.key, { side: side as 'atMost' | 'atLeast' })}
			/>
			<Field
				tight
				label="How much"
				class="w-28"
				inputmode="decimal"
				bind:value={() => wish.value, (value) => sheet.type(wish.key, value)}
				unit={unitOf(wish.figure)}
				error={sheet.errors[`wish ${wish.key}`] ?? ''}
				onkeydown={(event: KeyboardEvent) => move(event, wish.key, wish.value)}
			/>
			{#if hasPer(wish.figure)}
				<Choice
					tight
					label="Of what"
					class="w-28"
					options={pers}
					value={wish.per}
					onchoose={(per) =>
						sheet.alter(wish.key, {
							per: per as Per,
							as: canPrint(wish.figure, per as Per) ? wish.as : 'exact'
						})}
				/>
			{/if}
			{#if canPrint(wish.figure, wish.per)}
				<Choice
					tight
					label="How it is read"
					class="w-32"
					options={AS}
					value={wish.as}
					onchoose={(as) => sheet.alter(wish.key, { as: as as 'printed' | 'exact' })}
				/>
			{/if}
			<button type="button" class="button px-3!" onclick={() => sheet.remove(wish.key)}
				>Drop<span class="sr-only"> {figureWord(wish.figure)}</span></button
			>
		</li>
	{/each}
	{#each sheet.asked.without as word (word)}
		<li class="flex items-center gap-2" data-testid="wish">
			<span class="font-semibold">No {word}</span>
			<button
				type="button"
				class="button px-3!"
				onclick={() => sheet.change({ without: sheet.asked.without.filter((each) => each !== word) })}
				>Drop<span class="sr-only"> no {word}</span></button
			>
		</li>
	{/each}
</ul>
