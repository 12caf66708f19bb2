<script lang="ts">
	import { Dialog } from 'bits-ui';
	import { proving } from '$lib/people/proving.svelte.ts';
	import Prove from '$lib/ui/people/Prove.svelte';

	/** The one dialog that asks for a proof before something dear; what was typed meanwhile stays where it is. */
</script>

<Dialog.Root bind:open={() => proving.isAsked, (open) => open || proving.settle(false)}>
	<Dialog.Portal>
		<Dialog.Overlay class="bg-ink/40 fixed inset-0 z-40" />
		<Dialog.Content
			class="bg-sheet border-edge fixed top-1/2 left-1/2 z-50 max-h-[90vh] w-[min(28rem,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 overflow-auto border p-5 outline-none"
		>
			<Dialog.Title class="text-xl font-bold">Confirm it is you</Dialog.Title>
			<Dialog.Description class="text-quiet mt-1">You are not asked again for ten minutes.</Dialog.Description
			>
			<Prove onproved={() => proving.settle(true)} oncancel={() => proving.settle(false)} />
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
