<script lang="ts">
	import { enhance } from '$app/forms';
	import { readMoney } from '$core/measure/reading.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { money } from '$lib/format.ts';
	import { tillOff, type TillCount } from '$lib/sales/till-count.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** Cash and card counted against what was sold here today. */
	interface Props {
		channel: string;
		currency: string;
		/** What today's sales here come to, with those on their way. */
		sold: { cash: string; card: string };
		counts: readonly TillCount[];
		/** Sales are still on their way: what the server knows is not all. */
		waits: boolean;
	}
	let { channel, currency, sold, counts, waits }: Props = $props();
	const blank = () => ({ changeBrought: '', cash: '', card: '', note: '' });
	let draft = $state(blank());
	const form = draftForm<never>({ saved: 'The count is kept', onsaved: () => (draft = blank()) });
	const read = (text: string) => {
		if (text.trim() === '') return '0';
		const money = readMoney(text);
		return money.ok ? money.value : null;
	};
	const now = $derived.by(() => {
		const [changeBrought, cash, card] = [read(draft.changeBrought), read(draft.cash), read(draft.card)];
		if (changeBrought === null || cash === null || card === null || draft.cash.trim() === '') return null;
		return tillOff({ changeBrought, cash, card, cashSold: sold.cash, cardSold: sold.card });
	});
	const words = (off: string) =>
		Number(off) === 0
			? 'right to the cent'
			: Number(off) > 0
				? `${money(off, currency)} more than was sold`
				: `${money(off.slice(1), currency)} less than was sold`;
	const sent = $derived({
		id: form.key,
		channel,
		...draft,
		changeBrought: draft.changeBrought.trim() || '0',
		card: draft.card.trim() || '0'
	});
</script>

<h3>The till</h3>
<p class="mt-1" data-testid="till-sold">
	Sold here today: <b class="figure">{money(sold.cash, currency)}</b> in cash,
	<b class="figure">{money(sold.card, currency)}</b> by card.
</p>
<form method="POST" action="?/count" use:enhance={form.enhance} class="mt-2 max-w-3xl">
	<input type="hidden" name="draft" value={JSON.stringify(sent)} />
	<Problems problems={form.problems.filter(({ path }) => path === '' || path === 'channel')} />
	<div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
		<Field
			label="Change brought"
			bind:value={draft.changeBrought}
			error={form.at('changeBrought')}
			placeholder="0"
			inputmode="decimal"
		/>
		<Field label="Cash in the till" bind:value={draft.cash} error={form.at('cash')} inputmode="decimal" />
		<Field
			label="Card, as the reader says"
			bind:value={draft.card}
			error={form.at('card')}
			placeholder="0"
			inputmode="decimal"
		/>
		<Field label="Note" bind:value={draft.note} error={form.at('note')} maxlength={300} />
	</div>
	<div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
		<button class="button" disabled={form.saving || waits || draft.cash.trim() === ''}>Keep the count</button>
		{#if now}
			<p role="status" data-testid="till-off">
				Cash {words(now.cash)}; card {words(now.card)}.
			</p>
		{/if}
		{#if waits}<p class="text-attention-ink">Sales are on their way: count when they have arrived.</p>{/if}
	</div>
</form>
{#each counts as count (count.id)}
	{@const off = tillOff(count)}
	<p class="text-quiet mt-1 text-sm" data-testid="till-count">
		Counted{count.by ? ` by ${count.by}` : ''}: {money(count.cash, currency)} cash with {money(
			count.changeBrought,
			currency
		)} change brought,
		{money(count.card, currency)} card. Cash {words(off.cash)}; card {words(off.card)}.{count.note === ''
			? ''
			: ` ${count.note}`}
	</p>
{/each}
