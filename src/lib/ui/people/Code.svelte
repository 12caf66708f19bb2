<script lang="ts">
	import { toast } from 'svelte-sonner';

	/** An address that counts once, to point a camera at or to send. */
	let { address, picture, words }: { address: string; picture: string; words: string } = $props();
	async function copy(): Promise<void> {
		await navigator.clipboard.writeText(address);
		toast.success('Copied');
	}
</script>

<div class="bg-sheet border-edge mt-4 flex flex-wrap gap-4 border p-4" role="status" data-testid="code">
	<img src={picture} alt="The address as a QR code" class="size-56 border" />
	<div class="min-w-52 flex-1">
		<p>{words}</p>
		<p class="figure mt-2 text-sm break-all" data-testid="address">{address}</p>
		<button type="button" class="button mt-2" onclick={copy}>Copy the address</button>
	</div>
</div>
