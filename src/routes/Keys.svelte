<script lang="ts">
	import { Dialog } from 'bits-ui';

	/** `?`: what the keys do. */
	let { open = $bindable() }: { open: boolean } = $props();
	const KEYS = [
		['Ctrl K or ⌘ K', 'find anything, start anything'],
		['Tab and Shift Tab', 'from field to field'],
		['↑ ↓ ← →, on a sheet', 'from cell to cell'],
		['Enter, on a sheet', 'to the line below; on the last, a new line'],
		['Alt ↑ and Alt ↓, on a sheet', 'move the line, past its stage too'],
		['Alt Enter, on a sheet', 'more of the line: use, stage, what stays on; Esc back'],
		['Ctrl ⌫, on a sheet', 'remove the line'],
		['Ctrl Z and Ctrl Y', 'undo and redo on a sheet'],
		['← →, on a plan', 'move a thing by five minutes and pin it; with Shift by one'],
		['Enter, on a plan', 'pin a thing where it is, or let it go'],
		['Enter, at a station', 'take what the scale shows'],
		['Ctrl S or ⌘ S', 'keep a version of the sheet; save a record'],
		['?', 'this list']
	];
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class="bg-ink/30 fixed inset-0 z-20" />
		<Dialog.Content
			class="bg-sheet border-ink fixed top-[15vh] left-1/2 z-20 w-[min(30rem,94vw)] -translate-x-1/2 border p-5"
		>
			<Dialog.Title class="text-lg font-bold">Keys</Dialog.Title>
			<dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
				{#each KEYS as [key, what] (key)}
					<dt class="figure text-sm">{key}</dt>
					<dd>{what}</dd>
				{/each}
			</dl>
			<Dialog.Close class="button mt-5">Close</Dialog.Close>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
