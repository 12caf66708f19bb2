<script lang="ts">
	import { parseDate, type CalendarDate, type DateValue } from '@internationalized/date';
	import { page } from '$app/state';
	import CalendarDays from '@lucide/svelte/icons/calendar-days';
	import { DatePicker } from 'bits-ui';
	import { untrack } from 'svelte';
	import type { ClassValue } from 'svelte/elements';
	import { describedBy } from './described.ts';
	import Labelled from './Labelled.svelte';

	/** A day, `2026-03-14` or nothing: typed in the kitchen's own order or taken from a month. */
	interface Props {
		label: string;
		value: string;
		error?: string;
		hint?: string;
		warning?: string;
		tight?: boolean;
		compact?: boolean;
		disabled?: boolean;
		/** No day before it is offered. */
		min?: string;
		onday?: (value: string) => void;
		class?: ClassValue;
	}
	let {
		label,
		value = $bindable(),
		error = '',
		hint = '',
		warning = '',
		tight = false,
		compact = false,
		disabled = false,
		min,
		onday,
		class: extra = ''
	}: Props = $props();
	const id = $props.id();
	const kitchen = $derived(page.data.kitchen);
	const day = $derived(dayOf(value));
	// The month that opens where no day is chosen.
	let shown = $state<DateValue>(untrack(() => dayOf(value) ?? dayOf(page.data.today)) as CalendarDate);
	function dayOf(text: string): CalendarDate | undefined {
		try {
			return parseDate(text);
		} catch {
			return undefined;
		}
	}
	function take(next: DateValue | undefined) {
		const text = next ? next.toString().slice(0, 10) : '';
		if (text === value) return;
		value = text;
		onday?.(text);
	}
</script>

<Labelled {id} {label} {error} {hint} {warning} {tight} {compact} parts class={extra}>
	<DatePicker.Root
		bind:value={() => day, take}
		bind:placeholder={shown}
		locale={kitchen.locale}
		weekStartsOn={kitchen.weekStarts}
		granularity="day"
		weekdayFormat="short"
		fixedWeeks
		{disabled}
		minValue={min ? dayOf(min) : undefined}
	>
		<div
			class={['input day', tight && 'input-tight', compact && 'input-compact']}
			data-day={value}
			data-wrong={error ? '' : undefined}
		>
			<DatePicker.Input
				{id}
				aria-labelledby="{id}-label"
				aria-describedby={describedBy(id, { error, warning, hint })}
				aria-invalid={error ? 'true' : undefined}
				class="figure flex flex-1 items-center whitespace-nowrap"
			>
				{#snippet children({ segments })}
					{#each segments as { part, value: text }, nth (nth)}
						{#if part === 'literal'}<span class="text-quiet" aria-hidden="true">{text}</span>
						{:else}
							<DatePicker.Segment {part} class="segment">{text}</DatePicker.Segment>
						{/if}
					{/each}
				{/snippet}
			</DatePicker.Input>
			<DatePicker.Trigger class="day-opener" aria-label="{label}: choose from a month">
				<CalendarDays class="size-4.5" aria-hidden="true" />
			</DatePicker.Trigger>
		</div>
		<DatePicker.Portal>
			<DatePicker.Content class="month" sideOffset={4} collisionPadding={8} aria-label={label}>
				<DatePicker.Calendar>
					{#snippet children({ months, weekdays })}
						<DatePicker.Header>
							<!-- As a header it would be taken for the page's own. -->
							{#snippet child({ props })}
								<div {...props} class="flex items-center justify-between">
									<DatePicker.PrevButton class="month-turn" aria-label="The month before"
										>‹</DatePicker.PrevButton
									>
									<DatePicker.Heading class="font-semibold" />
									<DatePicker.NextButton class="month-turn" aria-label="The month after"
										>›</DatePicker.NextButton
									>
								</div>
							{/snippet}
						</DatePicker.Header>
						{#each months as month (month.value.toString())}
							<DatePicker.Grid class="border-collapse">
								<DatePicker.GridHead>
									<DatePicker.GridRow>
										{#each weekdays as weekday, nth (nth)}
											<DatePicker.HeadCell class="text-quiet size-11 text-xs font-normal"
												>{weekday.slice(0, 2)}</DatePicker.HeadCell
											>
										{/each}
									</DatePicker.GridRow>
								</DatePicker.GridHead>
								<DatePicker.GridBody>
									{#each month.weeks as week, nth (nth)}
										<DatePicker.GridRow>
											{#each week as date (date.toString())}
												<DatePicker.Cell {date} month={month.value} class="p-0">
													<DatePicker.Day class="month-day figure" />
												</DatePicker.Cell>
											{/each}
										</DatePicker.GridRow>
									{/each}
								</DatePicker.GridBody>
							</DatePicker.Grid>
						{/each}
					{/snippet}
				</DatePicker.Calendar>
			</DatePicker.Content>
		</DatePicker.Portal>
	</DatePicker.Root>
</Labelled>
