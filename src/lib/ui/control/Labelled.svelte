<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { ClassValue } from 'svelte/elements';

	/** What every control has round it: its label, and under it what is wrong, what is doubted and what helps. */
	interface Props {
		/** Of the control itself; its words are at `ID-error`, `ID-warning` and `ID-hint`. */
		id: string;
		label: string;
		error?: string;
		warning?: string;
		hint?: string;
		/** Hides the label from sight where a column heading says it. */
		tight?: boolean;
		/** Low, with its label small above it: for a bar of several. */
		compact?: boolean;
		/** A control of several parts is a group, whose name is at `ID-label`. */
		parts?: boolean;
		class?: ClassValue | null;
		children: Snippet;
	}
	let {
		id,
		label,
		error = '',
		warning = '',
		hint = '',
		tight = false,
		compact = false,
		parts = false,
		class: extra = '',
		children
	}: Props = $props();
	const words = $derived(tight ? 'sr-only' : compact ? 'text-quiet text-xs' : 'mb-1 text-sm font-medium');
</script>

<div class={['flex min-w-0 flex-col', extra]}>
	{#if parts}<span id="{id}-label" class={words}>{label}</span>
	{:else}<label for={id} class={words}>{label}</label>{/if}
	{@render children()}
	{#if error}<p id="{id}-error" class="text-loss mt-0.5 text-sm">{error}</p>{/if}
	{#if warning}<p id="{id}-warning" class="text-attention-ink mt-0.5 text-sm">{warning}</p>{/if}
	{#if hint}<p id="{id}-hint" class="text-quiet mt-0.5 text-sm">{hint}</p>{/if}
</div>
