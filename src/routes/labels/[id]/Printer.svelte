<script lang="ts">
	import { enhance } from '$app/forms';
	import { plain } from '$lib/format.ts';
	import type { JobOutcome, PrinterState } from '$lib/label/printer.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	/** The label printer: what is on its roll, what is sent to it, and what came out. */
	interface Props {
		printer: { state: PrinterState | null; trouble: string };
		/** Of the next job: one sent twice prints only what is missing of it. */
		jobId: string;
		asked: string;
		revision: number;
		size: { width_mm: number; height_mm: number };
		batch: string;
		copies: string;
	}
	let { printer, jobId, asked, revision, size, batch, copies }: Props = $props();
	let outcome = $state.raw<JobOutcome | null>(null);
	/** A job that stopped short, as it was sent: to be sent again for the rest. */
	let unfinished = $state.raw<{ id: string; revision: number; batch: string; copies: string } | null>(null);
	const job = $derived({ id: jobId, revision, batch, copies });
	const printing = draftForm<never>({ saved: 'Sent to the printer' });
	const send =
		(what: () => typeof job): typeof printing.enhance =>
		(input) => {
			const sent = what();
			input.formData.set('draft', JSON.stringify(sent));
			const answered = printing.enhance(input);
			return async (event) => {
				if (event.result.type === 'success') {
					outcome = (event.result.data as { outcome: JobOutcome }).outcome;
					unfinished = outcome.state === 'done' ? null : sent;
				}
				const after = await answered;
				await after?.(event);
			};
		};

	let roll = $state(
		untrack(() => ({ width: String(size.width_mm), height: String(size.height_mm), labels: '100' }))
	);
	const loading = draftForm<never>({ saved: 'Roll loaded' });
	const onRoll = $derived(printer.state?.roll);
	const isFitting = $derived(onRoll?.width_mm === size.width_mm && onRoll.height_mm === size.height_mm);
</script>

<section class="mt-5" aria-labelledby="printer-heading">
	<h3 id="printer-heading" class="font-semibold">Label printer</h3>
	{#if !onRoll}
		<p class="text-loss" role="alert">{printer.trouble}</p>
	{:else}
		<p class="text-sm" data-testid="roll">
			On its roll: labels of {plain(onRoll.width_mm, 1)} × {plain(onRoll.height_mm, 1)} mm, {onRoll.labels ===
			0
				? 'none left'
				: `${onRoll.labels} left`}.{isFitting
				? ''
				: ` This label is ${plain(size.width_mm, 1)} × ${plain(size.height_mm, 1)} mm: load its roll first.`}
		</p>
	{/if}
	<Problems problems={printing.problems} />
	{#if outcome && outcome.state !== 'done'}
		<p class="border-attention bg-attention-pale mt-2 border-l-4 px-3 py-2" role="alert">
			{outcome.state === 'another roll'
				? 'Nothing was printed: another size is on the roll. Load the right one and send it again.'
				: `Out of paper: ${plain(outcome.printed)} of ${plain(outcome.copies)} came out. Load a roll, and print the other ${plain(outcome.copies - outcome.printed)}.`}
		</p>
	{/if}
	<div class="mt-2 flex flex-wrap gap-2">
		{#if unfinished && outcome && outcome.printed > 0}
			{@const rest = unfinished}
			<form method="POST" action="?/print{asked}" use:enhance={send(() => rest)}>
				<button class="button button-main" disabled={printing.saving}
					>Print the other {outcome.copies - outcome.printed}</button
				>
			</form>
		{/if}
		<form method="POST" action="?/print{asked}" use:enhance={send(() => job)}>
			<button class="button" disabled={printing.saving || !onRoll}>Print {copies} on the label printer</button
			>
		</form>
	</div>
	<details class="mt-2">
		<summary class="cursor-pointer text-sm underline">Load a roll</summary>
		<form
			method="POST"
			action="?/roll{asked}"
			use:enhance={loading.enhance}
			class="mt-2 flex flex-wrap items-end gap-2"
			aria-label="Roll of the label printer"
		>
			<input type="hidden" name="draft" value={JSON.stringify(roll)} />
			<Field label="Labels wide" unit="mm" bind:value={roll.width} error={loading.at('width')} class="w-32" />
			<Field
				label="Labels high"
				unit="mm"
				bind:value={roll.height}
				error={loading.at('height')}
				class="w-32"
			/>
			<Field
				label="Labels on it"
				bind:value={roll.labels}
				error={loading.at('labels')}
				inputmode="numeric"
				class="w-28"
			/>
			<button class="button" disabled={loading.saving}>It is loaded</button>
		</form>
		<Problems problems={loading.problems.filter((problem) => problem.path === '')} />
	</details>
</section>
