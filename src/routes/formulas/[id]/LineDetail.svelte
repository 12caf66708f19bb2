<script lang="ts">
	import Check from '$lib/ui/control/Check.svelte';
	import { USES } from '$core/formula/types.ts';
	import { USE_WORDS, type LineDraft } from '$lib/formula/draft.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import X from '@lucide/svelte/icons/x';

	/** What the line being worked in says beside its grams; stays in one place while lines change. */
	interface Props {
		line: LineDraft;
		index: number;
		count: number;
		stages: string[];
		error: (name: string) => string;
		onmove: (by: -1 | 1) => void;
		onremove: () => void;
		onleave: () => void;
	}
	let { line = $bindable(), index, count, stages, error, onmove, onremove, onleave }: Props = $props();
	const listId = $props.id();
	const number = $derived(index + 1);
	const uses = USES.map((use) => ({ value: use, text: USE_WORDS[use] }));
</script>

{#snippet leftToBatch()}
	<Check bind:checked={line.toWeigh} disabled={line.grams.trim() !== ''} class="self-end text-sm"
		>weigh in the batch</Check
	>
{/snippet}

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<div
	data-detail
	class="bg-sheet border-ink sticky bottom-0 z-10 mt-2 border-t-2 px-3 py-2"
	role="group"
	aria-label="More of line {number}"
	onkeydown={(event) => {
		if (event.key === 'Escape') onleave();
	}}
>
	<datalist id={listId}
		>{#each stages as stage, nth (nth)}<option value={stage}></option>{/each}</datalist
	>
	<div
		class="grid grid-cols-2 items-start gap-x-3 gap-y-1 sm:grid-cols-4 lg:grid-cols-[8.5rem_8rem_6rem_6rem_1fr_auto]"
	>
		<Choice label="Use of line {number}" bind:value={line.use} options={uses} compact />
		<Field label="Stage of line {number}" bind:value={line.stage} list={listId} maxlength={60} compact />
		{#if line.use === 'dough'}
			<Field
				label="At most, of line {number}"
				bind:value={line.most}
				inputmode="decimal"
				placeholder="no more"
				error={error('most')}
				compact
			/>
			{@render leftToBatch()}
		{:else}
			<Field
				label="Stays on, of line {number}"
				bind:value={line.uptake}
				inputmode="decimal"
				placeholder="assumed"
				error={error('uptake')}
				compact
			/>
			<div class="self-end">
				<span class="text-quiet text-xs">of what is set out and used up</span>
				{@render leftToBatch()}
			</div>
		{/if}
		<Field label="Note of line {number}" bind:value={line.note} maxlength={300} compact />
		<div class="flex items-end justify-end pb-1">
			<button
				type="button"
				class="p-2 disabled:opacity-30"
				aria-label="Move line {number} up"
				disabled={index === 0}
				onclick={() => onmove(-1)}><ArrowUp size={18} /></button
			>
			<button
				type="button"
				class="p-2 disabled:opacity-30"
				aria-label="Move line {number} down"
				disabled={index === count - 1}
				onclick={() => onmove(1)}><ArrowDown size={18} /></button
			>
			<button type="button" class="p-2" aria-label="Remove line {number}" onclick={onremove}
				><X size={18} /></button
			>
		</div>
	</div>
</div>
