<script lang="ts">
	import Radios from '$lib/ui/control/Radios.svelte';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Check from '$lib/ui/control/Check.svelte';
	import { enhance } from '$app/forms';
	import type { Problem } from '$core/problem.ts';
	import { sumMoney } from '$core/cost/money.ts';
	import { dayText, money, plain, plural } from '$lib/format.ts';
	import type { PastOptions } from '$lib/server/sales/past/import.ts';
	import { TAKEABLE, type PlannedRow } from '$lib/sales/past.ts';
	import FileOrRows from '$lib/ui/import/FileOrRows.svelte';
	import { keptForm } from '$lib/ui/import/kept-form.svelte.ts';
	import Outcome from '$lib/ui/import/Outcome.svelte';
	import RowProblems from '$lib/ui/import/RowProblems.svelte';
	import Wide from '$lib/ui/Wide.svelte';
	import { untrack } from 'svelte';

	const EXAMPLE = 'date,place,product,packs,price\n2026-03-14,Saturday market,Oat pita,3,6.00';
	let { data, form } = $props();
	type Answer = {
		problems?: Problem[];
		text?: string;
		options?: PastOptions;
		rows?: PlannedRow[];
		/** Of what is brought in: sent twice, it is brought in once. */
		key?: string;
		done?: { rows: number; packs: number };
	};
	const answer = $derived((form ?? {}) as Answer);
	const rows = $derived(answer.rows ?? []);
	const currency = $derived(data.kitchen.currency);
	const given = untrack(() => (form ?? {}) as Answer);
	let text = $state(given.text ?? '');
	let order = $state(untrack(() => given.options?.order ?? data.order));
	let channel = $state(given.options?.channel ?? '');
	let from = $state(given.options?.fromBatches ? 'batches' : 'none');
	const kept = keptForm(() => {
		taken = {};
		changing = false;
	});
	/** Back at what was typed, after a look at what it would do. */
	let changing = $state(false);
	const takeable = $derived(rows.filter((row) => TAKEABLE.includes(row.state)));
	const bad = $derived(rows.filter((row) => row.state === 'bad'));
	let taken = $state<Record<number, boolean>>({});
	const isTaken = (row: PlannedRow) => taken[row.line] ?? row.state === 'new';
	/** As of another kitchen's export: each alone may be a slip, all of them are a choice. */
	const elsewhere = $derived(rows.filter((row) => row.state === 'without batch' && !isTaken(row)));
	const chosen = $derived(takeable.filter(isTaken));
	const STATE_WORDS: Record<PlannedRow['state'], string> = {
		new: 'new',
		here: 'here already',
		alike: 'perhaps here',
		'without batch': 'of no batch here',
		'left out': 'left out',
		bad: 'cannot be read'
	};
	const partText = (row: PlannedRow) =>
		row.parts
			.map(({ packs, batch }) =>
				row.parts.length === 1
					? (batch?.code ?? 'no batch known')
					: `${plain(packs)} of ${batch?.code ?? 'no batch known'}`
			)
			.join(', ');
	const whatOf = ({ item, sale }: PlannedRow) =>
		`${item}${!sale || sale.kind === 'sale' ? '' : ` (${sale.kind})`}`;
	/** A narrow screen has all of a row in one cell. */
	const FROM_MEDIUM = 'hidden md:table-cell';
</script>

{#snippet verdict(row: PlannedRow)}
	<span class={['block text-sm', row.state === 'bad' && 'text-loss font-semibold']}
		>{STATE_WORDS[row.state]}</span
	>
	{#if row.why}<span class="text-quiet block text-sm">{row.why}</span>{/if}
	<RowProblems problems={row.problems} />
{/snippet}

<svelte:head><title>Bring past sales in · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/sales">Sales</a></p>
<h1>Bring past sales in</h1>

{#snippet done()}
	{plural(answer.done?.rows ?? 0, 'sale')} brought in, {plural(answer.done?.packs ?? 0, 'pack')}.
	<a href="/sales">To the ledger</a>
{/snippet}
<Outcome done={answer.done ? done : null} problems={answer.problems ?? []} />

{#if rows.length > 0 && !changing}
	<form method="POST" action="?/import" use:enhance={kept.enhance}>
		<input type="hidden" name="text" value={answer.text} />
		<input type="hidden" name="key" value={answer.key} />
		<input type="hidden" name="order" value={answer.options?.order} />
		<input type="hidden" name="channel" value={answer.options?.channel} />
		<input type="hidden" name="from" value={answer.options?.fromBatches ? 'batches' : 'none'} />
		<p class="mt-3" data-testid="preview">
			Nothing is written yet: <b>{chosen.length}</b> of {plural(rows.length, 'row')} are ticked,
			<b class="figure">{money(sumMoney(chosen.map((row) => row.total)).toFixed(2), currency)}</b
			>{#if bad.length > 0}, <span class="text-loss font-semibold">{bad.length} cannot be read</span>{/if}.
		</p>
		<Wide label="Rows of the file" class="mt-2">
			<table class="ledger">
				<thead
					><tr
						><th>Take</th><th class="number">Line</th><th class="md:hidden">Row</th><th class={FROM_MEDIUM}
							>Day</th
						><th class={FROM_MEDIUM}>Where</th><th class={FROM_MEDIUM}>What</th><th class={FROM_MEDIUM}
							>Batch</th
						><th class="number {FROM_MEDIUM}">Packs</th><th class="number {FROM_MEDIUM}">Total</th><td
							class={FROM_MEDIUM}
						></td></tr
					></thead
				>
				<tbody>
					{#each rows as row (row.line)}
						<tr class={TAKEABLE.includes(row.state) ? '' : 'text-quiet'}>
							<td>
								{#if TAKEABLE.includes(row.state)}
									<Check
										name="line"
										value={String(row.line)}
										checked={isTaken(row)}
										oncheck={(is) => (taken[row.line] = is)}
										label="Take line {row.line}"
									/>
								{/if}
							</td>
							<td class="number">{row.line}</td>
							<td class="md:hidden">
								{#if row.sale}
									<span class="block">{dayText(row.sale.soldOn)}, {row.sale.channel}</span>
									<span class="block break-words"
										>{plain(row.sale.packs)} of {whatOf(row)},
										<span class="figure">{money(row.total, currency)}</span></span
									>
									<span class="figure block text-sm">{partText(row)}</span>
								{:else}
									<span class="figure block text-sm break-words">{row.raw}</span>
								{/if}
								{@render verdict(row)}
							</td>
							{#if row.sale}
								<td class="whitespace-nowrap {FROM_MEDIUM}">{dayText(row.sale.soldOn)}</td>
								<td class="break-words {FROM_MEDIUM}">{row.sale.channel}</td>
								<td class="break-words {FROM_MEDIUM}">{whatOf(row)}</td>
								<td class="figure text-sm {FROM_MEDIUM}">{partText(row)}</td>
								<td class="number {FROM_MEDIUM}">{plain(row.sale.packs)}</td>
								<td class="number {FROM_MEDIUM}">{money(row.total, currency)}</td>
							{:else}
								<td colspan="6" class="figure text-sm break-words {FROM_MEDIUM}">{row.raw}</td>
							{/if}
							<td class="text-sm {FROM_MEDIUM}">{@render verdict(row)}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
		<div class="mt-4 flex flex-wrap gap-2">
			<button class="button button-main" disabled={kept.waits || chosen.length === 0}
				>Bring in the ticked rows</button
			>
			{#if elsewhere.length > 0}
				<button
					type="button"
					class="button"
					onclick={() => {
						for (const row of elsewhere) taken[row.line] = true;
					}}>Tick the {plain(elsewhere.length)} of batches that are not here</button
				>
			{/if}
			<button
				type="button"
				class="button"
				onclick={() => {
					text = answer.text ?? '';
					changing = true;
				}}>Change the rows, or choose another file</button
			>
		</div>
	</form>
{:else}
	<p class="mt-2 max-w-prose">
		From a notebook or another ledger, a sale on each row. They count against the yearly limit and in every
		total. You see what each row would do before anything is written.
	</p>
	<form
		method="POST"
		action="?/preview"
		enctype="multipart/form-data"
		use:enhance={kept.enhance}
		class="mt-4 max-w-3xl space-y-4"
	>
		<FileOrRows accept=".csv,.txt" bind:text placeholder={EXAMPLE} />
		<div class="grid items-start gap-4 sm:grid-cols-2">
			<Choice
				label="Days are written"
				sent="order"
				bind:value={order}
				options={['year-month-day', 'day/month/year', 'month/day/year'].map((each) => ({
					value: each,
					text: each
				}))}
				hint="One that begins with the year is read as that"
			/>
			<div>
				<label for="channel" class="mb-1 block text-sm font-medium">Where, for rows that do not say</label>
				<input id="channel" name="channel" class="input" maxlength="60" list="places" bind:value={channel} />
				<datalist id="places"
					>{#each data.channels as each, nth (nth)}<option value={each}></option>{/each}</datalist
				>
			</div>
		</div>
		<fieldset>
			<legend class="mb-1 text-sm font-medium">Rows that name no batch</legend>
			<Radios
				label="Rows that name no batch"
				sent="from"
				bind:value={from}
				options={[
					{
						value: 'none',
						text: 'are from before batches were kept here: no bag of them can be traced'
					},
					{ value: 'batches', text: 'are packs of the oldest batches that had some left by that day' }
				]}
			/>
		</fieldset>
		<button class="button button-main" disabled={kept.waits}>Look at it</button>
	</form>
	<details class="mt-6 max-w-3xl">
		<summary class="cursor-pointer font-semibold">The columns</summary>
		<p class="mt-2 text-sm">
			The first row names them. A day, how many packs, and a product or a batch are needed; of price and total
			one is enough. Kinds are sale, gift, sample and written off; paid by is cash, card or owed. Other
			columns are passed over. A ledger exported here comes in again without a row counting twice.
		</p>
		<p class="figure text-quiet mt-2 text-sm">{data.columns.join(', ')}</p>
	</details>
{/if}
