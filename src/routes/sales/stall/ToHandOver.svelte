<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { dayText, money, plural } from '$lib/format.ts';
	import type { Order } from '$lib/orders/types.ts';
	import Problems from '$lib/ui/Problems.svelte';

	/** Orders that are fetched here today, or should have been: handed over in two presses. */
	interface Props {
		orders: readonly Order[];
		day: string;
		currency: string;
		/** What this device sold is still on its way: packs are counted once it is there. */
		waits: boolean;
	}
	let { orders, day, currency, waits }: Props = $props();
	let chosen = $state('');
	let paid = $state('');
	const form = draftForm<never>({
		saved: 'Handed over',
		sends: () => ({ id: chosen, version: orders.find(({ id }) => id === chosen)?.version ?? 1, paid }),
		onsaved: () => (chosen = '')
	});
	const waysOf = ({ paidBy }: Order): [value: string, words: string][] =>
		paidBy
			? [['ahead', 'Hand it over']]
			: [
					['cash', 'Cash'],
					['card', 'Card'],
					['owed', 'Owed']
				];
	const packsOf = ({ lines }: Order) => lines.map(({ packs, name }) => `${packs} × ${name}`).join(', ');
</script>

{#if orders.length > 0}
	<section class="mb-4" aria-labelledby="hand-over">
		<h2 id="hand-over">{plural(orders.length, 'order')} to hand over</h2>
		<ul class="mt-1 grid gap-2 lg:grid-cols-2">
			{#each orders as order (order.id)}
				<li
					class={['bg-sheet border-2 p-3', chosen === order.id ? 'border-action' : 'border-edge']}
					data-testid="order"
				>
					<div class="flex flex-wrap items-start justify-between gap-2">
						<p class="min-w-0">
							<b class="break-words">{order.customer || 'Nobody named'}</b>
							{#if order.fetchedOn < day}<span class="text-attention-ink text-sm"
									>for {dayText(order.fetchedOn)}</span
								>{/if}
							<span class="block break-words">{packsOf(order)}</span>
							{#if order.note !== ''}<span class="text-quiet block text-sm break-words">{order.note}</span
								>{/if}
						</p>
						<p class="text-right">
							<b class="figure text-xl">{money(order.total, currency)}</b>
							<span class={['block text-sm', order.paidBy ? 'text-squared' : 'text-attention-ink']}
								>{order.paidBy ? `paid by ${order.paidBy}` : 'to pay'}</span
							>
						</p>
					</div>
					{#if chosen === order.id}
						<form
							method="POST"
							action="/sales/orders?/handOver"
							use:enhance={form.enhance}
							class="mt-2 flex flex-wrap gap-2"
						>
							{#each waysOf(order) as [value, words] (value)}
								<button
									class={['button flex-1 py-3', value !== 'owed' && 'button-main']}
									disabled={form.saving || waits || (value === 'owed' && order.customer === '')}
									onclick={() => (paid = value)}>{words}</button
								>
							{/each}
							<button type="button" class="button py-3" onclick={() => (chosen = '')}>Not yet</button>
						</form>
						<Problems problems={form.problems} />
						{#if form.stale}<p role="alert" class="text-loss text-sm">
								Somebody changed this order: read it again.
							</p>{/if}
					{:else}
						<button type="button" class="button mt-2 min-h-12 w-full" onclick={() => (chosen = order.id)}
							>Hand over</button
						>
					{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}
