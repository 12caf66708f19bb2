<script lang="ts">
	import { enhance } from '$app/forms';
	import { allowsChannel } from '$core/profile/profile.ts';
	import { readCount, readMoney } from '$core/measure/reading.ts';
	import { money, plural } from '$lib/format.ts';
	import type { BatchLeft } from '$lib/server/batches/left.ts';
	import Choice from '$lib/ui/Choice.svelte';
	import { draftForm } from '$lib/ui/draft-form.svelte.ts';
	import Field from '$lib/ui/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { Decimal } from 'decimal.js';
	import { untrack } from 'svelte';

	/** One entry of the ledger: an order, a delivery, a gift, what is written off. */
	interface Props {
		draft: {
			id: string;
			kind: string;
			batchId: string;
			soldOn: string;
			channel: string;
			packs: string;
			price: string;
			paidBy: string;
			customer: string;
			reason: string;
		};
		available: BatchLeft[];
		channels: string[];
		allowedChannels: string[];
		currency: string;
	}
	let { draft: fresh, available, channels, allowedChannels, currency }: Props = $props();
	let draft = $state(untrack(() => ({ ...fresh })));
	/** The next entry has an id of its own; day and place stay, as at a stall. */
	let nextId = $derived(fresh.id);
	let saved = false;
	const form = draftForm<never>({ saved: 'Recorded', onsaved: () => (saved = true) });
	$effect(() => {
		const id = nextId;
		if (!saved) return;
		saved = false;
		untrack(() => (draft = { ...draft, id, batchId: '', packs: '1', price: '', customer: '', reason: '' }));
	});

	const chosen = $derived(available.find((batch) => batch.id === draft.batchId));
	function choose() {
		if (chosen?.price) draft.price = chosen.price;
	}
	const isSale = $derived(draft.kind === 'sale');
	const packs = $derived(readCount(draft.packs));
	const price = $derived(readMoney(draft.price));
	const total = $derived(
		isSale && packs.ok && price.ok ? new Decimal(price.value).times(packs.value).toFixed(2) : null
	);
	const tooMany = $derived(
		chosen && packs.ok && packs.value > chosen.packsLeft
			? `batch ${chosen.code} has ${plural(chosen.packsLeft, 'pack')} left`
			: ''
	);
	const KINDS = [
		{ value: 'sale', text: 'sold' },
		{ value: 'gift', text: 'given away' },
		{ value: 'sample', text: 'opened for tasting' },
		{ value: 'written off', text: 'written off: unsold, spoiled' }
	];
	const BUTTON: Record<string, string> = {
		sale: 'Record the sale',
		gift: 'Record the gift',
		sample: 'Record the sample',
		'written off': 'Write them off'
	};
</script>

<section aria-labelledby="new-sale" class="bg-sheet border-rule self-start border p-4 lg:sticky lg:top-4">
	<h2 id="new-sale">Record one entry</h2>
	{#if available.length === 0}
		<p class="text-quiet mt-2">No batch has packs left. Packs appear here when a batch is recorded.</p>
	{:else}
		<form method="POST" action="/sales?/sell" use:enhance={form.enhance} class="mt-2 space-y-3">
			<input type="hidden" name="draft" value={JSON.stringify(draft)} />
			<Problems problems={form.problems} />
			<Choice label="They were" bind:value={draft.kind} options={KINDS} error={form.at('kind')} />
			<Choice
				label="Packs of"
				bind:value={draft.batchId}
				onchange={choose}
				options={[
					{ value: '', text: 'choose a batch…' },
					...available.map((batch) => ({
						value: batch.id,
						text: `${batch.name}, ${batch.code} (${batch.packsLeft} left)`
					}))
				]}
				error={form.at('batchId')}
			/>
			<div class="grid grid-cols-2 items-start gap-3">
				<Field
					label="Packs"
					bind:value={draft.packs}
					error={tooMany || (packs.ok || draft.packs === '' ? '' : packs.message) || form.at('packs')}
					inputmode="numeric"
				/>
				{#if isSale}
					<Field
						label="Price a pack"
						bind:value={draft.price}
						error={(price.ok || draft.price === '' ? '' : price.message) || form.at('price')}
						inputmode="decimal"
					/>
				{/if}
			</div>
			<div class="grid grid-cols-2 items-start gap-3">
				<Field label="Day" type="date" bind:value={draft.soldOn} error={form.at('soldOn')} />
				{#if isSale}
					<Choice
						label="Paid"
						bind:value={draft.paidBy}
						options={[
							{ value: 'cash', text: 'cash' },
							{ value: 'card', text: 'card' },
							{ value: 'owed', text: 'owed' }
						]}
						error={form.at('paidBy')}
					/>
				{/if}
			</div>
			<Field
				label="Where"
				bind:value={draft.channel}
				error={form.at('channel')}
				warning={allowsChannel({ channels: allowedChannels }, draft.channel) === false &&
				draft.channel.trim() !== ''
					? 'not among the ways your local profile lists: ask your authority first'
					: ''}
				list="channels"
				maxlength={60}
				placeholder="market, door, delivery"
			/>
			<datalist id="channels"
				>{#each channels as channel (channel)}<option value={channel}></option>{/each}</datalist
			>
			{#if draft.kind === 'written off'}
				<Field
					label="Why"
					bind:value={draft.reason}
					error={form.at('reason')}
					maxlength={300}
					placeholder="unsold"
				/>
			{:else}
				<Field
					label={draft.paidBy === 'owed' && isSale ? 'Who owes it' : 'For whom'}
					bind:value={draft.customer}
					error={form.at('customer')}
					maxlength={120}
					placeholder={draft.paidBy === 'owed' && isSale ? '' : 'may stay empty'}
				/>
			{/if}
			{#if isSale}
				<p class="flex items-baseline justify-between">
					<span>Together</span><span class="figure text-2xl font-semibold" data-testid="sale-total"
						>{total === null ? '–' : money(total, currency)}</span
					>
				</p>
			{/if}
			<button class="button button-main w-full" disabled={form.saving}>{BUTTON[draft.kind]}</button>
		</form>
	{/if}
</section>
