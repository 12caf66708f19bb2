<script lang="ts">
	import type { Block } from '$core/label/blocks.ts';
	import type { ToAsk } from '$core/label/to-ask.ts';

	/** What keeps the label from being approved, each with the way to mend it. */
	interface Props {
		blocks: Block[];
		misfits: string[];
		/** What the maker has to ask about before it is sold. */
		asks: ToAsk[];
		touched: boolean;
		isSaved: boolean;
		formulaId: string;
		/** Goes to a field of the design. */
		onfield: (field: NonNullable<Block['field']>) => void;
	}
	let { blocks, misfits, asks, touched, isSaved, formulaId, onfield }: Props = $props();
	const all = $derived(blocks.length + misfits.length);
</script>

<section aria-labelledby="waits-heading">
	<h2 id="waits-heading">{all > 0 ? 'It waits for' : 'Nothing is missing'}</h2>
	{#if all > 0}
		<ul class="mt-1 space-y-1" data-testid="waits">
			{#each blocks as block, index (index)}
				<li class="text-attention-ink">
					{#if block.ingredient}
						<a href="/shelf/{block.ingredient}" class="font-semibold">{block.message}</a>
					{:else if block.field === 'profile'}
						<a href="/kitchen/profile" class="font-semibold">{block.message}</a>
					{:else if block.field === 'lines'}
						<a href="/formulas/{formulaId}" class="font-semibold">{block.message}</a>
					{:else if block.field === 'weights'}
						<a href="/batches" class="font-semibold">{block.message}</a>
					{:else if block.field}
						{@const field = block.field}
						<button type="button" class="text-left font-semibold underline" onclick={() => onfield(field)}
							>{block.message}</button
						>
					{:else}<b>{block.message}</b>{/if}
				</li>
			{/each}
			{#each misfits as misfit, index (index)}
				<li class="text-attention-ink">
					<button type="button" class="text-left font-semibold underline" onclick={() => onfield('size')}
						>{misfit}</button
					>
				</li>
			{/each}
		</ul>
	{:else}
		<p class="text-quiet">
			{touched || !isSaved
				? 'Save it, then approve it.'
				: 'Approving freezes what it says and the facts behind it.'}
		</p>
	{/if}
	{#if asks.length > 0}
		<h3 class="mt-3">To ask about</h3>
		<ul class="mt-1 max-w-prose space-y-1 text-sm" data-testid="asks">
			{#each asks as ask, index (index)}
				<li>
					{#if ask.field}
						{@const field = ask.field}
						<button type="button" class="text-left underline" onclick={() => onfield(field)}
							>{ask.message}</button
						>
					{:else}{ask.message}{/if}
				</li>
			{/each}
			<li class="text-quiet">
				What else your market asks is among the questions of <a href="/kitchen/profile">your local profile</a
				>.
			</li>
		</ul>
	{/if}
</section>
