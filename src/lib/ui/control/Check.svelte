<script lang="ts">
	import Check from '@lucide/svelte/icons/check';
	import { Checkbox } from 'bits-ui';
	import type { Snippet } from 'svelte';
	import type { ClassValue } from 'svelte/elements';

	/** Yes or no, with its words beside it. */
	interface Props {
		checked: boolean;
		/** Its words where nothing is to be read beside it. */
		label?: string;
		/** The name and value it is sent under by a plain form. */
		name?: string;
		value?: string;
		disabled?: boolean;
		error?: string;
		oncheck?: (checked: boolean) => void;
		class?: ClassValue;
		children?: Snippet;
	}
	let {
		checked = $bindable(),
		label,
		name,
		value,
		disabled = false,
		error = '',
		oncheck,
		class: extra = '',
		children
	}: Props = $props();
	const id = $props.id();
	const take = (next: boolean) => {
		checked = next;
		oncheck?.(next);
	};
</script>

<div class={['flex min-h-11 items-center gap-2', extra]}>
	<Checkbox.Root
		{id}
		bind:checked={() => checked, take}
		{name}
		{value}
		{disabled}
		aria-label={label}
		aria-invalid={error ? 'true' : undefined}
		aria-describedby={error ? `${id}-error` : undefined}
		class="check"
	>
		{#snippet children({ checked: isChecked })}
			{#if isChecked}<Check class="size-4" strokeWidth={3} aria-hidden="true" />{/if}
		{/snippet}
	</Checkbox.Root>
	{#if children}<label for={id} class="min-w-0">{@render children()}</label>{/if}
</div>
{#if error}<p id="{id}-error" class="text-loss mt-0.5 text-sm">{error}</p>{/if}
