<script lang="ts">
	import { RadioGroup } from 'bits-ui';
	import type { ClassValue } from 'svelte/elements';

	/** One of a few, all in sight. */
	interface Props {
		label: string;
		value: string;
		options: readonly { value: string; text: string }[];
		/** The name it is sent under by a plain form. */
		sent?: string;
		class?: ClassValue;
	}
	let { label, value = $bindable(), options, sent, class: extra = '' }: Props = $props();
	const id = $props.id();
</script>

{#if sent}<input type="hidden" name={sent} {value} />{/if}
<RadioGroup.Root bind:value aria-label={label} class={['flex flex-col', extra]}>
	{#each options as option (option.value)}
		<div class="flex min-h-11 items-center gap-2">
			<RadioGroup.Item id="{id}-{option.value}" value={option.value} class="radio">
				{#snippet children({ checked })}
					{#if checked}<span class="bg-action size-2.5 rounded-full" aria-hidden="true"></span>{/if}
				{/snippet}
			</RadioGroup.Item>
			<label for="{id}-{option.value}">{option.text}</label>
		</div>
	{/each}
</RadioGroup.Root>
