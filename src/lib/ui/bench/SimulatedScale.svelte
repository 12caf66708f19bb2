<script lang="ts">
	import Check from '$lib/ui/control/Check.svelte';
	import type { ScaleState } from '../../../../stand-ins/scale/model.ts';
	import { readNumber } from '$core/measure/reading.ts';
	import { plain } from '$lib/format.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import { onMount } from 'svelte';

	/** The hand at a simulated scale, so that a batch can be tried without one. Nothing where it is real. */
	let { name }: { name: string } = $props();

	let scale = $state.raw<ScaleState | null>(null);
	let grams = $state('100');
	let error = $state('');

	async function ask(move?: Record<string, unknown>): Promise<void> {
		try {
			const answer = await fetch(
				`/scale/${name}`,
				move
					? {
							method: 'POST',
							headers: { 'content-type': 'application/json' },
							body: JSON.stringify(move)
						}
					: undefined
			);
			scale = answer.ok ? ((await answer.json()) as ScaleState) : null;
		} catch {
			// The server is gone: the panel stays as it was.
		}
	}
	async function put(sign: 1 | -1): Promise<void> {
		const read = readNumber(grams);
		error = read.ok ? '' : read.message;
		if (read.ok) await ask({ put: sign * read.value });
	}
	onMount(() => void ask());
</script>

{#if scale}
	<details class="border-rule mt-2 border border-dashed px-3 py-1 text-sm" data-testid="simulated-scale">
		<summary class="min-h-8 cursor-pointer font-semibold">Simulated scale</summary>
		<p class="text-quiet">
			No scale is connected: this one stands in for it. <span class="figure">{plain(scale.load_g, 1)}</span> g lie
			on it.
		</p>
		<div class="mt-1 flex items-start gap-2">
			<Field label="Grams" bind:value={grams} {error} inputmode="decimal" class="w-24" />
			<button type="button" class="button mt-6" onclick={() => put(1)}>Put on</button>
			<button type="button" class="button mt-6" onclick={() => put(-1)}>Take off</button>
		</div>
		<div class="mt-2 flex flex-wrap gap-2 pb-2">
			<button type="button" class="button" onclick={() => ask({ empty: true })}>Clear the pan</button>
			<button type="button" class="button" onclick={() => ask({ connected: !scale?.connected })}
				>{scale.connected ? 'Unplug' : 'Plug in'}</button
			>
			<Check checked={scale.batteryLow} oncheck={(is) => ask({ batteryLow: is })}>battery low</Check>
			<Check checked={scale.drift_gPerMinute !== 0} oncheck={(is) => ask({ drift_gPerMinute: is ? 5 : 0 })}
				>drifts</Check
			>
		</div>
	</details>
{/if}
