<script lang="ts">
	import type { UnsureFigure } from '$lib/sure/types.ts';

	/** The figures of a label that may not survive a laboratory; apart, those that measuring does not mend. */
	interface Props {
		unsure: readonly UnsureFigure[];
		/** Where more is said; empty for who may not look. */
		href: string;
	}
	let { unsure, href }: Props = $props();
	const MOST = 3;
	const words = (figures: readonly UnsureFigure[]) =>
		figures
			.slice(0, MOST)
			.map(({ name, survives }) => `${name} ${Math.round(survives * 100)}`)
			.join(', ') + (figures.length > MOST ? ` and ${figures.length - MOST} more` : '');
	const mended = $derived(unsure.filter(({ mends }) => mends));
	const left = $derived(unsure.filter(({ mends }) => !mends));
</script>

{#if unsure.length > 0}
	<span class="text-attention-ink block text-sm" data-testid="unsure">
		{#if mended.length > 0}So many of 100 laboratories would find it as printed: {words(mended)}.{/if}
		{#if left.length > 0}Not to be mended by measuring: {words(left)}.{/if}
		{#if href}<a {href}>How sure</a>{/if}
	</span>
{/if}
