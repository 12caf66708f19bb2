<script lang="ts">
	import { enhance } from '$app/forms';
	import { NUTRIENTS, nutrientUnit, nutrientWord, type Nutrient } from '$core/composition/nutrients.ts';
	import { derive } from '$core/derive.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import type { RuleSet } from '$core/rules/ruleset.ts';
	import { besideReport, type Beside } from '$core/sure/report.ts';
	import type { PrintedSure } from '$core/sure/result.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { dayText } from '$lib/format.ts';
	import type { LaboratoryReport } from '$lib/sure/reports.ts';
	import { inputWords, type Names } from '$lib/sure/words.ts';
	import DayField from '$lib/ui/control/DayField.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { amount } from './band.ts';

	/** What laboratories found of the finished product, beside what was worked out. */
	interface Props {
		reports: LaboratoryReport[];
		reportId: string;
		figures: PrintedSure[];
		rules: RuleSet;
		nameOf: (key: string) => string;
		names: Names;
		recipe: Recipe;
		mayAdd: boolean;
	}
	let { reports, reportId, figures, rules, nameOf, names, recipe, mayAdd }: Props = $props();
	const printed = $derived(NUTRIENTS.filter((nutrient) => rules.printed.includes(nutrient)));
	const blank = () => ({
		laboratory: '',
		reportedOn: '',
		note: '',
		found: Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, ''])) as Record<Nutrient, string>,
		uncertainty: Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, ''])) as Record<Nutrient, string>
	});
	let typed = $state(blank());
	let isOpen = $state(false);
	const form = draftForm<never>({
		saved: 'Report noted',
		sends: () => ({ id: reportId, ...$state.snapshot(typed) }),
		onsaved: () => {
			typed = blank();
			isOpen = false;
		}
	});
	const withdrawing = draftForm<never>({ saved: 'Report withdrawn' });
	const grams = $derived.by(() => {
		const facts = derive(recipe);
		return facts.ok ? (rules.analysed_g(facts.value) ?? 0) : 0;
	});
	function beside(report: LaboratoryReport): Beside[] {
		const of = (key: 'value' | 'uncertainty') =>
			Object.fromEntries(Object.entries(report.found).map(([nutrient, each]) => [nutrient, each[key]]));
		return figures.flatMap((sure) => {
			const figure = rules.figures.find(({ key }) => key === sure.figure);
			return figure
				? (besideReport(sure, figure, { found: of('value'), uncertainty: of('uncertainty') }, grams) ?? [])
				: [];
		});
	}
	const unitOf = (key: string) => rules.figures.find((figure) => figure.key === key)?.unit ?? '';
	const meanOf = (key: string) => figures.find((each) => each.figure === key)?.found.mean ?? 0;
</script>

<section
	class={['border-rule mt-8 border-t pt-4', reports.length === 0 && 'print:hidden']}
	aria-labelledby="reports"
>
	<h2 id="reports">What laboratories found</h2>
	{#if reports.length === 0}
		<p class="text-quiet max-w-prose">
			No report is noted. A laboratory’s figures of the finished product, per 100 g, stand here beside those
			worked out, and say which of what they follow from they make unlikely.
		</p>
	{/if}
	{#each reports as report (report.id)}
		{@const rows = beside(report)}
		<div class="bg-sheet border-rule mt-3 max-w-3xl border p-3" data-testid="report">
			<p>
				<b>{report.laboratory}</b>, {dayText(report.reportedOn)}{report.note ? `: ${report.note}` : ''}
			</p>
			{#if rows.length > 0}
				<table class="ledger mt-2">
					<thead>
						<tr><th>Line</th><th class="number">Worked out</th><th class="number">Found</th><th>Says</th></tr>
					</thead>
					<tbody>
						{#each rows as row (row.figure)}
							<tr>
								<td>{nameOf(row.figure)}</td>
								<td class="number figure"
									>{amount(meanOf(row.figure))}<span class="unit">{unitOf(row.figure)}</span></td
								>
								<td class="number figure"
									>{amount(row.reported)}<span class="unit">{unitOf(row.figure)}</span></td
								>
								<td>
									{#if row.isFar}
										<b class="text-loss">apart by more than both are unsure.</b>
										{#each row.unlikely as { input, spreads } (input)}
											{inputWords(input, names)} would be {amount(spreads)} spreads off.
										{/each}
									{:else}
										agrees
									{/if}
								</td>
							</tr>
						{/each}
					</tbody>
				</table>
			{:else}
				<p class="text-quiet mt-1 text-sm">It gives no figure that prints.</p>
			{/if}
			{#if mayAdd}
				<form method="POST" action="?/withdraw" use:enhance={withdrawing.enhance} class="mt-2 print:hidden">
					<input type="hidden" name="draft" value={JSON.stringify({ id: report.id })} />
					<button class="min-h-9 text-sm underline" disabled={withdrawing.saving}>Withdraw this report</button
					>
				</form>
			{/if}
		</div>
	{/each}
	{#if mayAdd}
		<details class="mt-3 max-w-3xl print:hidden" bind:open={isOpen}>
			<summary class="min-h-9 cursor-pointer">Note a report</summary>
			<form method="POST" action="?/report" use:enhance={form.enhance} aria-label="A laboratory’s report">
				<Problems problems={form.problems.filter(({ path }) => path === '' || path === 'found')} />
				<div class="mt-2 grid gap-3 sm:grid-cols-3">
					<Field
						label="Laboratory"
						bind:value={typed.laboratory}
						error={form.at('laboratory')}
						maxlength={120}
					/>
					<DayField label="Of which day" bind:value={typed.reportedOn} error={form.at('reportedOn')} />
					<Field label="Which packs" bind:value={typed.note} error={form.at('note')} maxlength={300} />
				</div>
				<p class="text-quiet mt-3 text-sm">
					Per 100 g of the finished bread, with the expanded uncertainty (k = 2) the report states.
				</p>
				<div class="mt-1 grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-4">
					{#each printed as nutrient (nutrient)}
						<Field
							label={nutrientWord(nutrient).replace(/^./, (first) => first.toUpperCase())}
							unit={nutrientUnit(nutrient)}
							bind:value={typed.found[nutrient]}
							error={form.at(`found.${nutrient}`)}
							inputmode="decimal"
						/>
						<Field
							label="± of {nutrientWord(nutrient)}"
							unit={nutrientUnit(nutrient)}
							bind:value={typed.uncertainty[nutrient]}
							error={form.at(`uncertainty.${nutrient}`)}
							inputmode="decimal"
						/>
					{/each}
				</div>
				<button class="button button-main mt-3" disabled={form.saving}>Note this report</button>
			</form>
		</details>
	{/if}
</section>
