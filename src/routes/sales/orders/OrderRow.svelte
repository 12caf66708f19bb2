<script lang="ts">
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { dayOfTime } from '$lib/day.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { dayText, money } from '$lib/format.ts';
	import type { Order } from '$lib/orders/types.ts';
	import Check from '$lib/ui/control/Check.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import OrderForm from './OrderForm.svelte';

	/** One order: what it is, and what may be done with it. */
	interface Props {
		order: Order;
		products: readonly { id: string; name: string; packPieces: number; price: string }[];
		places: readonly string[];
	}
	let { order, products, places }: Props = $props();
	const currency = $derived(page.data.kitchen.currency);
	let doing = $state<'' | 'change' | 'cancel' | 'hand'>('');
	let reason = $state('');
	let endSeries = $state(false);
	let paid = $state('');
	const cancel = draftForm<never>({
		saved: 'Order cancelled',
		sends: () => ({ id: order.id, version: order.version, reason, endSeries })
	});
	const hand = draftForm<never>({
		saved: 'Handed over',
		sends: () => ({ id: order.id, version: order.version, paid })
	});
	const WAYS = $derived(
		order.paidBy
			? ([['ahead', 'Hand it over, paid']] as const)
			: ([
					['cash', 'Cash'],
					['card', 'Card'],
					['owed', 'Owed']
				] as const)
	);
</script>

<li class="border-rule border-b py-3" data-testid="order">
	<div class="flex flex-wrap items-start justify-between gap-x-4 gap-y-1">
		<div class="min-w-0">
			<p>
				<b class="break-words">{order.customer || 'Nobody named'}</b>
				{#if order.weekly}<span class="text-quiet text-sm">every week</span>{/if}
				{#if order.state !== 'open'}<span class="text-quiet text-sm">{order.state}</span>{/if}
			</p>
			<p>
				{order.lines.map(({ packs, name, packPieces }) => `${packs} × ${name} (${packPieces})`).join(', ')}
			</p>
			<p class="text-quiet text-sm">
				{dayText(order.fetchedOn)}, {order.place}{order.note ? `. ${order.note}` : ''}
			</p>
		</div>
		<p class="text-right">
			<b class="figure">{money(order.total, currency)}</b>
			<span class={['block text-sm', order.paidBy ? 'text-squared' : 'text-attention-ink']}
				>{order.paidBy
					? `paid by ${order.paidBy}${order.paidOn ? `, ${dayText(order.paidOn)}` : ''}`
					: order.state === 'open'
						? 'to pay'
						: ''}</span
			>
		</p>
	</div>
	{#if order.state === 'open'}
		{#if doing === ''}
			<div class="mt-2 flex flex-wrap gap-2">
				<button type="button" class="button" onclick={() => (doing = 'hand')}>Hand over</button>
				<button type="button" class="button" onclick={() => (doing = 'change')}>Change</button>
				<button type="button" class="button" onclick={() => (doing = 'cancel')}>Cancel</button>
			</div>
		{:else if doing === 'hand'}
			<form
				method="POST"
				action="/sales/orders?/handOver"
				use:enhance={hand.enhance}
				class="mt-2 flex flex-wrap gap-2"
			>
				{#each WAYS as [value, words] (value)}
					<button
						class={['button', value !== 'owed' && 'button-main']}
						disabled={hand.saving || (value === 'owed' && order.customer === '')}
						onclick={() => (paid = value)}>{words}</button
					>
				{/each}
				<button type="button" class="button" onclick={() => (doing = '')}>Not yet</button>
			</form>
			<Problems problems={hand.problems} />
		{:else if doing === 'cancel'}
			<form
				method="POST"
				action="/sales/orders?/cancel"
				use:enhance={cancel.enhance}
				class="mt-2 max-w-xl space-y-2"
			>
				<Field label="Why (for the record)" bind:value={reason} error={cancel.at('reason')} maxlength={300} />
				{#if order.weekly}<Check bind:checked={endSeries}>not next week either: end it</Check>{/if}
				{#if order.paidBy}<p class="caution text-sm">
						It was paid: give {money(order.total, currency)} back.
					</p>{/if}
				<div class="flex gap-2">
					<button class="button" disabled={cancel.saving}>Cancel the order</button>
					<button type="button" class="button" onclick={() => (doing = '')}>Keep it</button>
				</div>
				<Problems problems={cancel.problems.filter(({ path }) => path === '')} />
			</form>
		{:else}
			<div class="bg-sheet border-rule mt-2 max-w-2xl border p-4">
				<OrderForm
					{order}
					draft={{ id: order.id, fetchedOn: order.fetchedOn, place: order.place }}
					{products}
					{places}
					{currency}
					ondone={() => (doing = '')}
				/>
			</div>
		{/if}
		{#if hand.stale || cancel.stale}<p role="alert" class="text-loss text-sm">
				Somebody changed this order: read it again.
			</p>{/if}
	{/if}
	<details class="text-sm">
		<summary class="text-quiet min-h-9 cursor-pointer py-1">What was done with it</summary>
		<ul>
			{#each order.history as { at, what, by }, nth (nth)}
				<li>
					<span class="figure">{dayText(dayOfTime(at, page.data.kitchen.timeZone))}</span>
					{what}{by ? `, ${by}` : ''}
				</li>
			{/each}
		</ul>
	</details>
</li>
