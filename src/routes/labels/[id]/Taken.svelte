<script lang="ts">
	import type { TakenLine } from '$core/formula/by-feel.ts';
	import type { Line } from '$core/formula/types.ts';
	import { plain, plural } from '$lib/format.ts';

	/** Lines by feel or to be weighed: what the batches really took of them, which the label goes by. */
	let { taken, nameOf }: { taken: readonly TakenLine<Line>[]; nameOf: (id: string) => string } = $props();
</script>

{#if taken.length > 0}
	<section class="mt-6 max-w-3xl" aria-labelledby="taken-heading" data-testid="taken">
		<h2 id="taken-heading">Taken by feel</h2>
		<p class="text-quiet text-sm">The label goes by what the batches that square really took, on average.</p>
		<ul class="mt-1">
			{#each taken as { line, mean_g, sd_g, batches }, index (index)}
				<li>
					{nameOf(line.ingredient)}{line.use === 'dough' ? '' : `, ${line.use}`}:
					<b class="figure">{plain(mean_g, 1)}</b> g{#if sd_g !== null}
						<span class="text-quiet"> ± {plain(sd_g, 1)} g</span>{/if}, of {plural(
						batches,
						'batch',
						'batches'
					)}
				</li>
			{/each}
		</ul>
	</section>
{/if}
