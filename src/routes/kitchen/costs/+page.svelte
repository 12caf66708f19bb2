<script lang="ts">
	import DayField from '$lib/ui/control/DayField.svelte';
	import { enhance } from '$app/forms';
	import { dayText, money, plain } from '$lib/format.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	let { data } = $props();
	const currency = $derived(data.kitchen.currency);
	/** Rates may be given for a day that is still to come. */
	const inForce = $derived(data.rates.find((rate) => rate.validFrom <= data.today));
	let rates = $state(
		untrack(() => ({
			validFrom: data.today,
			tariff: data.rates[0]?.tariff_perKwh ?? '',
			labour: data.rates[0]?.labour_perHour ?? ''
		}))
	);
	const ratesForm = draftForm<never>({ saved: 'Rates given' });
	let power = $state(
		untrack(() =>
			data.equipment.map(({ id, power_kw }) => ({ id, kw: power_kw === null ? '' : String(power_kw) }))
		)
	);
	const powerForm = draftForm<never>({ saved: 'Saved' });
	const blankFee = () => ({ channel: '', validFrom: data.today, perDay: '', share: '' });
	let fee = $state(untrack(blankFee));
	const feeForm = draftForm<never>({ saved: 'Fee given', onsaved: () => (fee = blankFee()) });
	const each = (amount: string | null, of: string) =>
		amount === null ? 'not counted' : `${money(amount, currency)} ${of}`;
</script>

<svelte:head><title>Energy, labour and fees · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/kitchen">Kitchen</a></p>
<h1>Energy, labour and fees</h1>
<p class="text-quiet max-w-prose">
	Each is counted only where you give it, and stands apart from the ingredients. What holds from a day on
	counts for the batches and sales from that day; what was before stays.
</p>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="rates-heading">
	<h2 id="rates-heading">Energy and labour</h2>
	<form
		method="POST"
		action="?/rates"
		use:enhance={ratesForm.enhance}
		class="mt-2 grid max-w-3xl items-start gap-3 sm:grid-cols-4"
	>
		<input type="hidden" name="draft" value={JSON.stringify({ id: ratesForm.key, ...rates })} />
		<Field
			label="A kilowatt-hour"
			unit={currency}
			bind:value={rates.tariff}
			error={ratesForm.at('tariff')}
			inputmode="decimal"
			hint="Empty: not counted"
		/>
		<Field
			label="An hour of work"
			unit={currency}
			bind:value={rates.labour}
			error={ratesForm.at('labour')}
			inputmode="decimal"
			hint="Empty: not counted"
		/>
		<DayField label="From" bind:value={rates.validFrom} error={ratesForm.at('validFrom')} />
		<button class="button sm:mt-6" disabled={ratesForm.saving}>Give these rates</button>
	</form>
	<Problems problems={ratesForm.problems.filter((problem) => problem.path === '')} />
	{#if data.rates.length > 0}
		<ul class="mt-3 text-sm">
			{#each data.rates as rate (rate.id)}
				<li class={rate === inForce ? 'font-semibold' : 'text-quiet'}>
					From {dayText(rate.validFrom)}: energy {each(rate.tariff_perKwh, 'a kWh')}, labour {each(
						rate.labour_perHour,
						'an hour'
					)}{rate === inForce ? ', in force' : rate.validFrom > data.today ? ', to come' : ''}
				</li>
			{/each}
		</ul>
	{:else}
		<p class="text-quiet mt-3 text-sm">
			Nothing is counted yet: a batch costs its ingredients and materials.
		</p>
	{/if}
</section>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="power-heading">
	<h2 id="power-heading">What heats</h2>
	<p class="text-quiet max-w-prose text-sm">
		Energy of a batch is the minutes it was heated × the kilowatts of what it touched × the price above.
	</p>
	{#if data.equipment.length === 0}
		<p class="mt-2">
			There is no equipment yet. <a href="/kitchen#equipment-heading">Add a griddle or an oven</a> first.
		</p>
	{:else}
		<form method="POST" action="?/power" use:enhance={powerForm.enhance} class="mt-2 max-w-3xl">
			<input type="hidden" name="draft" value={JSON.stringify({ power })} />
			<div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
				{#each data.equipment as item, index (item.id)}
					{#if power[index]}
						<Field
							label={item.name}
							unit="kW"
							bind:value={power[index].kw}
							error={powerForm.at(`power[${index}].kw`)}
							inputmode="decimal"
						/>
					{/if}
				{/each}
			</div>
			<button class="button mt-3" disabled={powerForm.saving}>Save the kilowatts</button>
			<Problems problems={powerForm.problems.filter((problem) => !problem.path.startsWith('power'))} />
		</form>
	{/if}
</section>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="fees-heading">
	<h2 id="fees-heading">What a place takes</h2>
	<p class="text-quiet max-w-prose text-sm">
		A stall’s rent for the day, or the share a shop or a card reader keeps of what is sold there.
	</p>
	<form
		method="POST"
		action="?/fee"
		use:enhance={feeForm.enhance}
		class="mt-2 grid max-w-4xl items-start gap-3 sm:grid-cols-[minmax(0,2fr)_1fr_1fr_1fr_auto]"
	>
		<input type="hidden" name="draft" value={JSON.stringify({ id: feeForm.key, ...fee })} />
		<Field
			label="Place"
			bind:value={fee.channel}
			error={feeForm.at('channel')}
			list="places"
			maxlength={60}
		/>
		<datalist id="places"
			>{#each data.channels as channel, nth (nth)}<option value={channel}></option>{/each}</datalist
		>
		<Field
			label="A day"
			unit={currency}
			bind:value={fee.perDay}
			error={feeForm.at('perDay')}
			inputmode="decimal"
		/>
		<Field label="Of sales" unit="%" bind:value={fee.share} error={feeForm.at('share')} inputmode="decimal" />
		<DayField label="From" bind:value={fee.validFrom} error={feeForm.at('validFrom')} />
		<button class="button sm:mt-6" disabled={feeForm.saving}>Give this fee</button>
	</form>
	<Problems problems={feeForm.problems.filter((problem) => problem.path === '')} />
	{#if data.fees.length > 0}
		<table class="ledger mt-3 max-w-4xl">
			<thead
				><tr><th>Place</th><th>From</th><th class="number">A day</th><th class="number">Of sales</th></tr
				></thead
			>
			<tbody>
				{#each data.fees as given (given.id)}
					<tr>
						<td>{given.channel}</td>
						<td class="text-quiet">{dayText(given.validFrom)}</td>
						<td class="number">{money(given.perDay, currency)}</td>
						<td class="number">{plain(given.share * 100, 2)}<span class="unit">%</span></td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</section>
