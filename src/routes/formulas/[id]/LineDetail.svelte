<script lang="ts">
	import Check from '$lib/ui/control/Check.svelte';
	import { readGrams } from '$core/measure/reading.ts';
	import { untrack } from 'svelte';
	import { USES } from '$core/formula/types.ts';
	import { shownGrams, USE_WORDS, type LineDraft } from '$lib/formula/draft.ts';
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
	const gramsOf = (text: string): number | null => {
		const read = readGrams(text);
		return text.trim() !== '' && read.ok ? read.value : null;
	};
	let typedBack = $state<string | null>(null);
	/** Of a surface material: what is set out, and what of it goes back to the bottle or the bag. */
	const setOut_g = $derived(gramsOf(line.most));
	const used_g = $derived(gramsOf(line.grams));
	const back = $derived(
		typedBack ?? (setOut_g === null || used_g === null ? '' : shownGrams(Math.max(0, setOut_g - used_g)))
	);
	$effect(() => {
		void line.key;
		untrack(() => (typedBack = null));
	});
	function setOut(typed: string) {
		line.most = typed;
		const [out, goes] = [gramsOf(typed), typedBack === null ? null : gramsOf(typedBack)];
		if (out !== null && goes !== null && goes <= out) line.grams = shownGrams(out - goes);
	}
	function goesBack(typed: string) {
		typedBack = typed;
		const goes = typed.trim() === '' ? 0 : gramsOf(typed);
		if (setOut_g === null || goes === null || goes > setOut_g) return;
		line.grams = shownGrams(setOut_g - goes);
		line.toWeigh = false;
	}
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
		class="grid grid-cols-2 items-start gap-x-3 gap-y-1 sm:grid-cols-4 lg:grid-cols-[repeat(auto-fit,minmax(6.5rem,1fr))]"
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
				label="Set out, of line {number}"
				bind:value={() => line.most, setOut}
				inputmode="decimal"
				placeholder="as used up"
				error={error('most')}
				compact
			/>
			<Field
				label="Goes back, of line {number}"
				bind:value={() => back, goesBack}
				inputmode="decimal"
				placeholder="nothing"
				disabled={setOut_g === null}
				compact
			/>
			<Field
				label="Stays on, of line {number}"
				bind:value={line.uptake}
				inputmode="decimal"
				placeholder="assumed"
				error={error('uptake')}
				compact
			/>
			{@render leftToBatch()}
		{/if}
		<Field
			label="Note of line {number}"
			bind:value={line.note}
			maxlength={300}
			compact
			class={line.use === 'dough' ? '' : 'lg:col-span-4'}
		/>
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
