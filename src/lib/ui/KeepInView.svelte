<script lang="ts">
	import { Portal } from 'bits-ui';
	import { onMount, type Snippet } from 'svelte';

	/**
	 * What has to stay in view while somebody works: once it is scrolled away, what matters of it stands at the top of
	 * the window (`#in-view`). That is for eyes and fingers; keys and readers have the one on the page.
	 */
	interface Props {
		children: Snippet;
		/** What stays of it. */
		short: Snippet;
	}
	let { children, short }: Props = $props();
	let host = $state<HTMLElement>();
	let isAway = $state(false);
	/** The main button ends it: of what stays in view nothing may be cut. All of it is never reached between pixels. */
	const WHOLE = 0.99;
	onMount(() => {
		if (!host) return;
		const watch = new IntersectionObserver(([entry]) => (isAway = !(entry?.isIntersecting ?? true)), {
			threshold: WHOLE
		});
		watch.observe(host);
		return () => watch.disconnect();
	});
</script>

<div bind:this={host}>{@render children()}</div>
{#if isAway}
	<Portal to="#in-view">
		<div aria-hidden="true" class="bg-sheet border-ink flex items-center gap-3 border-b px-4 py-1.5">
			{@render short()}
		</div>
	</Portal>
{/if}
