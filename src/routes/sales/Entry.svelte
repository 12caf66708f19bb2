<script lang="ts">
	import DayField from '$lib/ui/control/DayField.svelte';
	import { enhance } from '$app/forms';
	import { Money, sumMoney } from '$core/cost/money.ts';
	import { allowsChannel } from '$core/profile/profile.ts';
	import { readCount, readMoney } from '$core/measure/reading.ts';
	import { newSaleId } from '$lib/sales/till.svelte.ts';
	import { money, plural } from '$lib/format.ts';
	import type { BatchLeft } from '$lib/batch/left.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	/** What one customer got, an order or a delivery of several breads too; a gift, what is written off. */
	interface Line {
		id: string;
		batchId: string;
		packs: string;
		price: string;
	}
	interface Props {
		draft: {
			kind: string;
			lines: Omit<Line, 'id'>[];
			soldOn: string;
			channel: string;
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
	const blank = (): Line => ({ id: newSaleId(), batchId: '', packs: '1', price: '' });
	let draft = $state(
		untrack(() => ({ ...fresh, lines: fresh.lines.map((line) => ({ ...line, id: newSaleId() })) }))
	);
	const form = draftForm<never>({
		saved: () => SAID[draft.kind] ?? 'Recorded',
		// Day and place stay, as at a stall; the next lines are others.
		onsaved: () => (draft = { ...draft, lines: [blank()], customer: '', reason: '' })
	});

	const batchOf = (line: Line) => available.find((batch) => batch.id === line.batchId);
	function choose(line: Line) {
		const price = batchOf(line)?.price;
		if (price) line.price = price;
	}
	const isSale = $derived(draft.kind === 'sale');
	const read = $derived(
		draft.lines.map((line) => ({ packs: readCount(line.packs), price: readMoney(line.price) }))
	);
	const total = $derived(
		isSale && read.every(({ packs, price }) => packs.ok && price.ok)
			? sumMoney(
					read.map(({ packs, price }) =>
						packs.ok && price.ok ? new Money(price.value).times(packs.value) : new Money(0)
					)
				).toFixed(2)
			: null
	);
	function tooMany(line: Line, index: number): string {
		const batch = batchOf(line);
		const packs = read[index]?.packs;
		if (!batch || !packs?.ok) return '';
		const others = draft.lines.reduce((sum, other, at) => {
			const said = read[at]?.packs;
			return at !== index && other.batchId === line.batchId && said?.ok ? sum + said.value : sum;
		}, 0);
		return packs.value + others > batch.packsLeft
			? `batch ${batch.code} has ${plural(batch.packsLeft, 'pack')} left`
			: '';
	}
	/** Which line a field belongs to, where there are several. */
	const ofLine = (index: number) => (index === 0 ? '' : `, line ${index + 1}`);
	const KINDS = [
		{ value: 'sale', text: 'sold' },
		{ value: 'gift', text: 'given away' },
		{ value: 'sample', text: 'opened for tasting' },
		{ value: 'written off', text: 'written off: unsold, spoiled' }
	];
	const SAID: Record<string, string> = {
		sale: 'Sale recorded',
		gift: 'Gift recorded',
		sample: 'Sample recorded',
		'written off': 'Written off'
	};
	const BUTTON: Record<string, string> = {
		sale: 'Record the sale',
		gift: 'Record the gift',
		sample: 'Record the sample',
		'written off': 'Write them off'
	};
</script>

<section aria-labelledby="new-sale" class="bg-sheet border-rule self-start border p-4 lg:sticky lg:top-4">
	<h2 id="new-sale">Record an order, a delivery, a gift</h2>
	{#if available.length === 0}
		<p class="text-quiet mt-2">No batch has packs left. Packs appear here when a batch is recorded.</p>
	{:else}
		<form method="POST" action="/sales?/sell" use:enhance={form.enhance} class="mt-2 space-y-3">
			<input type="hidden" name="draft" value={JSON.stringify(draft)} />
			<Problems problems={form.problems} />
			<Choice label="They were" bind:value={draft.kind} options={KINDS} error={form.at('kind')} />
			{#each draft.lines as line, index (line.id)}
				<div class={index === 0 ? 'space-y-3' : 'border-rule space-y-3 border-t pt-3'}>
					<Choice
						label="Packs of{ofLine(index)}"
						bind:value={line.batchId}
						onchoose={() => choose(line)}
						options={[
							{ value: '', text: 'choose a batch…' },
							...available.map((batch) => ({
								value: batch.id,
								text: `${batch.name}, ${batch.code} (${batch.packsLeft} left)`
							}))
						]}
						error={form.at(`lines[${index}].batchId`)}
					/>
					{#if (batchOf(line)?.held.length ?? 0) > 0}
						<p class="border-loss bg-loss-pale border-l-4 px-3 py-2 text-sm font-semibold" role="alert">
							Held: {batchOf(line)?.held.join('; ')}. What the bag does not say can make somebody ill: tell
							them, or do not hand it over.
						</p>
					{/if}
					<div class="grid grid-cols-2 items-start gap-3">
						<Field
							label="Packs{ofLine(index)}"
							bind:value={line.packs}
							error={tooMany(line, index) ||
								(read[index]?.packs.ok || line.packs === ''
									? ''
									: (read[index]?.packs as { message: string }).message) ||
								form.at(`lines[${index}].packs`)}
							inputmode="numeric"
						/>
						{#if isSale}
							<Field
								label="Price a pack{ofLine(index)}"
								bind:value={line.price}
								error={(read[index]?.price.ok || line.price === ''
									? ''
									: (read[index]?.price as { message: string }).message) || form.at(`lines[${index}].price`)}
								inputmode="decimal"
							/>
						{/if}
					</div>
					{#if draft.lines.length > 1}
						<button
							type="button"
							class="min-h-9 text-sm underline"
							onclick={() => (draft.lines = draft.lines.filter((each) => each !== line))}
							aria-label="Take out line {index + 1}">Take this out</button
						>
					{/if}
				</div>
			{/each}
			<button type="button" class="min-h-9 text-sm underline" onclick={() => draft.lines.push(blank())}
				>Another bread for the same customer</button
			>
			<div class="grid grid-cols-[1.35fr_1fr] items-start gap-3">
				<DayField label="Day" bind:value={draft.soldOn} error={form.at('soldOn')} />
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
				>{#each channels as channel, nth (nth)}<option value={channel}></option>{/each}</datalist
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
