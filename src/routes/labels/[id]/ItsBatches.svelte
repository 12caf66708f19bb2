<script lang="ts">
	import { dayText, plural } from '$lib/format.ts';
	import { mayHere } from '$lib/people/may-here.ts';

	/** The newest batches of the product, and whether what they hold is what their label says. */
	interface Props {
		batches: readonly {
			id: string;
			code: string;
			madeOn: string;
			packsLeft: number;
			held: readonly string[];
		}[];
	}
	let { batches }: Props = $props();
	const SHOWN = 5;
</script>

<section aria-labelledby="its-batches-heading">
	<h2 id="its-batches-heading">Its batches</h2>
	<ul class="mt-1 space-y-1 text-sm">
		{#each batches.slice(0, SHOWN) as batch (batch.id)}
			<li>
				{#if mayHere('make')}<a href="/batches/{batch.id}/pack" class="figure underline">{batch.code}</a>
				{:else}<span class="figure">{batch.code}</span>{/if}
				{#if batch.held.length === 0}
					<span class="bg-squared mx-1 inline-block size-3" aria-hidden="true"></span>
					<span class="text-quiet">{dayText(batch.madeOn)}: its label says what it holds</span>
				{:else}
					<b class="text-loss"
						>{batch.held.join('; ')}{batch.packsLeft > 0
							? `: ${plural(batch.packsLeft, 'pack', 'packs')} held`
							: ''}</b
					>
				{/if}
			</li>
		{:else}
			<li class="text-quiet">None was made yet.</li>
		{/each}
	</ul>
</section>
