<script lang="ts">
	import type { BatchDraft } from '$lib/batch/draft.ts';
	import { USE_WORDS } from '$lib/formula/draft.ts';
	import { plain } from '$lib/format.ts';
	import type { Batch } from '$lib/batch/types.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	interface Props {
		batch: Batch;
		lines: BatchDraft['lines'];
		error: (path: string) => string;
	}
	let { batch, lines = $bindable(), error }: Props = $props();
</script>

<Wide label="Lines of the batch" class="mt-2">
	<table class="ledger">
		<thead>
			<tr
				><th>Line</th><th class="number">Planned</th><th class="number w-32">On the scale</th><th
					class="number w-32">Stayed on</th
				></tr
			>
		</thead>
		<tbody>
			{#each batch.lines as line, index (line.id)}
				{@const typed = lines[index]}
				{#if typed}
					<tr>
						<td class="py-1!">
							<span class="font-semibold">{line.name}</span>
							<span class="text-quiet block text-sm">{line.stage || USE_WORDS[line.use]}</span>
						</td>
						<td class="number py-2!">
							{#if line.toWeigh}<span class="text-attention-ink font-sans text-sm">weigh it</span>
							{:else}{plain(line.planned_g, 1)}<span class="unit">g</span>{/if}
							{#if line.most_g !== null}<span class="text-quiet block text-xs"
									>to {plain(line.most_g, 1)} by feel</span
								>{/if}
						</td>
						<td class="py-1!">
							<Field
								label="{line.name} on the scale{line.use === 'dough' ? '' : `, ${USE_WORDS[line.use]}`}"
								tight
								bind:value={typed.grams}
								error={error(`lines[${index}].grams`) || error(`lines[${index}]`)}
								inputmode="decimal"
								placeholder="weigh"
								class="figure [&_input]:text-right"
							/>
						</td>
						<td class="py-1!">
							{#if line.use !== 'dough'}
								<Field
									label="{line.name} that stayed on the pieces, {USE_WORDS[line.use]}"
									tight
									bind:value={typed.uptake}
									error={error(`lines[${index}].uptake`)}
									inputmode="decimal"
									placeholder="assumed"
									class="figure [&_input]:text-right"
								/>
							{/if}
						</td>
					</tr>
				{/if}
			{/each}
		</tbody>
	</table>
</Wide>
