<script lang="ts">
	import { plain } from '$lib/format.ts';

	/** Said on every page: that the kitchen is closed, or near what it may take of the installation. */
	interface Props {
		isClosed: boolean;
		near: readonly { name: 'rows' | 'bytes'; share: number }[];
		/** Whether whoever reads this can do something about it. */
		mayChange: boolean;
	}
	let { isClosed, near, mayChange }: Props = $props();
	const worst = $derived(near[0]);
	const PERCENT = 100;
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
			>{worst.share >= 1 ? 'This kitchen is full' : 'This kitchen is nearly full'}: {plain(
				Math.floor(PERCENT * worst.share)
			)} % of the {worst.name === 'rows' ? 'rows' : 'room'} it may take here.</b
		>
		{worst.share >= 1
			? 'Nothing new is begun; what is begun goes on.'
			: 'At the limit nothing new can be begun.'}
		<a href="/kitchen/data">What it takes</a>
	</p>
{/if}
