<script lang="ts">
	import type { Closing } from '$core/squaring/closings.ts';
	import { plain, plural } from '$lib/format.ts';

	/** The square of a stage: solid when it squares, offset when off, open where evidence is missing. */
	let {
		closing,
		small = false,
		word = ''
	}: {
		closing: Closing;
		/** In a row of them. */
		small?: boolean;
		/** Which stage, where it does not stand at its own. */
		word?: string;
	} = $props();
	const words = $derived.by(() => {
		if (closing.state === 'squares') return 'squares';
		if (closing.state === 'off')
			return small
				? `off by ${closing.unit === 'g' ? `${plain(Math.abs(closing.gap))} g` : plural(Math.abs(closing.gap), 'piece')}`
				: `off: ${closing.message}`;
		return small && word !== '' ? 'open' : closing.missing;
	});
</script>

<span class="inline-flex items-start gap-1.5 {small ? 'text-xs' : 'text-sm'}">
	<svg
		width={small ? 14 : 18}
		height={small ? 14 : 18}
		viewBox="0 0 18 18"
		aria-hidden="true"
		class="mt-px shrink-0"
	>
		{#if closing.state === 'squares'}
			<rect x="2" y="2" width="14" height="14" class="fill-squared" />
		{:else if closing.state === 'off'}
			<path d="M2 5V16H13" class="stroke-loss" fill="none" stroke-width="2" />
			<path d="M5 2H16V13" class="stroke-loss" fill="none" stroke-width="2" />
		{:else}
			<rect x="3" y="3" width="12" height="12" fill="none" class="stroke-edge" stroke-width="1.5" />
			<path d="M3 3H15" class="stroke-ink" stroke-width="2.5" />
		{/if}
	</svg>
	<span
		class={closing.state === 'squares'
			? 'text-squared'
			: closing.state === 'off'
				? 'text-loss'
				: 'text-quiet'}>{word === '' ? '' : `${word} `}{words}</span
	>
</span>
