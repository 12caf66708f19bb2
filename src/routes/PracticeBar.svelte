<script lang="ts">
	import { onMount } from 'svelte';
	import { enhance } from '$app/forms';
	import type { Hand } from '$core/practice/hands.ts';
	import { hands } from '$lib/practice/hands.svelte.ts';
	import type { PracticeHere } from '$lib/practice/types.ts';

	/** Stands above every page of a practice kitchen: that nothing is real, the story, and what hands can do in it. */
	let { here }: { here: PracticeHere } = $props();

	const now = $derived(here.isFinished ? null : hands.now);
	const GROUPS = [
		{ label: 'What hands can do', isIn: ({ part }: Hand) => part !== 'look' },
		{ label: 'What there is to look at', isIn: ({ part }: Hand) => part === 'look' }
	];
	const keyOf = ({ move }: Hand) => `${move.do} ${move.at ?? ''}`;
	onMount(() => void hands.read());
</script>

<section aria-label="Practice" class="practice mb-4 print:hidden" data-testid="practice">
	<div class="flex flex-wrap items-center gap-x-4 gap-y-1">
		<p class="text-attention-ink font-bold">Practice: nothing here is real.</p>
		<p class="font-semibold">{here.name}</p>
		{#if now}<p class="text-quiet text-sm">
				<span class="figure">{Math.round(now.minutes)}</span> of
				<span class="figure">{here.minutes}</span> minutes of the story
			</p>{/if}
		<div class="ml-auto flex flex-wrap items-center gap-2">
			{#if here.isFinished}<a class="button" href="/practice/debrief/{here.id}">Its debrief</a>
			{:else}<a class="button" href="/practice/finish">Finish</a>{/if}
			<form method="POST" action="/practice?/leave" use:enhance>
				<input type="hidden" name="draft" value={'{}'} />
				<button class="button">Leave practice</button>
			</form>
		</div>
	</div>
	{#if now}
		<div class="mt-1 flex flex-wrap gap-x-6">
			<details class="min-w-0">
				<summary class="min-h-8 cursor-pointer text-sm font-semibold">The story, and the goal</summary>
				<p class="max-w-prose">{here.story}</p>
				<p class="max-w-prose"><b>Goal:</b> {here.goal}</p>
				{#if here.batchId}<p><a href="/batches/{here.batchId}">Its batch</a></p>{/if}
			</details>
			{#if now.hintCost !== null}
				<button
					type="button"
					class="min-h-8 text-sm underline"
					disabled={hands.isBusy}
					onclick={() => hands.move({ do: 'hint', at: null })}>A hint, for {now.hintCost} points</button
				>
			{/if}
		</div>
		{#each now.hints as hint, nth (nth)}<p class="text-sm"><b>Hint {nth + 1}:</b> {hint}</p>{/each}
		<div class="mt-1 flex flex-wrap gap-x-5 gap-y-2">
			{#each GROUPS as { label, isIn } (label)}
				{@const of = now.hands.filter(isIn)}
				{#if of.length > 0}
					<div role="group" aria-label={label} class="flex flex-wrap gap-2">
						{#each of as hand (keyOf(hand))}
							<button
								type="button"
								class="button px-3!"
								disabled={hands.isBusy}
								onclick={() => hands.move(hand.move)}>{hand.words}</button
							>
						{/each}
					</div>
				{/if}
			{/each}
		</div>
		<p class="mt-1 min-h-6 font-semibold" role="status" data-testid="told">
			{now.told}
			{now.lying ? `On the scale: ${now.lying}.` : ''}
		</p>
	{/if}
	{#if hands.trouble}<p role="alert" class="text-loss mt-1">{hands.trouble}</p>{/if}
</section>
