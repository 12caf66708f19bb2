<script lang="ts">
	import DayField from '$lib/ui/control/DayField.svelte';
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	/** Writing down a lot that came. */
	interface Props {
		draft: {
			id: string;
			ingredientId: string;
			material: string;
			supplier: string;
			supplierCode: string;
			receivedOn: string;
			received: string;
			amount: string;
			usable: string;
			bestBefore: string;
			note: string;
		};
		ingredients: { id: string; name: string }[];
		materials: string[];
		suppliers: string[];
		currency: string;
	}
	let { draft: fresh, ingredients, materials, suppliers, currency }: Props = $props();
	const PACKAGING = 'packaging';
	let draft = $state(untrack(() => ({ ...fresh })));
	let isPackaging = $state(untrack(() => fresh.material !== ''));
	let saved = false;
	const form = draftForm<never>({ saved: 'Received', onsaved: () => (saved = true) });
	$effect(() => {
		const { id } = fresh;
		if (!saved) return;
		saved = false;
		// The next of a delivery: from the same supplier on the same day.
		untrack(() => {
			const { supplier, receivedOn } = draft;
			draft = { ...fresh, id, ingredientId: '', supplier, receivedOn };
		});
	});
	const sent = $derived(
		isPackaging ? { ...draft, ingredientId: '', usable: '100' } : { ...draft, material: '' }
	);
</script>

<section
	aria-labelledby="receive"
	class="bg-sheet border-rule order-last self-start border p-4 lg:sticky lg:top-4 lg:order-none"
>
	<h2 id="receive">Receive a lot</h2>
	<form method="POST" action="/shelf/lots?/receive" use:enhance={form.enhance} class="mt-2 space-y-3">
		<input type="hidden" name="draft" value={JSON.stringify(sent)} />
		<Problems problems={form.problems} />
		<Choice
			label="Of"
			bind:value={
				() => (isPackaging ? PACKAGING : draft.ingredientId),
				(value) => {
					isPackaging = value === PACKAGING;
					draft.ingredientId = isPackaging ? '' : value;
				}
			}
			options={[
				{ value: '', text: 'choose an ingredient…' },
				{ value: PACKAGING, text: 'packaging: a bag, a label' },
				...ingredients.map(({ id, name }) => ({ value: id, text: name }))
			]}
			error={isPackaging ? '' : form.at('ingredientId') || form.at('material')}
		/>
		{#if isPackaging}
			<Field
				label="Which packaging"
				bind:value={draft.material}
				error={form.at('material')}
				hint="As the product names it"
				list="materials"
				maxlength={80}
			/>
			<datalist id="materials"
				>{#each materials as name, nth (nth)}<option value={name}></option>{/each}</datalist
			>
		{/if}
		<div class="grid grid-cols-2 items-start gap-3">
			<Field
				label={isPackaging ? 'Pieces' : 'How much'}
				bind:value={draft.received}
				error={form.at('received')}
				placeholder={isPackaging ? '200' : '22.68 kg'}
				inputmode={isPackaging ? 'numeric' : undefined}
			/>
			<Field
				label="Paid, {currency}"
				bind:value={draft.amount}
				error={form.at('amount')}
				inputmode="decimal"
				placeholder="may wait"
			/>
		</div>
		<Field
			label="Lot code on it"
			bind:value={draft.supplierCode}
			error={form.at('supplierCode')}
			hint="As printed: it is what a recall names"
			maxlength={60}
		/>
		<Field
			label="From"
			bind:value={draft.supplier}
			error={form.at('supplier')}
			list="suppliers"
			maxlength={120}
		/>
		<datalist id="suppliers"
			>{#each suppliers as name, nth (nth)}<option value={name}></option>{/each}</datalist
		>
		<div class="grid grid-cols-2 items-start gap-3">
			<DayField label="Received" bind:value={draft.receivedOn} error={form.at('receivedOn')} />
			<DayField label="Best before" bind:value={draft.bestBefore} error={form.at('bestBefore')} />
		</div>
		<div class="grid grid-cols-2 items-start gap-3">
			{#if !isPackaging}
				<Field
					label="Usable share"
					unit="%"
					bind:value={draft.usable}
					error={form.at('usable')}
					inputmode="decimal"
				/>
			{/if}
			<Field label="Note" bind:value={draft.note} error={form.at('note')} maxlength={300} />
		</div>
		<button class="button button-main w-full" disabled={form.saving}>Receive it</button>
	</form>
</section>
