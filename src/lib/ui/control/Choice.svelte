<script lang="ts">
	import { Select } from 'bits-ui';
	import type { ClassValue, HTMLButtonAttributes } from 'svelte/elements';
	import { describedBy } from './described.ts';
	import Labelled from './Labelled.svelte';

	/** One of several. */
	interface Props extends Omit<HTMLButtonAttributes, 'value' | 'onchange' | 'class'> {
		label: string;
		value: string;
		options: readonly { value: string; text: string }[];
		error?: string;
		hint?: string;
		/** Hides the label from sight where a column heading says it. */
		tight?: boolean;
		/** Low, with its label small above it: for a bar of several. */
		compact?: boolean;
		/** A cell of a sheet: no edge until it is worked in. */
		cell?: boolean;
		/** Said while nothing is chosen. */
		unchosen?: string;
		/** The name it is sent under by a plain form. */
		sent?: string;
		onchoose?: (value: string) => void;
		class?: ClassValue;
	}
	let {
		label,
		value = $bindable(),
		options,
		error = '',
		hint = '',
		tight = false,
		compact = false,
		cell = false,
		unchosen = 'choose…',
		sent,
		onchoose,
		disabled,
		class: extra = '',
		...rest
	}: Props = $props();
	const own = $props.id();
	const id = $derived(rest.id ?? own);
	const chosen = $derived(options.find((option) => option.value === value));
	// The list goes by places: an option whose value is nothing ("of every kind") could not be chosen by its value.
	const at = $derived(chosen ? String(options.indexOf(chosen)) : '');
	const items = $derived(options.map((option, nth) => ({ value: String(nth), label: option.text })));
	function choose(nth: string) {
		const option = options[Number(nth)];
		if (nth === '' || !option) return;
		value = option.value;
		onchoose?.(option.value);
	}
</script>

<Labelled {id} {label} {error} {hint} tight={tight || cell} {compact} class={extra}>
	{#if sent}<input type="hidden" name={sent} {value} />{/if}
	<Select.Root type="single" bind:value={() => at, choose} {items} disabled={disabled ?? false}>
		<Select.Trigger
			{...rest}
			{id}
			data-value={value}
			class={[
				'input choice',
				tight && 'input-tight',
				compact && 'input-compact',
				cell && 'input-cell',
				!chosen && 'text-quiet'
			]}
			aria-invalid={error || rest['aria-invalid'] === 'true' ? 'true' : undefined}
			aria-describedby={rest['aria-describedby'] ?? describedBy(id, { error, hint })}
		>
			<span class="min-w-0 truncate">{chosen?.text ?? unchosen}</span>
		</Select.Trigger>
		<Select.Portal>
			<Select.Content class="options" sideOffset={2} collisionPadding={8} aria-label={label}>
				{#each items as item, nth (nth)}
					<Select.Item class="option" value={item.value} label={item.label} data-option={options[nth]?.value}
						>{item.label}</Select.Item
					>
				{/each}
			</Select.Content>
		</Select.Portal>
	</Select.Root>
</Labelled>
