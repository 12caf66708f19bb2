<script lang="ts">
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
	<label for={id} class="min-w-0 truncate text-sm font-medium" title={label}>{label}</label>
	<span class={['figure text-sm', value !== start && 'font-semibold']}>{said(value)}</span>
	<input
		{id}
		type="range"
		class="accent-action h-9 w-full"
		bind:value
		{min}
		{max}
		{step}
		aria-valuetext={said(value)}
	/>
	<button
		type="button"
		class="min-h-9 px-1 text-sm underline"
		disabled={value === start}
		aria-label="{label}: as it was"
		onclick={() => (value = start)}>as it was</button
	>
</div>
