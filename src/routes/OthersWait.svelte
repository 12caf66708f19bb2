<script lang="ts">
	import { plural } from '$lib/format.ts';
	import { lookAtOthers, type OthersHere } from '$lib/left/hand-over.ts';

	/** What somebody else entered on this device and the server does not have: whoever is in sees that it waits. */
	let { as }: { as: string } = $props();
	let here = $state.raw<OthersHere | null>(null);
	$effect(() => {
		let isOver = false;
		void lookAtOthers(as).then((found) => {
			if (!isOver) here = found;
		});
		return () => (isOver = true);
	});
</script>

{#if here}
	{#each here.waiting as { name, count } (name)}
		<p class="bg-sheet border-rule mb-3 border-l-4 px-4 py-2" role="status">
			{plural(count, 'entry', 'entries')} of {name}
			{count === 1 ? 'waits' : 'wait'} on this device, and {count === 1 ? 'is' : 'are'} sent once {name} is in.
		</p>
	{/each}
	{#each here.handed.filter(({ count }) => count > 0) as { name, count } (name)}
		<p class="bg-sheet border-attention mb-3 border-l-4 px-4 py-2" role="status">
			{plural(count, 'entry', 'entries')} of {name}, who cannot send {count === 1 ? 'it' : 'them'} any more,
			{count === 1 ? 'was' : 'were'} handed to the owner.
		</p>
	{/each}
	{#if here.elsewhere > 0}
		<p class="bg-sheet border-rule mb-3 border-l-4 px-4 py-2" role="status">
			{plural(here.elsewhere, 'entry', 'entries')} of people of another kitchen
			{here.elsewhere === 1 ? 'waits' : 'wait'} on this device.
		</p>
	{/if}
{/if}
