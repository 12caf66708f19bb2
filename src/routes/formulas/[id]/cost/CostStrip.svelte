<script lang="ts">
	import type { Payee, Stretch } from '$core/cost/where.ts';
	import { Decimal } from 'decimal.js';
	import { COST_WORDS } from '$lib/kitchen/cost-words.ts';
	import { money } from '$lib/format.ts';

	/** The price of a pack as a strip of paper, cut to scale into what it pays for. */
	let { stretches, currency }: { stretches: readonly Stretch[]; currency: string } = $props();

	const FILL: Record<Payee, string> = {
		flour: 'bg-flour',
		water: 'bg-water',
		fat: 'bg-fat',
		other: 'bg-other',
		materials: 'bg-ink text-white',
		energy: 'bg-attention',
		labour: 'bg-action text-white',
		fee: 'bg-quiet text-white',
		left: 'bg-squared text-white'
	};
	const loses = $derived(stretches.find(({ payee, amount }) => payee === 'left' && amount.startsWith('-')));
	const drawn = $derived(stretches.filter(({ amount }) => Number(amount) > 0));
	const whole = $derived(drawn.reduce((sum, { amount }) => sum + Number(amount), 0));
	function word({ payee, name, key }: Stretch): string {
		if (payee === 'left') return 'Left to you';
		if (payee === 'fee') return 'The place takes';
		if (key === payee) return COST_WORDS[payee as keyof typeof COST_WORDS] ?? name;
		return name;
	}
	/** A stretch narrower than this has no room for words; the list below has them. */
	const LEAST_SHARE = 0.07;
	const share = (amount: string) => (whole > 0 ? Number(amount) / whole : 0);
</script>

<div class="border-ink flex h-16 overflow-hidden border" aria-hidden="true">
	{#each drawn as stretch, nth (nth)}
		<div
			class={[
				'min-w-0 overflow-hidden border-r border-white px-1 pt-1 text-xs leading-tight',
				FILL[stretch.payee]
			]}
			style:width="{100 * share(stretch.amount)}%"
			title="{word(stretch)} {money(stretch.amount, currency)}"
		>
			{#if share(stretch.amount) > LEAST_SHARE}
				<span class="block truncate font-semibold">{word(stretch)}</span>
				<span class="figure block">{money(stretch.amount, currency)}</span>
			{/if}
		</div>
	{/each}
</div>
{#if loses}
	<p class="text-loss mt-1 font-semibold">
		Each pack sold loses {money(new Decimal(loses.amount).abs().toFixed(2), currency)}: it costs more than it
		brings.
	</p>
{/if}
<ul class="mt-2 columns-1 gap-8 text-sm sm:columns-2 lg:columns-3" data-testid="where-it-goes">
	{#each stretches as stretch, nth (nth)}
		{#if stretch !== loses}
			<li class="flex break-inside-avoid items-baseline gap-2 py-0.5">
				<span class={['inline-block size-3 shrink-0', FILL[stretch.payee]]} aria-hidden="true"></span>
				<span class="min-w-0 flex-1 truncate" title={word(stretch)}>{word(stretch)}</span>
				<span class="figure">{money(stretch.amount, currency)}</span>
			</li>
		{/if}
	{/each}
</ul>
