<script lang="ts">
	import { Slider } from 'bits-ui';

	/** A figure that is slid, with its own words for where it stands; back to where it began by a press. */
	interface Props {
		label: string;
		value: number;
		/** Where it stands when nothing is supposed. */
		start: number;
		min: number;
		max: number;
		step: number;
		said: (value: number) => string;
	}
	let { label, value = $bindable(), start, min, max, step, said }: Props = $props();
	const id = $props.id();
</script>

<div class="grid grid-cols-[1fr_auto] items-center gap-x-3">
	<span id="{id}-label" class="min-w-0 truncate text-sm font-medium" title={label}>{label}</span>
	<span class={['figure text-sm', value !== start && 'font-semibold']}>{said(value)}</span>
	<Slider.Root type="single" bind:value {min} {max} {step} class="slider">
		<span class="slider-line"><Slider.Range class="slider-range" /></span>
		<Slider.Thumb index={0} class="slider-thumb" aria-labelledby="{id}-label" aria-valuetext={said(value)} />
	</Slider.Root>
	<button
		type="button"
		class="min-h-9 px-1 text-sm underline"
		disabled={value === start}
		aria-label="{label}: as it was"
		onclick={() => (value = start)}>as it was</button
	>
</div>
