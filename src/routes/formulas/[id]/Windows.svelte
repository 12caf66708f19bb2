<script lang="ts">
	import { SHARE_WORDS } from '$lib/formula/share-words.ts';
	import { windowFindings, type Windows } from '$core/formula/families.ts';
	import type { FlourShares, ShareKey } from '$core/formula/shares.ts';
	import { fixed, plain } from '$lib/format.ts';

	/** The formula in percent of flour, each figure beside its family's usual window. */
	interface Props {
		shares: FlourShares;
		windows: Windows;
		flour_g: number;
		/** Hydration really used in the last batches. */
		used: { low: number; high: number; batches: number } | null;
		/** Hydration with all that is kept back; null where nothing is. */
		most: number | null;
	}
	let { shares, windows, flour_g, used, most }: Props = $props();

	const ALWAYS: ShareKey[] = ['hydration', 'effectiveHydration', 'fat', 'salt'];
	const findings = $derived(
		new Map(windowFindings(shares, windows).map((finding) => [finding.key, finding]))
	);
	/** What has a window or is there: a zero nobody has a window for says nothing. */
	const shown = $derived(
		(Object.keys(SHARE_WORDS) as ShareKey[]).filter(
			(key) => findings.has(key) || ALWAYS.includes(key) || (shares[key] ?? 0) > 0
		)
	);
	/** The scale of a bar: a quarter of the window's width to spare on both sides, and the figure on it. */
	function bar(key: ShareKey) {
		const finding = findings.get(key);
		if (!finding || finding.percent === null) return null;
		const { low, high } = finding.window;
		const width = Math.max(high - low, high * 0.2, 1);
		const from = Math.max(0, Math.min(low - width * 0.5, finding.percent - width * 0.1));
		const to = Math.max(high + width * 0.5, finding.percent + width * 0.1);
		const at = (value: number) => `${((value - from) / (to - from)) * 100}%`;
		return { left: at(low), width: `${((high - low) / (to - from)) * 100}%`, pointer: at(finding.percent) };
	}
	const say = (key: ShareKey) => {
		const finding = findings.get(key);
		if (!finding) return '';
		const { low, high } = finding.window;
		const span = low === high ? `${plain(low, 1)}` : `${plain(low, 1)}–${plain(high, 1)}`;
		if (finding.state === 'unknown') return `usual ${span}`;
		const all = shares.effectiveHydration;
		if (key === 'hydration' && finding.state === 'below' && all !== null && all >= low && all <= high)
			return `usual ${span}; with all its water it is inside`;
		return finding.state === 'inside' ? `inside ${span}` : `usual ${span}: ${finding.reason}`;
	};
</script>

<section aria-label="Of the flour" class="border-ink mt-5 border-t-2 pt-2">
	<dl class="grid grid-cols-2 gap-x-5 gap-y-3 sm:grid-cols-4">
		{#each shown as key (key)}
			{@const drawn = bar(key)}
			{@const outside =
				['below', 'above'].includes(findings.get(key)?.state ?? '') && !say(key).endsWith('inside')}
			<div>
				<dt class="flex justify-between text-sm">
					<span>{SHARE_WORDS[key]}</span>
					<b class="figure" data-testid={key}
						>{shares[key] === null ? '–' : fixed(shares[key], 1)}<span class="unit">%</span></b
					>
				</dt>
				<dd>
					{#if drawn}
						<div class="bg-rule/50 relative my-1 h-2" aria-hidden="true">
							<div
								class="bg-squared/30 absolute h-full"
								style="left: {drawn.left}; width: {drawn.width}"
							></div>
							<div
								class={['absolute -top-1 h-4 w-0.5', outside ? 'bg-loss' : 'bg-ink']}
								style="left: {drawn.pointer}"
							></div>
						</div>
					{/if}
					<p class={['text-xs', outside ? 'text-attention-ink' : 'text-quiet']}>
						{say(key)}{#if key === 'hydration' && used}; last {used.batches} batches ran {fixed(
								used.low,
								1
							)}{used.low === used.high
								? ''
								: `–${fixed(used.high, 1)}`}{/if}{#if key === 'hydration' && most !== null}; up to {fixed(
								most,
								1
							)} with what is kept back{/if}
					</p>
				</dd>
			</div>
		{/each}
		<div>
			<dt class="flex justify-between text-sm">
				<span>Flour</span><b class="figure">{plain(flour_g, 1)}<span class="unit">g</span></b>
			</dt>
		</div>
	</dl>
</section>
