<script lang="ts">
	import type { Act } from '$core/sure/acts.ts';
	import type { FigureHelp } from '$lib/sure/types.ts';
	import { actWords, type Names } from '$lib/sure/words.ts';
	import { hundredths } from './band.ts';

	/** The acts that would help most, each with what it would become; pressed, it is taken along. */
	interface Props {
		helps: FigureHelp[];
		nameOf: (key: string) => string;
		names: Names;
		formulaHref: string;
		/** Empty where it is not of a batch. */
		batchHref: string;
		isRunning: boolean;
		unsure: number;
	}
	let { helps, nameOf, names, formulaHref, batchHref, isRunning, unsure }: Props = $props();
	const MOST = 5;

	interface Offered {
		act: Act;
		figures: { figure: string; now: number; then: number }[];
	}
	/** Each act once, with all it helps, the one that helps most first. */
	const offered = $derived.by(() => {
		const all: Offered[] = [];
		for (const { figure, now, helps: acts } of helps)
			for (const { act, survives } of acts) {
				const helped = { figure, now, then: survives };
				const of = all.find((each) => JSON.stringify(each.act) === JSON.stringify(act));
				if (of) of.figures.push(helped);
				else all.push({ act, figures: [helped] });
			}
		const gain = ({ figures }: Offered) => Math.max(...figures.map(({ now, then }) => then - now));
		return all.sort((a, b) => gain(b) - gain(a)).slice(0, MOST);
	});
	function hrefOf(act: Act): string {
		switch (act.kind) {
			case 'weigh line':
			case 'weigh uptake':
				return batchHref || `${formulaHref}?weigh=${act.line}`;
			case 'pack figures':
				return `/shelf/${act.ingredient}?from=pack#composition`;
			case 'analyse':
				return `/shelf/${act.ingredient}?from=laboratory#composition`;
			case 'weigh water':
				return formulaHref;
			default:
				return batchHref || '/batches/new';
		}
	}
	const most = ({ figures }: Offered) =>
		figures.reduce((best, each) => (each.then - each.now > best.then - best.now ? each : best));
</script>

{#if unsure > 0}
	<h2 class="mt-4">What to do about it</h2>
	<p class="text-quiet text-sm">Each alone, worked out again as if it were done.</p>
	{#if offered.length > 0}
		<ol class="border-rule mt-2 border-t" data-testid="acts">
			{#each offered as each (JSON.stringify(each.act))}
				{@const best = most(each)}
				<li class="border-rule border-b">
					<a href={hrefOf(each.act)} class="flex items-center justify-between gap-3 py-2 no-underline">
						<span class="min-w-0">
							<b class="underline">{actWords(each.act, names)}</b>
							<span class="text-quiet block text-sm"
								>{each.figures.map(({ figure }) => nameOf(figure)).join(', ')}</span
							>
						</span>
						<span class="figure text-lg whitespace-nowrap">
							<span class="text-loss">{hundredths(best.now)}</span>
							<span aria-hidden="true">→</span><span class="sr-only">becomes</span>
							<b class="text-squared">{hundredths(best.then)}</b>
						</span>
					</a>
				</li>
			{/each}
		</ol>
	{:else if !isRunning}
		<p class="mt-2">Nothing that could be measured would change it.</p>
	{/if}
	{#if isRunning}<p class="text-quiet mt-2 text-sm" role="status">Working out what helps…</p>{/if}
{/if}
