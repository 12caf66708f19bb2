<script lang="ts">
	import { plain } from '$lib/format.ts';
	import type { NearLimit } from '$lib/kitchen/limits.ts';

	/** Said on every page: that the kitchen is closed, or near what it may take of the installation. */
	interface Props {
		isClosed: boolean;
		near: readonly NearLimit[];
		/** Whether whoever reads this can do something about it. */
		mayChange: boolean;
	}
	let { isClosed, near, mayChange }: Props = $props();
	const worst = $derived(near[0]);
	const PERCENT = 100;
	const isFull = $derived(near.some(({ name, share }) => name !== 'requests' && share >= 1));
	const WORDS = {
		rows: 'rows it may keep here',
		bytes: 'room it may take here',
		requests: 'requests it may make in a minute'
	};
</script>

{#if isClosed}
	<p class="bg-sheet border-loss mb-3 border-l-4 px-4 py-2 print:hidden" role="status">
		<b>This kitchen is closed.</b> It is read, and nothing in it is changed.
		{#if mayChange}<a href="/kitchen/data">Open it again</a>{/if}
	</p>
{/if}
{#if worst}
	<p class="bg-sheet border-attention mb-3 border-l-4 px-4 py-2 print:hidden" role="status">
		<b
			>{isFull ? 'This kitchen is full' : 'This kitchen is near a limit'}: {plain(
				Math.floor(PERCENT * worst.share)
			)} % of the {WORDS[worst.name]}.</b
		>
		{isFull
			? 'Nothing new is begun; what is begun goes on.'
			: worst.name === 'requests'
				? 'Beyond it everybody waits until the minute is over.'
				: 'At the limit nothing new can be begun.'}
		<a href="/kitchen/data">What it takes</a>
	</p>
{/if}
