<script lang="ts">
	import { enhance } from '$app/forms';
	import { untrack } from 'svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { Order } from '$lib/orders/types.ts';
	import Check from '$lib/ui/control/Check.svelte';
	import Choice from '$lib/ui/control/Choice.svelte';
	import DayField from '$lib/ui/control/DayField.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** Taking an order, or changing one. */
	interface Props {
		/** What is changed; null takes a new one. */
		order: Order | null;
		draft: { id: string; fetchedOn: string; place: string };
		products: readonly { id: string; name: string; packPieces: number; price: string }[];
		places: readonly string[];
		currency: string;
		ondone?: () => void;
	}
	let { order, draft, products, places, currency, ondone }: Props = $props();
	const own = $props.id();
	interface Line {
		productId: string;
		packs: string;
		price: string;
	}
	const firstLine = (): Line => ({
		productId: products[0]?.id ?? '',
		packs: '1',
		price: products[0]?.price ?? ''
	});
	const blank = () => ({
		customer: order?.customer ?? '',
		fetchedOn: order?.fetchedOn ?? draft.fetchedOn,
		place: order?.place ?? draft.place,
		note: order?.note ?? '',
		weekly: order?.weekly ?? false,
		paid: (order?.paidBy ?? '') as string,
		lines: order
			? order.lines.map(({ productId, packs, price }): Line => ({ productId, packs: String(packs), price }))
			: [firstLine()]
	});
	let typed = $state(untrack(blank));
	const form = draftForm<Order>({
		saved: untrack(() => (order ? 'Order changed' : 'Order taken')),
		sends: () =>
			order
				? { id: order.id, version: order.version, ...$state.snapshot(typed) }
				: { id: draft.id, ...$state.snapshot(typed) },
		onsaved: () => {
			if (!order) typed = blank();
			ondone?.();
		}
	});
	const nameOf = (id: string) => products.find((product) => product.id === id)?.name ?? 'it';
	function add() {
		const next = products.find(({ id }) => !typed.lines.some(({ productId }) => productId === id));
		if (next) typed.lines = [...typed.lines, { productId: next.id, packs: '1', price: next.price }];
	}
</script>

<form
	method="POST"
	action="/sales/orders?/{order ? 'change' : 'take'}"
	use:enhance={form.enhance}
	class="space-y-3"
	aria-label={order ? 'Change the order' : 'Take an order'}
>
	<Problems problems={form.problems.filter(({ path }) => path === '' || path === 'lines')} />
	{#if form.stale}<p role="alert" class="text-loss">
			Somebody changed this order meanwhile: close it and open it again.
		</p>{/if}
	<Field
		label="For whom"
		hint="Only if they agree to be written down"
		bind:value={typed.customer}
		error={form.at('customer')}
		maxlength={120}
	/>
	<div class="grid gap-3 sm:grid-cols-2">
		<DayField label="Fetched on" bind:value={typed.fetchedOn} error={form.at('fetchedOn')} />
		<Field
			label="Where"
			bind:value={typed.place}
			error={form.at('place')}
			list="{own}-places"
			maxlength={60}
		/>
		<datalist id="{own}-places"
			>{#each places as each (each)}<option value={each}></option>{/each}</datalist
		>
	</div>
	<ul class="space-y-2">
		{#each typed.lines as line, nth (nth)}
			<li class="flex flex-wrap items-end gap-2">
				<Field
					label="Packs"
					bind:value={line.packs}
					error={form.at(`lines[${nth}].packs`)}
					inputmode="numeric"
					class="w-20"
				/>
				<Choice
					label="Of what"
					bind:value={line.productId}
					options={products.map(({ id, name, packPieces }) => ({
						value: id,
						text: `${name} × ${packPieces}`
					}))}
					onchoose={(id) => (line.price = products.find((product) => product.id === id)?.price ?? line.price)}
					error={form.at(`lines[${nth}].productId`)}
					class="order-first basis-full"
				/>
				<Field
					label="Each"
					unit={currency}
					bind:value={line.price}
					error={form.at(`lines[${nth}].price`)}
					inputmode="decimal"
					class="w-28"
				/>
				{#if typed.lines.length > 1}
					<button
						type="button"
						class="button min-w-11"
						aria-label="No {nameOf(line.productId)} after all"
						onclick={() => (typed.lines = typed.lines.filter((_, at) => at !== nth))}>−</button
					>
				{/if}
			</li>
		{/each}
	</ul>
	{#if typed.lines.length < products.length}<button type="button" class="button" onclick={add}
			>Something else too</button
		>{/if}
	<div class="grid gap-3 sm:grid-cols-2">
		<Choice
			label="Paid"
			bind:value={typed.paid}
			options={[
				{ value: '', text: 'when it is fetched' },
				{ value: 'cash', text: 'already, in cash' },
				{ value: 'card', text: 'already, by card' }
			]}
		/>
		<Check bind:checked={typed.weekly}>the same every week</Check>
	</div>
	<Field label="Note" bind:value={typed.note} error={form.at('note')} maxlength={300} />
	<div class="flex gap-2">
		<button class="button button-main" disabled={form.saving || products.length === 0}
			>{order ? 'Change it' : 'Take the order'}</button
		>
		{#if order}<button type="button" class="button" onclick={ondone}>Leave it</button>{/if}
	</div>
</form>
