<script lang="ts">
	import Radios from '$lib/ui/control/Radios.svelte';
	import { enhance } from '$app/forms';
	import { newSaleId } from '$lib/sales/till.svelte.ts';
	import { money, plural } from '$lib/format.ts';
	import type { Sale } from '$lib/sales/types.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { Dialog } from 'bits-ui';

	/**
	 * A sale is never edited. It is voided by an entry that says why, as if it had not been; or packs of it
	 * came back, which is an entry of its own.
	 */
	interface Props {
		sale: Sale;
		currency: string;
		today: string;
	}
	let { sale, currency, today }: Props = $props();
	let open = $state(false);
	const canReturn = $derived(sale.kind === 'sale' && sale.batchId !== null && sale.packs > sale.returned);
	let way = $state<'void' | 'return'>('void');
	let reason = $state('');
	let packs = $state('1');
	let thrownAway = $state('yes');
	/** Of the return: one sent twice is one, and the next time the dialog opens it is another. */
	const id = $derived(open ? newSaleId() : '');
	const form = draftForm<never>({
		saved: () => (way === 'void' ? 'Entry voided' : 'Return recorded'),
		onsaved: () => (open = false)
	});
	const draft = $derived(
		way === 'void'
			? { saleId: sale.id, reason }
			: { id, saleId: sale.id, packs, soldOn: today, reason, thrownAway: thrownAway === 'yes' }
	);
</script>

<Dialog.Root bind:open>
	<Dialog.Trigger
		class="min-h-9 px-1 text-sm underline"
		aria-label="Take back {plural(Math.abs(sale.packs), 'pack')} of {sale.product}, {sale.batchCode ||
			'no batch known'}">Take back</Dialog.Trigger
	>
	<Dialog.Portal>
		<Dialog.Overlay class="bg-ink/30 fixed inset-0 z-20" />
		<Dialog.Content
			class="bg-sheet border-ink fixed top-[10vh] left-1/2 z-20 max-h-[85vh] w-[min(28rem,94vw)] -translate-x-1/2 overflow-y-auto border p-5"
		>
			<Dialog.Title class="text-lg font-bold">Take this entry back?</Dialog.Title>
			<Dialog.Description class="mt-2">
				{plural(Math.abs(sale.packs), 'pack')} of {sale.product}{#if sale.batchId}, batch
					<span class="figure">{sale.batchCode}</span>{/if}, {money(sale.total, currency)}. Both entries stay
				in the ledger.
			</Dialog.Description>
			<form
				method="POST"
				action="?/{way === 'void' ? 'void' : 'comeBack'}"
				use:enhance={form.enhance}
				class="mt-4 space-y-3"
			>
				<input type="hidden" name="draft" value={JSON.stringify(draft)} />
				<Problems problems={form.problems.filter((problem) => !['reason', 'packs'].includes(problem.path))} />
				{#if canReturn}
					<fieldset class="space-y-1">
						<legend class="mb-1 text-sm font-medium">What happened</legend>
						<Radios
							label="What happened"
							bind:value={way}
							options={[
								{ value: 'void', text: 'It was entered by mistake' },
								{ value: 'return', text: 'Packs came back and the money was given back' }
							]}
						/>
					</fieldset>
				{/if}
				{#if way === 'return'}
					<Field
						label="Packs that came back"
						bind:value={packs}
						error={form.at('packs')}
						hint="At most {sale.packs - sale.returned}"
						inputmode="numeric"
					/>
					<fieldset class="space-y-1">
						<legend class="mb-1 text-sm font-medium">Where they are now</legend>
						<Radios
							label="Where they are now"
							bind:value={thrownAway}
							options={[
								{ value: 'yes', text: 'Thrown away' },
								{ value: 'no', text: 'For sale again' }
							]}
						/>
					</fieldset>
					{#if thrownAway === 'no'}
						<p class="caution">
							Food that was out of your hands is usually not sold again, and local codes may forbid it: only
							what never left your sight, sealed as it was.
						</p>
					{/if}
				{/if}
				<Field
					label="Why"
					bind:value={reason}
					error={form.at('reason')}
					maxlength={300}
					placeholder={way === 'void' ? 'entered twice' : 'the bag was torn'}
				/>
				<div class="flex gap-2">
					<button class="button button-main" disabled={form.saving}
						>{way === 'void' ? 'Void it' : 'Record the return'}</button
					>
					<Dialog.Close class="button" type="button">Keep it</Dialog.Close>
				</div>
			</form>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
