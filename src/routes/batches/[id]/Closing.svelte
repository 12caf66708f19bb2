<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { enhance } from '$app/forms';
	import type { Facts } from '$core/facts.ts';
	import { readAll } from '$lib/read-again.ts';
	import { fixed, money, plain } from '$lib/format.ts';
	import type { Batch, BatchClosing } from '$lib/batch/types.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import Wide from '$lib/ui/Wide.svelte';
	import { page } from '$app/state';

	/** Closing an open batch; or what a closed one was closed with, and each correction beside it. */
	interface Props {
		version: number;
		/** Entries of this device are still on their way to the server. */
		waiting: boolean;
		closed: BatchClosing[];
		/** Who closed it and who corrected it, by the closing's number. */
		closedBy: Record<number, string>;
		/** Whether every stage squares as it is saved. */
		squares: boolean;
		/** Whether what went wrong in it can be practised on. */
		practises: boolean;
		/** Something is typed that is not saved. */
		edited: boolean;
		recorded: boolean;
		currency: string;
	}
	let { version, waiting, closed, closedBy, squares, practises, edited, recorded, currency }: Props =
		$props();
	let reason = $state('');
	const form = draftForm<Batch>({ saved: 'Closed' });
	// Another device added something: what is closed has to be what is seen.
	$effect(() => {
		if (form.stale) void readAll();
	});
	const grams = (value: number | null) => (value === null ? '–' : `${fixed(value, 1)} g`);
	const ROWS: { what: string; of: (facts: Facts) => string }[] = [
		{ what: 'Pieces', of: ({ yield: y }) => plain(y.pieces) },
		{ what: 'Sellable', of: ({ yield: y }) => plain(y.sellable) },
		{ what: 'Packs', of: ({ yield: y }) => (y.packs === null ? '–' : plain(y.packs)) },
		{ what: 'Finished piece', of: ({ yield: y }) => grams(y.finishedWeight_g) },
		{
			what: 'Cook loss',
			of: ({ yield: y }) => (y.cookLoss === null ? '–' : `${fixed(100 * y.cookLoss, 1)} %`)
		},
		{
			what: 'Energy of a piece',
			of: ({ energy }) => (energy.us_kcal === null ? 'unknown' : `${fixed(energy.us_kcal, 0)} kcal`)
		},
		{
			what: 'Sodium of a piece',
			of: ({ perPiece }) => (perPiece.sodium_mg === null ? 'unknown' : `${fixed(perPiece.sodium_mg, 0)} mg`)
		},
		...(mayHere('costs')
			? [
					{
						what: 'Cost of a pack',
						of: ({ cost }: Facts) => (cost.perPack === null ? '–' : money(cost.perPack, currency))
					}
				]
			: [])
	];
	const heading = ({ number }: BatchClosing) => (number === 1 ? 'As closed' : `Correction ${number - 1}`);
</script>

{#if closed.length === 0}
	<form method="POST" action="?/close" use:enhance={form.enhance} class="mt-3 max-w-2xl">
		<input type="hidden" name="draft" value={JSON.stringify({ version, reason })} />
		<Problems problems={form.problems.filter((problem) => problem.path !== 'reason')} />
		{#if recorded && !squares}
			<Field
				label="Why it is closed though it does not square"
				bind:value={reason}
				error={form.at('reason')}
				maxlength={500}
			/>
		{/if}
		{#if form.stale}
			<p class="border-attention bg-attention-pale mt-2 border-l-4 px-4 py-2" role="alert">
				Something was added meanwhile. Look at it, and close the batch again.
			</p>
		{/if}
		<button class="button mt-2" disabled={form.saving || edited || waiting || !recorded}
			>Close this batch</button
		>
		<p class="text-quiet mt-1 text-sm">
			{waiting
				? 'What was recorded last is still on its way to the server.'
				: edited
					? 'Save what is typed first.'
					: recorded
						? 'A closed batch keeps its figures, prices and rules for good; a mistake found later is a correction beside them.'
						: 'Record what was measured first.'}
		</p>
	</form>
{:else}
	<Wide label="What it was closed with">
		<table class="ledger mt-2 max-w-3xl" data-testid="closings">
			<thead>
				<tr
					><th><span class="sr-only">Figure</span></th>{#each closed as closing (closing.number)}<th
							class="number"
							>{heading(closing)}<span class="text-quiet block text-xs"
								>{dayTextOf(closing.closedAt)}{closedBy[closing.number]
									? ` by ${closedBy[closing.number]}`
									: ''}</span
							></th
						>{/each}</tr
				>
			</thead>
			<tbody>
				{#each ROWS as row (row.what)}
					<tr>
						<td>{row.what}</td>
						{#each closed as closing, index (closing.number)}
							{@const before = closed[index - 1]}
							<td
								class={[
									'number figure',
									before && row.of(before.facts) !== row.of(closing.facts) && 'text-loss font-semibold'
								]}>{row.of(closing.facts)}</td
							>
						{/each}
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
	<ul class="mt-2 text-sm">
		{#each closed.filter((closing) => closing.reason !== '') as closing (closing.number)}
			<li><b>{heading(closing)}:</b> {closing.reason}</li>
		{/each}
	</ul>
{/if}
{#if practises && closed.length > 0}
	<p class="mt-3">
		<a href="/practice?batch={page.params.id}">Practise on it: what went wrong is hidden again</a>
	</p>
{/if}
