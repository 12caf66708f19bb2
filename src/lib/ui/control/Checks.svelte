<script lang="ts">
	import Check from './Check.svelte';
	import type { ClassValue } from 'svelte/elements';

	/** Any of a few. */
	interface Props {
		value: string[];
		/** `label` is said in the place of `text` to whoever does not see what stands round it. */
		options: readonly { value: string; text: string; label?: string }[];
		disabled?: boolean;
		class?: ClassValue;
	}
	let { value = $bindable(), options, disabled = false, class: extra = '' }: Props = $props();
	const take = (each: string, is: boolean) => {
		value = is ? [...value.filter((other) => other !== each), each] : value.filter((other) => other !== each);
	};
</script>

<div class={['flex flex-wrap gap-x-5', extra]}>
	{#each options as option (option.value)}
		<Check
			checked={value.includes(option.value)}
			label={option.label}
			{disabled}
			oncheck={(is) => take(option.value, is)}>{option.text}</Check
		>
	{/each}
</div>
