<script lang="ts">
	import type { Attention } from '$lib/kitchen/today.ts';

	/** What wants looking at: what can hurt somebody or says what is not true comes first and is marked. */
	let { items, class: place = '' }: { items: readonly Attention[]; class?: string } = $props();
	const grave = $derived(items.filter((item) => item.grave));
	const others = $derived(items.filter((item) => !item.grave));
</script>

{#snippet list(some: readonly Attention[])}
	<ul>
		{#each some as item, index (index)}
			<li class="border-rule border-b last:border-b-0">
				<a href={item.href} class="hover:bg-sheet block min-h-11 py-2 no-underline">
					<span class="block font-semibold break-words">{item.what}</span>
					<span class={['block text-sm break-words', item.grave ? 'text-loss' : 'text-quiet']}
						>{item.why}</span
					>
				</a>
			</li>
		{/each}
	</ul>
{/snippet}

<section aria-labelledby="attention" class={place} data-testid="attention">
	<h2 id="attention">To look at</h2>
	{#if items.length === 0}
		<p class="text-quiet mt-1">
			Nothing: every label stands, no lot or pack is past its date, and every batch that was made is closed.
		</p>
	{/if}
	{#if grave.length > 0}
		<div class="border-loss mt-2 border-l-4 pl-3">
			<p class="text-loss pt-1 text-sm font-semibold">Before anything is sold</p>
			{@render list(grave)}
		</div>
	{/if}
	{#if others.length > 0}
		<div class={['border-attention border-l-4 pl-3', grave.length > 0 ? 'mt-4' : 'mt-2']}>
			{@render list(others)}
		</div>
	{/if}
	{#if grave.length > 0}
		<p class="text-quiet mt-3 text-sm">
			What is past its date or wrongly labelled is not sold. What has to be done with it is for your local
			authority’s rules to say.
		</p>
	{/if}
</section>
