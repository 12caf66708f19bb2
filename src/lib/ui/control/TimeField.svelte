<script lang="ts">
	import { parseTime, type Time } from '@internationalized/date';
	import { page } from '$app/state';
	import { TimeField as Parts } from 'bits-ui';
	import type { ClassValue } from 'svelte/elements';
	import { describedBy } from './described.ts';
	import Labelled from './Labelled.svelte';

	/** A time of the day, `07:30` or nothing, typed on the clock of the kitchen's locale. */
	interface Props {
		label: string;
		value: string;
		error?: string;
		hint?: string;
		tight?: boolean;
		compact?: boolean;
		disabled?: boolean;
		class?: ClassValue;
	}
	let {
		label,
		value = $bindable(),
		error = '',
		hint = '',
		tight = false,
		compact = false,
		disabled = false,
		class: extra = ''
	}: Props = $props();
	const id = $props.id();
	const time = $derived(timeOf(value));
	function timeOf(text: string): Time | undefined {
		try {
			return parseTime(text);
		} catch {
			return undefined;
		}
	}
	const take = (next: { toString(): string } | undefined) => {
		value = next ? next.toString().slice(0, 5) : '';
	};
</script>

<Labelled {id} {label} {error} {hint} {tight} {compact} parts class={extra}>
	<Parts.Root bind:value={() => time, take} locale={page.data.kitchen.locale} granularity="minute" {disabled}>
		<div
			class={['input day', tight && 'input-tight', compact && 'input-compact']}
			data-time={value}
			data-wrong={error ? '' : undefined}
		>
			<Parts.Input
				{id}
				aria-labelledby="{id}-label"
				aria-describedby={describedBy(id, { error, hint })}
				aria-invalid={error ? 'true' : undefined}
				class="figure flex flex-1 items-center whitespace-nowrap"
			>
				{#snippet children({ segments })}
					{#each segments as { part, value: text }, nth (nth)}
						{#if part === 'literal'}<span class="text-quiet" aria-hidden="true">{text}</span>
						{:else}
							<Parts.Segment {part} class="segment">{text}</Parts.Segment>
						{/if}
					{/each}
				{/snippet}
			</Parts.Input>
		</div>
	</Parts.Root>
</Labelled>
