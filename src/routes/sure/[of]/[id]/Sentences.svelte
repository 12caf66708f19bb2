<script lang="ts">
	import type { PrintedSure } from '$core/sure/result.ts';
	import { SURE_ENOUGH, type FigureHelp } from '$lib/sure/types.ts';
	import { actWords, type Names } from '$lib/sure/words.ts';
	import { hundredths } from './band.ts';

	/** The least sure figure in a sentence, and what measuring does not mend. */
	interface Props {
		figures: PrintedSure[];
		helps: FigureHelp[];
		nameOf: (key: string) => string;
		names: Names;
		isRunning: boolean;
	}
	let { figures, helps, nameOf, names, isRunning }: Props = $props();
	const least = $derived(figures.toSorted((a, b) => a.survives - b.survives)[0]);
	const help = $derived(helps.find((each) => each.figure === least?.figure));
	const best = $derived(help?.helps.toSorted((a, b) => b.survives - a.survives)[0]);
	const bound = (figure: PrintedSure) =>
		figure.low !== null && figure.high !== null
			? 'within what the law allows'
			: figure.low !== null
				? 'no less than the law asks'
				: 'no more than the law allows';
	const beyond = $derived(helps.filter(({ atBest }) => atBest < SURE_ENOUGH));
</script>

{#if least && least.survives >= SURE_ENOUGH}
	<p class="text-lg" data-testid="sentence">
		Every figure that is known survives 95 times in 100 or more; the least sure is {nameOf(
			least.figure
		).toLowerCase()}, {hundredths(least.survives)} in 100.
	</p>
{:else if least}
	<p class="text-lg" data-testid="sentence">
		<b>{nameOf(least.figure)}: {hundredths(least.survives)} in 100</b> that a laboratory finds {bound(
			least
		)}{#if best};
			{actWords(best.act, names).replace(/^./, (first) => first.toLowerCase())} and it is
			<b>{hundredths(best.survives)}</b>{/if}.
	</p>
{/if}
{#if !isRunning && beyond.length > 0}
	<div class="border-attention mt-3 border-l-4 pl-3 text-sm" data-testid="beyond">
		<p class="font-semibold">Not to be mended by measuring alone</p>
		<ul>
			{#each beyond as each (each.figure)}
				<li>
					{nameOf(each.figure)}: with all of it measured {hundredths(each.atBest)} in 100.{each.safe
						? ` Printed as ${each.safe} it would survive 95 times.`
						: ''}
				</li>
			{/each}
		</ul>
	</div>
{/if}
