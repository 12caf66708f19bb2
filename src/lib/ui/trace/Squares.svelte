<script lang="ts">
	import type { Closing } from '$core/squaring/closings.ts';
	import { fixed } from '$lib/format.ts';
	import type { InspectedBatch } from '$lib/people/inspection.ts';
	import Wide from '../Wide.svelte';

	/** What went into a batch, and whether what came out accounts for it. */
	interface Props {
		stages: readonly Closing[];
		reasons: InspectedBatch['reasons'];
		lines: InspectedBatch['lines'];
	}
	let { stages, reasons, lines }: Props = $props();
</script>

<section class="mt-6" aria-labelledby="went-in">
	<h2 id="went-in">What went in</h2>
	<Wide label="Lines">
		<table class="ledger mt-2 max-w-4xl">
			<thead
				><tr><th>What</th><th>As</th><th class="number">Planned, g</th><th class="number">Weighed, g</th></tr
				></thead
			>
			<tbody>
				{#each lines as line, nth (nth)}
					<tr>
						<td>{line.name}</td>
						<td>{line.use}</td>
						<td class="number">{fixed(line.planned_g, 1)}</td>
						<td class="number">{line.weighed_g === null ? 'not weighed' : fixed(line.weighed_g, 1)}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
</section>

<section class="mt-6" aria-labelledby="squares">
	<h2 id="squares">Whether it squares</h2>
	{#if stages.length === 0}
		<p class="mt-1">Too little was weighed to say.</p>
	{:else}
		<ul class="mt-1">
			{#each stages as stage (stage.stage)}
				<li>
					{stage.stage}: {#if stage.state === 'open'}not known, {stage.missing}{:else if stage.state === 'off'}{stage.message}{:else}squares,
						off by {fixed(stage.gap, stage.unit === 'g' ? 1 : 0)}<span class="unit">{stage.unit}</span>{/if}
				</li>
			{/each}
		</ul>
	{/if}
	{#each reasons.filter(({ reason }) => reason !== '') as closing (closing.number)}
		<p class="mt-1">Closing {closing.number}: {closing.reason}</p>
	{/each}
</section>
