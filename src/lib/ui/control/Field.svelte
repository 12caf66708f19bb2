<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';
	import { describedBy } from './described.ts';
	import Labelled from './Labelled.svelte';

	interface Props extends Omit<HTMLInputAttributes, 'value'> {
		label: string;
		value: string;
		/** What is wrong with it; shown under it and read out with it. */
		error?: string;
		hint?: string;
		/** A doubt about it that does not keep it from being saved. */
		warning?: string;
		unit?: string;
		/** Hides the label from sight where a column heading says it. */
		tight?: boolean;
		/** Low, with its label small above it: for a bar of several. */
		compact?: boolean;
		multiline?: boolean;
		/** Several lines of words, not of figures. */
		prose?: boolean;
	}
	let {
		label,
		value = $bindable(),
		error = '',
		hint = '',
		warning = '',
		unit = '',
		tight = false,
		compact = false,
		multiline = false,
		prose = false,
		class: extra = '',
		...rest
	}: Props = $props();
	const id = $props.id();
	const described = $derived(describedBy(id, { error, warning, hint }));
</script>

<Labelled {id} {label} {error} {warning} {hint} {tight} {compact} class={extra}>
	<div class="flex items-center gap-1">
		{#if multiline || prose}
			<textarea
				{id}
				bind:value
				rows="2"
				class={['input field-sizing-content', !prose && 'figure']}
				aria-invalid={error ? 'true' : undefined}
				aria-describedby={described}></textarea>
		{:else}
			<input
				{id}
				bind:value
				class={['input', tight && 'input-tight', compact && 'input-compact']}
				autocomplete="off"
				aria-invalid={error ? 'true' : undefined}
				aria-describedby={described}
				{...rest}
			/>
		{/if}
		{#if unit}<span class="unit shrink-0">{unit}</span>{/if}
	</div>
</Labelled>
