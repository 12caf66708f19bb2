<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';

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
	const described = $derived(
		[error ? `${id}-error` : '', warning ? `${id}-warning` : '', hint ? `${id}-hint` : '']
			.filter(Boolean)
			.join(' ') || undefined
	);
</script>

<div class={['flex min-w-0 flex-col', extra]}>
	<label for={id} class={tight ? 'sr-only' : compact ? 'text-quiet text-xs' : 'mb-1 text-sm font-medium'}
		>{label}</label
	>
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
	{#if error}<p id="{id}-error" class="text-loss mt-0.5 text-sm">{error}</p>{/if}
	{#if warning}<p id="{id}-warning" class="text-attention-ink mt-0.5 text-sm">{warning}</p>{/if}
	{#if hint}<p id="{id}-hint" class="text-quiet mt-0.5 text-sm">{hint}</p>{/if}
</div>
