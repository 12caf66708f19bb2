<script lang="ts">
	import { breakEvenPacks, marginOf, priceForMargin, type Fee } from '$core/cost/selling.ts';
	import { readMoney, readNumber } from '$core/measure/reading.ts';
	import { money, percent, plain } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import { Decimal } from 'decimal.js';
	import { untrack } from 'svelte';

	/** The price a wanted margin needs, and how many packs pay for a selling day. */
	interface Props {
		costPerPack: string;
		price: string | null;
		places: { name: string; fee: Fee }[];
		/** An hour of work; null where it is not counted. */
		labour: string | null;
		currency: string;
	}
	let { costPerPack, price, places, labour, currency }: Props = $props();
	const HUNDRED = 100;
	let wanted = $state('50');
	let asked = $state(untrack(() => price ?? ''));
	let placeName = $state(
		untrack(() => places.find(({ fee }) => Number(fee.perDay) > 0)?.name ?? places[0]?.name ?? '')
	);
	let hours = $state('');
	let other = $state('');
	const place = $derived(places.find(({ name }) => name === placeName));
	const share = $derived(place?.fee.share ?? 0);

	const margin = $derived(readNumber(wanted));
	const marginError = $derived(
		!margin.ok
			? margin.message
			: margin.value < 0 || margin.value >= HUNDRED
				? 'from 0 to less than 100 %'
				: ''
	);
	const needed = $derived(
		margin.ok && !marginError ? priceForMargin(costPerPack, margin.value / HUNDRED, share) : null
	);
	const readPrice = $derived(readMoney(asked));
	const optional = (text: string, read: (text: string) => ReturnType<typeof readNumber>) =>
		text.trim() === '' ? ({ ok: true, value: 0 } as const) : read(text);
	const readHours = $derived(optional(hours, readNumber));
	const readOther = $derived(other.trim() === '' ? ({ ok: true, value: '0' } as const) : readMoney(other));
	const fixed = $derived(
		readHours.ok && readOther.ok
			? new Decimal(place?.fee.perDay ?? '0')
					.plus(new Decimal(labour ?? '0').times(readHours.value))
					.plus(readOther.value)
					.toFixed(2)
			: null
	);
	const packs = $derived(
		readPrice.ok && fixed !== null ? breakEvenPacks(readPrice.value, costPerPack, fixed, share) : null
	);
</script>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="selling-heading">
	<h2 id="selling-heading">What to ask, and how many pay for a day</h2>
	<div class="mt-2 grid gap-x-10 gap-y-6 lg:grid-cols-2">
		<div>
			<div class="grid grid-cols-2 items-start gap-3">
				<Field label="Margin wanted" unit="%" bind:value={wanted} error={marginError} inputmode="decimal" />
				{#if places.length > 0}
					<Choice
						label="Sold at"
						bind:value={placeName}
						options={places.map(({ name }) => ({ value: name, text: name }))}
					/>
				{/if}
			</div>
			<p class="mt-2" data-testid="price-needed">
				{#if needed}
					A pack has to be <b class="figure">{money(needed, currency)}</b>{price
						? ` (it is ${money(price, currency)} now)`
						: ''}. {share > 0 ? `${placeName} keeps ${plain(share * HUNDRED, 1)} % of it.` : ''}
				{:else if !marginError}
					No price does: {placeName} keeps {plain(share * HUNDRED, 1)} %, and that and the margin are all of it.
				{/if}
			</p>
			<p class="text-quiet text-sm">
				Margin is (price − cost) ÷ price, the cost of a pack being {money(costPerPack, currency)}.
			</p>
		</div>
		<div>
			<div class="grid grid-cols-3 items-start gap-3">
				<Field
					label="Price of a pack"
					bind:value={asked}
					error={readPrice.ok ? '' : readPrice.message}
					inputmode="decimal"
				/>
				<Field
					label="Hours at it"
					bind:value={hours}
					error={readHours.ok ? '' : readHours.message}
					inputmode="decimal"
					hint={labour ? `at ${money(labour, currency)}` : 'an hour has no price'}
				/>
				<Field
					label="Other that day"
					unit={currency}
					bind:value={other}
					error={readOther.ok ? '' : readOther.message}
					inputmode="decimal"
					hint="travel, ice"
				/>
			</div>
			<p class="mt-2" data-testid="break-even">
				{#if fixed !== null && readPrice.ok}
					{#if packs === null}
						<span class="text-loss font-semibold"
							>No number does: a pack at {money(readPrice.value, currency)} does not pay for itself.</span
						>
					{:else}
						<b class="figure">{plain(packs)}</b>
						{packs === 1 ? 'pack pays' : 'packs pay'} for a day at {placeName || 'the stall'}: {money(
							fixed,
							currency
						)} whatever is sold, and each pack leaves {money(
							new Decimal(readPrice.value).times(new Decimal(1).minus(share)).minus(costPerPack).toFixed(2),
							currency
						)} (margin {percent(marginOf(readPrice.value, costPerPack, share) ?? 0, 0)} %).
					{/if}
				{/if}
			</p>
		</div>
	</div>
</section>
