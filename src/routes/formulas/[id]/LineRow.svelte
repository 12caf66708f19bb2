<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import { uptakeIsAssumed, uptakeOf_g } from '$core/formula/surface.ts';
	import type { Line } from '$core/formula/types.ts';
	import type { LineReading } from '$core/formula/said/read-line.ts';
	import { isBlank, USE_WORDS, type LineDraft } from '$lib/formula/draft.ts';
	import { fixed, plain } from '$lib/format.ts';
	import GripVertical from '@lucide/svelte/icons/grip-vertical';
	import { dragHandle } from 'svelte-dnd-action';
	import { doubtWords, referencesFor } from './doubts.ts';

	interface Props {
		line: LineDraft;
		index: number;
		/** Whether it is being worked in. */
		isActive: boolean;
		options: { value: string; text: string }[];
		figure: { percent: number | null; share: number; priced: boolean } | null;
		reading: LineReading | null;
		/** The line as read, where it is a surface material. */
		surface: Line | null;
		error: (name: string) => string;
		/** Name of a shipped row by its id. */
		referenceName: (id: string) => string;
		onsay: (said: string) => void;
		/** What was typed is done with: several lines become that many. */
		onsaid: () => void;
		onchoose: (ingredient: string) => void;
		onpaste: (event: ClipboardEvent) => void;
		onshelve: (reference: string) => void;
	}
	let {
		line = $bindable(),
		index,
		isActive,
		options,
		figure,
		reading,
		surface,
		error,
		referenceName,
		onsay,
		onsaid,
		onchoose,
		onpaste,
		onshelve
	}: Props = $props();
	const id = $props.id();
	const number = $derived(index + 1);
	/** Most ingredients offered at a line. */
	const MOST_OFFERED = 6;

	const nameOf = (ingredient: string) => options.find((option) => option.value === ingredient)?.text ?? '';
	const doubts = $derived(reading ? doubtWords(reading, line) : []);
	/** What it could be, on the shelf and, where nothing there is meant, among the shipped rows. */
	const candidates = $derived(
		line.ingredient === '' && reading ? reading.candidates.slice(0, MOST_OFFERED) : []
	);
	const references = $derived(
		line.ingredient === '' && reading && candidates.length === 0 ? referencesFor(reading.name).ids : []
	);
	const range = $derived(
		line.low_g !== null && line.high_g !== null ? `${plain(line.low_g, 1)}–${plain(line.high_g, 1)}` : ''
	);
	const errors = $derived(
		(['ingredient', 'grams', 'uptake', 'most'] as const)
			.map((name) => ({ name, message: error(name) }))
			.filter((each) => each.message)
	);
	const invalid = (name: string) =>
		errors.some((each) => each.name === name) ? ('true' as const) : undefined;
</script>

<button
	type="button"
	class="text-quiet hover:text-ink flex h-9 w-5 cursor-grab items-center justify-center max-lg:hidden"
	aria-label="Drag line {number}"
	tabindex="-1"
	use:dragHandle><GripVertical size={14} /></button
>
<div class={['min-w-0', line.said === '' && !isActive && !isBlank(line) && 'max-sm:hidden']}>
	<label class="sr-only" for="{id}-said">Line {number} as said</label>
	<input
		id="{id}-said"
		name="said"
		class="input input-cell text-quiet"
		autocomplete="off"
		placeholder={isBlank(line) ? 'as you would say it' : ''}
		maxlength="300"
		bind:value={() => line.said, onsay}
		onchange={onsaid}
		{onpaste}
	/>
</div>
<div class="min-w-0">
	<Choice
		cell
		label="Ingredient of line {number}"
		name="ingredient"
		id="{id}-ingredient"
		bind:value={() => line.ingredient, onchoose}
		{options}
		aria-invalid={invalid('ingredient')}
		aria-describedby={invalid('ingredient') ? `${id}-ingredient-error` : undefined}
	/>
</div>
<div class="min-w-0">
	<label class="sr-only" for="{id}-grams">Grams of line {number}</label>
	<input
		id="{id}-grams"
		name="grams"
		class="input input-cell figure text-right font-semibold"
		autocomplete="off"
		inputmode="decimal"
		placeholder={line.toWeigh ? 'weigh' : 'g'}
		bind:value={line.grams}
		{onpaste}
		aria-invalid={invalid('grams')}
		aria-describedby={invalid('grams') ? `${id}-grams-error` : undefined}
	/>
</div>
<span class="figure text-quiet self-center pr-1 text-right text-xs">
	{#if surface}
		<span class={uptakeIsAssumed(surface) ? 'text-attention-ink' : ''}
			>{plain(uptakeOf_g(surface), 1)} {uptakeIsAssumed(surface) ? 'assumed on' : 'stays on'}</span
		>
	{:else if line.most}to {line.most}
	{:else}{range}{/if}
</span>
<!-- Of a size of their own: another figure in forty lines lays nothing else out again. -->
<span class="figure h-6 self-center text-right [contain:strict] max-lg:hidden"
	>{figure?.percent == null ? '' : fixed(figure.percent, 1)}</span
>
<span
	class="self-center max-lg:hidden"
	title={mayHere('costs') ? (figure?.priced === false ? 'no price' : 'share of ingredient cost') : undefined}
>
	{#if !mayHere('costs')}&nbsp;{:else if figure?.priced === false}<span class="text-quiet text-xs"
			>no price</span
		>
	{:else if figure}<span
			class="bg-flour block h-2.5 origin-left"
			style="transform: scaleX({Math.max(0.02, Math.round(figure.share * 100) / 100)})"
		></span>{/if}
</span>
{#if errors.length > 0 || doubts.length > 0 || line.use !== 'dough' || line.note || references.length > 0 || (reading?.lines.length ?? 0) > 0}
	<div class="col-span-full -mt-0.5 pb-0.5 pl-1 text-xs lg:col-start-3 lg:-col-end-1">
		{#if line.use !== 'dough'}<span class="text-quiet mr-3">{USE_WORDS[line.use]}</span>{/if}
		{#if line.note}<span class="text-quiet mr-3">{line.note}</span>{/if}
		{#each doubts as doubt, nth (nth)}<span class="text-attention-ink mr-3">{doubt}</span>{/each}
		{#each candidates as candidate (candidate)}
			<button
				type="button"
				class="text-action mr-3 min-h-7 text-left font-semibold underline max-lg:min-h-11"
				onclick={() => onchoose(candidate)}>{nameOf(candidate)}</button
			>
		{/each}
		{#each references as reference (reference)}
			<button
				type="button"
				class="text-action mr-3 min-h-7 text-left font-semibold underline max-lg:min-h-11"
				onclick={() => onshelve(reference)}>Put {referenceName(reference)} on the shelf</button
			>
		{/each}
		{#if reading && reading.lines.length > 0}
			<span class="text-attention-ink mr-3">this says {reading.lines.length} lines</span>
			<button
				type="button"
				class="text-action mr-3 min-h-7 text-left font-semibold underline max-lg:min-h-11"
				onclick={onsaid}>Make it {reading.lines.length} lines</button
			>
		{/if}
		{#each errors as each (each.name)}<p id="{id}-{each.name}-error" class="text-loss">
				{each.message}
			</p>{/each}
	</div>
{/if}
