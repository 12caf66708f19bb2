<script lang="ts">
	import { enhance } from '$app/forms';
	import { money, plural } from '$lib/format.ts';
	import type { Sale } from '$lib/server/sales.ts';
	import { draftForm } from '$lib/ui/draft-form.svelte.ts';
	import Field from '$lib/ui/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { Dialog } from 'bits-ui';

	/** A sale is never edited: it is voided by an entry that says why, and its packs go back to the batch. */
	let { sale, currency }: { sale: Sale; currency: string } = $props();
	let open = $state(false);
	let reason = $state('');
	const form = draftForm<never>({
		saved: 'Voided: its packs are back in the batch',
		onsaved: () => (open = false)
	});
</script>

<Dialog.Root bind:open>
	<Dialog.Trigger
		class="min-h-9 px-1 text-sm underline"
		aria-label="Void {plural(sale.packs, 'pack')} of {sale.product}, {sale.batchCode}">Void</Dialog.Trigger
	>
	<Dialog.Portal>
		<Dialog.Overlay class="bg-ink/30 fixed inset-0 z-20" />
		<Dialog.Content
			class="bg-sheet border-ink fixed top-[15vh] left-1/2 z-20 w-[min(28rem,94vw)] -translate-x-1/2 border p-5"
		>
			<Dialog.Title class="text-lg font-bold">Void this sale?</Dialog.Title>
			<Dialog.Description class="mt-2">
				{plural(sale.packs, 'pack')} of {sale.product}, batch <span class="figure">{sale.batchCode}</span>, {money(
					sale.total,
					currency
				)}. Both entries stay in the ledger.
			</Dialog.Description>
			<form method="POST" action="?/void" use:enhance={form.enhance} class="mt-4">
				<input type="hidden" name="draft" value={JSON.stringify({ saleId: sale.id, reason })} />
				<Problems problems={form.problems.filter((problem) => problem.path !== 'reason')} />
				<Field
					label="Why"
					bind:value={reason}
					error={form.at('reason')}
					maxlength={300}
					placeholder="entered twice"
				/>
				<div class="mt-4 flex gap-2">
					<button class="button button-main" disabled={form.saving}>Void it</button>
					<Dialog.Close class="button" type="button">Keep it</Dialog.Close>
				</div>
			</form>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
