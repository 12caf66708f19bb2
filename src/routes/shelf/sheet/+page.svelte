<script lang="ts">
	import Check from '$lib/ui/control/Check.svelte';
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { plural } from '$lib/format.ts';
	import type { SheetRow, SheetRowDraft } from '$lib/shelf/sheet.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import Wide from '$lib/ui/Wide.svelte';
	import { tick, untrack } from 'svelte';
	import { ulid } from 'ulid';

	let { data } = $props();

	const drafted = (rows: readonly SheetRow[]): SheetRowDraft[] =>
		rows.map((row) => ({ ...row, amount: '', grams: '', key: ulid() }));
	let drafts = $state(untrack(() => drafted(data.rows)));
	const before = $derived(new Map(data.rows.map((row) => [row.id, row])));
	const isChanged = (row: SheetRowDraft) => {
		const was = before.get(row.id);
		return (
			row.amount !== '' ||
			row.grams !== '' ||
			row.allergens !== was?.allergens ||
			row.evidence !== was.evidence
		);
	};
	const isOpen = (row: SheetRow | undefined) => !row || row.evidence === '' || row.price === '';
	let all = $state(untrack(() => data.rows.every((row) => !isOpen(row))));
	/** What is open as it was kept last: a row does not go while it is being typed in. */
	const shown = $derived(drafts.filter((row) => all || isOpen(before.get(row.id))));
	const changed = $derived(drafts.filter(isChanged));
	const unconfirmed = $derived(shown.filter(({ evidence }) => evidence === '').length);

	const form = draftForm<never>({ saved: () => `${plural(changed.length, 'ingredient')} kept` });
	// What was kept is what is there now.
	$effect(() => {
		const fresh = data.rows;
		untrack(() => {
			if (form.problems.length === 0) drafts = drafted(fresh);
		});
	});
	const at = (row: SheetRowDraft, cell: string) => form.at(`rows[${changed.indexOf(row)}].${cell}`);

	const CELLS = ['allergens', 'evidence', 'amount', 'grams'] as const;
	type Cell = (typeof CELLS)[number];
	const HEADS: Record<Cell, string> = {
		allergens: 'Allergens, as its pack says',
		evidence: 'Confirmed by',
		amount: 'Paid',
		grams: 'For how much'
	};
	const HINTS: Record<Cell, string> = {
		allergens: 'none',
		evidence: 'the pack',
		amount: '24.00',
		grams: 'bag of 25 kg'
	};
	async function focusCell(row: number, cell: number) {
		await tick();
		document.querySelector<HTMLInputElement>(`[data-cell="${row}-${cell}"]`)?.focus();
	}
	function onkeydown(event: KeyboardEvent, row: number, cell: number) {
		const target = event.currentTarget as HTMLInputElement;
		const isAt = (place: number) => target.selectionStart === place && target.selectionEnd === place;
		const to: Record<string, [number, number] | undefined> = {
			ArrowUp: [row - 1, cell],
			ArrowDown: [row + 1, cell],
			Enter: event.ctrlKey || event.metaKey ? undefined : [row + 1, cell],
			ArrowLeft: isAt(0) ? [row, cell - 1] : undefined,
			ArrowRight: isAt(target.value.length) ? [row, cell + 1] : undefined
		};
		const next = to[event.key];
		if (!next) return;
		event.preventDefault();
		void focusCell(...next);
	}
	/** Rows and columns of another sheet go into the cells from here on. */
	function onpaste(event: ClipboardEvent, row: number, cell: number) {
		const text = (event.clipboardData?.getData('text/plain') ?? '').replace(/\r?\n$/, '');
		if (!/[\n\t]/.test(text)) return;
		event.preventDefault();
		text.split(/\r?\n/).forEach((line, down) => {
			line.split('\t').forEach((value, right) => {
				const name = CELLS[cell + right];
				const draft = shown[row + down];
				if (name && draft) draft[name] = value.trim();
			});
		});
	}
	function confirmAll() {
		for (const row of shown) if (row.evidence === '') row.evidence = 'the pack';
	}
</script>

<svelte:head><title>Confirm and price · Square Batch</title></svelte:head>
<p class="text-sm">
	<a href="/shelf">Shelf</a>
	{#if data.formula}<a href="/formulas/{data.formula}" class="ml-3">Back to the formula</a>{/if}
</p>
<h1>Confirm and price</h1>
<p class="caution mt-2 max-w-prose">
	Read each pack: what stands here is what such an ingredient usually holds. A list that lacks an allergen
	hurts someone.
</p>

<form method="POST" use:enhance={form.enhance} class="mt-4">
	<input
		type="hidden"
		name="draft"
		value={JSON.stringify({
			rows: changed.map(({ id, version, allergens, evidence, amount, grams, key }) => ({
				id,
				version,
				allergens,
				evidence,
				amount,
				grams,
				key
			}))
		})}
	/>
	<Problems problems={form.problems.filter(({ path }) => !path.startsWith('rows['))} />
	<div class="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
		<Check bind:checked={all}>Everything on the shelf, not only what is open</Check>
		{#if unconfirmed > 0}
			<button type="button" class="button" onclick={confirmAll}
				>I read the {unconfirmed === 1 ? 'pack' : `${unconfirmed} packs`}: each list is right</button
			>
		{/if}
		<button class="button button-main" disabled={form.saving || changed.length === 0}
			>{changed.length === 0 ? 'Kept' : `Keep ${plural(changed.length, 'row')}`}</button
		>
	</div>
	{#if shown.length === 0}
		<p>Everything on the shelf is confirmed and has a price.</p>
	{:else}
		<Wide label="Ingredients to confirm and price">
			<table class="ledger">
				<thead>
					<tr>
						<th>Ingredient</th>
						{#each CELLS as cell (cell)}
							<th class={cell === 'amount' ? 'number' : ''}
								>{HEADS[cell]}{cell === 'amount' ? `, ${data.kitchen.currency}` : ''}</th
							>
						{/each}
					</tr>
				</thead>
				<tbody>
					{#each shown as row, index (row.id)}
						<tr class={isChanged(row) ? 'bg-action-pale' : ''}>
							<td class="min-w-44"
								><a href="/shelf/{row.id}" class="font-semibold hover:underline">{row.name}</a></td
							>
							{#each CELLS as cell, column (cell)}
								{@const error = at(row, cell)}
								<td class={cell === 'allergens' ? 'min-w-52' : cell === 'amount' ? 'min-w-24' : 'min-w-40'}>
									<input
										class={[
											'input input-cell',
											cell === 'amount' && 'figure text-right',
											cell === 'evidence' && row.evidence === '' && 'border-attention!'
										]}
										aria-label="{HEADS[cell]}, {row.name}"
										data-cell="{index}-{column}"
										autocomplete="off"
										inputmode={cell === 'amount' ? 'decimal' : undefined}
										placeholder={cell === 'evidence' ? 'not yet' : HINTS[cell]}
										maxlength="400"
										bind:value={row[cell]}
										onkeydown={(event) => onkeydown(event, index, column)}
										onpaste={(event) => onpaste(event, index, column)}
										aria-invalid={error ? 'true' : undefined}
										aria-describedby={error ? `error-${index}-${column}` : undefined}
									/>
									{#if error}<p id="error-{index}-{column}" class="text-loss text-xs">{error}</p>
									{:else if cell === 'grams' && row.price !== ''}<p class="text-quiet text-xs">
											now {row.price}
										</p>
									{/if}
								</td>
							{/each}
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
	{/if}
</form>
