<script lang="ts">
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import Unsure from '$lib/ui/Unsure.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
	const STATE = {
		waits: 'waits',
		ready: 'ready to approve',
		approved: 'approved',
		'out of date': 'out of date'
	};
	const severalRules = $derived(data.labels.some((label) => label.rules !== data.kitchen.rules));
	const few = (all: string[]) =>
		all.slice(0, 3).join('; ') + (all.length > 3 ? `; and ${all.length - 3} more` : '');
</script>

<svelte:head><title>Labels · Square Batch</title></svelte:head>
<h1>Labels</h1>
<p class="text-quiet max-w-prose">
	What every bag must say. A label is approved once all of it is known, and is out of date as soon as the
	formula, a value or the loss would make it say something else.
</p>

{#if data.labels.length === 0}
	<p class="mt-4 max-w-prose">
		There is no product to label yet. <a href="/formulas">Keep a version of a formula</a> with its ball weight and
		pack size first.
	</p>
{:else}
	<Wide label="Labels">
		<table class="ledger mt-4">
			<thead>
				<tr
					><th>Product</th><th>Label</th><th class="hidden md:table-cell">Approved</th><th
						>What it waits for, or would change</th
					></tr
				>
			</thead>
			<tbody>
				{#each data.labels as label (label.id + label.rules)}
					<tr>
						<td class="min-w-40">
							<a
								href="/labels/{label.id}{label.rules === data.kitchen.rules ? '' : `?rules=${label.rules}`}"
								class="font-semibold">{label.name}</a
							>
							<span class="text-quiet block text-sm"
								>packs of {label.packPieces}{severalRules
									? `, ${rulesOf(label.rules).place} rules`
									: ''}</span
							>
						</td>
						<td
							class={[
								'font-semibold whitespace-nowrap',
								label.state === 'out of date' && 'text-loss',
								label.state === 'waits' && 'text-attention-ink',
								label.state === 'approved' && 'text-squared'
							]}>{STATE[label.state]}</td
						>
						<td class="text-quiet hidden md:table-cell"
							>{#if label.revision && label.approvedAt}revision {label.revision}, {dayTextOf(
									label.approvedAt
								)}{:else}never{/if}</td
						>
						<td class="text-sm"
							>{label.state === 'out of date' ? `would change: ${few(label.changes)}` : few(label.waits)}
							<Unsure
								unsure={label.unsure}
								href={data.who?.rights.includes('look')
									? `/sure/label/${label.id}${label.rules === data.kitchen.rules ? '' : `?rules=${label.rules}`}`
									: ''}
							/></td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
{/if}
<p class="caution mt-6">
	Figures come from calculation, not a laboratory. Local law decides what a label must say, which foods and
	channels are allowed; your authority or a licensed professional has the last word.
</p>
