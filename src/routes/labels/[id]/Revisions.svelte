<script lang="ts">
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { ROLL, sheetsFor } from '$core/label/sheets.ts';
	import { compareLabels } from '$core/label/compare.ts';
	import { dayText } from '$lib/format.ts';
	import type { PrinterState } from '$lib/label/printer.ts';
	import { AT_ONCE_COPIES, type KeptPrintJob } from '$lib/label/print-job.ts';
	import type { LabelRevision } from '$lib/label/types.ts';
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import { toast } from 'svelte-sonner';
	import { savePng } from './png.ts';
	import Printed from './Printed.svelte';
	import Printer from './Printer.svelte';
	import Differences from './Differences.svelte';

	/** What was approved: to print, and to compare. */
	interface Props {
		id: string;
		/** The rule set in the address, where it is not the kitchen's. */
		asked: string;
		revisions: LabelRevision[];
		/** Who approved each, by its id; one from before that was kept is not there. */
		approvedBy: Record<string, string>;
		batches: { id: string; code: string; madeOn: string; packsLeft: number; labelNumber: number | null }[];
		/** Whether the newest says something that is no longer so. */
		isOutOfDate: boolean;
		/** The label printer; null where there is none. */
		printer: { state: PrinterState | null; trouble: string } | null;
		jobs: KeptPrintJob[];
		jobId: string;
	}
	let { id, asked, revisions, approvedBy, batches, isOutOfDate, printer, jobs, jobId }: Props = $props();
	let chosen = $state('');
	let batch = $state<string>();
	let on = $state<string>(ROLL);
	let start = $state('1');
	let copies = $state('');
	let from = $state('');

	const revision = $derived(revisions.find((each) => String(each.number) === chosen) ?? revisions[0]);
	const forBatch = $derived(batches.find((each) => each.id === (batch ?? batches[0]?.id)));
	const sheets = $derived(revision ? sheetsFor(revision.content.size) : []);
	const sheet = $derived(sheets.find((each) => each.id === on));
	const href = $derived(
		revision
			? `/labels/${id}/print?${new URLSearchParams({
					revision: String(revision.number),
					on: sheet ? sheet.id : ROLL,
					start: sheet ? start : '1',
					copies: copies.trim() || String(Math.max(1, forBatch?.packsLeft ?? 1)),
					batch: forBatch?.id ?? ''
				}).toString()}${asked}`
			: ''
	);
	const job = $derived({
		revision: revision?.number ?? 0,
		batch: forBatch?.id ?? '',
		copies: copies.trim() || String(Math.max(1, forBatch?.packsLeft ?? 1))
	});
	/** More than these are drawn as long work: a page of its own says how far it is. */
	const areMany = $derived(Number(job.copies) > AT_ONCE_COPIES);
	let as = '';
	const isLong = () => as === 'PDF' && areMany;
	let link = $state<HTMLAnchorElement>();
	const taking = draftForm<never>({
		saved: () => (isLong() ? 'The labels are being drawn' : `Taken as ${as}`),
		onsaved: () => void (isLong() || give())
	});
	/** The button that was pressed says as what; it is noted first, so that the trace knows what is on the bags. */
	const take: typeof taking.enhance = (input) => {
		as = (input.submitter as HTMLButtonElement | null)?.value ?? 'PDF';
		const place = isLong() ? { on: sheet ? sheet.id : ROLL, start: sheet ? start : '1' } : {};
		input.formData.set('draft', JSON.stringify({ id: taking.key, ...job, ...place }));
		return taking.enhance(input);
	};
	async function give() {
		if (as === 'PNG') return picture();
		if (!link) return;
		link.href = as === 'SVG' ? `${href}&as=svg` : href;
		link.click();
	}
	async function picture() {
		if (!revision) return;
		const { width_mm, height_mm } = revision.content.size;
		try {
			await savePng(`${href}&as=svg`, width_mm, height_mm, `label revision ${revision.number}.png`);
		} catch {
			toast.error('The picture could not be made: see that Square Batch runs, and try again.');
		}
	}
	const other = $derived(revisions.find((each) => String(each.number) === from));
	const options = $derived(
		revisions.map((each) => ({ value: String(each.number), text: `revision ${each.number}` }))
	);
</script>

{#if revision}
	<section class="border-rule mt-8 border-t pt-4" aria-labelledby="print-heading">
		<h2 id="print-heading">Print</h2>
		<div class="mt-2 grid max-w-3xl items-start gap-4 sm:grid-cols-3">
			<Choice label="Revision" value={String(revision.number)} {options} onchoose={(id) => (chosen = id)} />
			<Choice
				label="For batch"
				value={forBatch?.id ?? ''}
				options={[
					...batches.map((each) => ({ value: each.id, text: `${each.code}, ${dayText(each.madeOn)}` })),
					{ value: '', text: 'no batch: code and date stay blank' }
				]}
				onchoose={(id) => (batch = id)}
			/>
			<Field
				label="Copies"
				bind:value={copies}
				placeholder={String(Math.max(1, forBatch?.packsLeft ?? 1))}
				inputmode="numeric"
			/>
			<Choice
				label="On"
				bind:value={on}
				options={[
					{ value: ROLL, text: 'a roll: each its own page' },
					...sheets.map((each) => ({ value: each.id, text: each.name }))
				]}
			/>
			{#if sheet}
				<Field label="From place" bind:value={start} inputmode="numeric" hint="1 is the first of the sheet" />
			{/if}
		</div>
		{#if isOutOfDate || revision !== revisions[0]}
			<p class="caution mt-3">
				Revision {revision.number} says what is no longer so: print it only for packs that were made under it.
			</p>
		{/if}
		<Problems problems={taking.problems} />
		<form method="POST" action="?/take{asked}" use:enhance={take} class="mt-3 flex flex-wrap gap-2">
			{#each ['PDF', 'SVG', 'PNG'] as file (file)}
				<button
					class="button"
					value={file}
					formaction={file === 'PDF' && areMany ? `?/many${asked}` : undefined}
					disabled={taking.saving}>{file}</button
				>
			{/each}
			<a bind:this={link} {href} download class="hidden">the file</a>
		</form>
		{#if areMany}
			<p class="text-quiet mt-1 text-sm">
				The PDF of more than {AT_ONCE_COPIES} labels is drawn beside everything else: you see how far it is, and
				can leave the page.
			</p>
		{/if}
		{#if forBatch}
			<p class="text-quiet mt-1 text-sm">What is taken is noted as the label of batch {forBatch.code}.</p>
		{/if}
		{#if printer}
			<Printer
				{printer}
				{jobId}
				{asked}
				revision={revision.number}
				size={revision.content.size}
				batch={forBatch?.id ?? ''}
				copies={copies.trim() || String(Math.max(1, forBatch?.packsLeft ?? 1))}
			/>
		{/if}
		<Printed {jobs} />
	</section>
	<section class="border-rule mt-8 border-t pt-4" aria-labelledby="revisions-heading">
		<h2 id="revisions-heading">Revisions</h2>
		<table class="ledger mt-2 max-w-3xl">
			<thead
				><tr
					><th>Revision</th><th>Approved</th><th>Formula</th><th class="number">Declared</th><th
						>Batches packed</th
					></tr
				></thead
			>
			<tbody>
				{#each revisions as each (each.id)}
					<tr>
						<td class="figure font-semibold">{each.number}</td>
						<td class="text-quiet"
							>{dayTextOf(each.approvedAt)}{approvedBy[each.id] ? ` by ${approvedBy[each.id]}` : ''}</td
						>
						<td>version {each.formulaNumber}</td>
						<td class="number figure">{each.declared_g}<span class="unit">g</span></td>
						<td class="text-sm"
							>{batches
								.filter((one) => one.labelNumber === each.number)
								.map((one) => one.code)
								.join(', ') || 'none yet'}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
		{#if revisions.length > 1}
			<div class="mt-3 max-w-xs">
				<Choice
					label="Compare revision {revision.number} with"
					bind:value={from}
					options={[
						{ value: '', text: 'choose' },
						...options.filter((option) => option.value !== String(revision.number))
					]}
				/>
			</div>
			{#if other}
				<Differences
					differences={compareLabels(other.content, revision.content)}
					before="revision {other.number}"
					after="revision {revision.number}"
				/>
			{/if}
		{/if}
	</section>
{/if}
