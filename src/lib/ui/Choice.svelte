<script lang="ts">
	import type { HTMLSelectAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLSelectAttributes, 'value'> {
		label: string;
		value: string;
		options: { value: string; text: string }[];
		error?: string;
		hint?: string;
		/** Hides the label from sight where a column heading says it. */
		tight?: boolean;
		/** Low, with its label small above it: for a bar of several. */
		compact?: boolean;
	}
	let {
		label,
		value = $bindable(),
		options,
		error = '',
		hint = '',
		tight = false,
		compact = false,
		class: extra = '',
		...rest
	}: Props = $props();
	const id = $props.id();
	const described = $derived(
		[error ? `${id}-error` : '', hint ? `${id}-hint` : ''].filter(Boolean).join(' ') || undefined
	);
</script>

<div class={['flex min-w-0 flex-col', extra]}>
	<label for={id} class={tight ? 'sr-only' : compact ? 'text-quiet text-xs' : 'mb-1 text-sm font-medium'}
		>{label}</label
	>
	<select
		{id}
		bind:value
		class={['input', tight && 'input-tight', compact && 'input-compact']}
		aria-invalid={error ? 'true' : undefined}
		aria-describedby={described}
		{...rest}
	>
		{#each options as option, nth (nth)}<option value={option.value}>{option.text}</option>{/each}
	</select>
	{#if error}<p id="{id}-error" class="text-loss mt-0.5 text-sm">{error}</p>{/if}
	{#if hint}<p id="{id}-hint" class="text-quiet mt-0.5 text-sm">{hint}</p>{/if}
</div>
