<script lang="ts">
	import { readTemperatureLine } from '$core/scale/line.ts';
	import { hasSerial, serialScale } from '$lib/scale/serial.ts';
	import { onMount } from 'svelte';

	/** A thermometer at a serial port of this device: what it reads goes into the field, to be noted by hand. */
	let { onread }: { onread: (temperature_c: number) => void } = $props();

	const BAUD_RATE = 9600;
	let serial = $state(false);
	let connected = $state(false);
	let trouble = $state('');
	let close: (() => Promise<void> | void) | null = null;

	async function open(): Promise<void> {
		trouble = '';
		try {
			close = await serialScale(BAUD_RATE).open({
				line: (text) => {
					const temperature_c = readTemperatureLine(text);
					if (temperature_c !== null) onread(temperature_c);
				},
				connected: (is) => (connected = is)
			});
		} catch (error) {
			trouble = error instanceof Error ? error.message : 'the thermometer could not be opened';
		}
	}
	onMount(() => {
		serial = hasSerial();
		return () => void close?.();
	});
</script>

{#if serial}
	<p class="mt-1 flex flex-wrap items-center gap-3 text-sm">
		{#if connected}
			<span>The thermometer is read: press <b>Note it</b> when it is on the plate.</span>
		{:else}
			<button type="button" class="min-h-11 underline sm:min-h-8" onclick={open}
				>Read a thermometer at a serial port</button
			>
		{/if}
		{#if trouble}<span class="text-loss">{trouble}</span>{/if}
	</p>
{/if}
