<script lang="ts">
	import { afterNavigate, beforeNavigate, goto, preloadCode } from '$app/navigation';
	import { outcomesOf } from '$core/bench/standing.ts';
	import { stockUsesAtHand } from '$core/stock/use.ts';
	import { planRibbon, ribbonReached } from '$lib/batch/ribbons.ts';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { beginSession } from '$lib/batch/bench/session.svelte.ts';
	import { keepPage } from '$lib/offline/keep-page.ts';
	import { dock } from '$lib/scale/dock.svelte.ts';
	import { onMount } from 'svelte';
	import Head from '../Head.svelte';

	let { data, children } = $props();

	const session = beginSession(() => data);
	const batch = $derived(session.batch);
	const facts = $derived(session.facts);
	const plan = $derived(planRibbon(data.batch, data.expectedLoss));
	const actual = $derived(ribbonReached(batch, facts));
	const marks = $derived(
		session.isClosed
			? batch.closings
			: outcomesOf(
					{ ...batch, stock: stockUsesAtHand(batch.stock, batch.lines, batch.packsMade, data.lots) },
					data.scaleDivision_g
				).closings
	);

	onMount(() => {
		dock.prepare(data.scaleDivision_g);
		return () => void dock.leave();
	});
	beforeNavigate(({ to, willUnload, cancel }) => {
		// The desk shows and closes what the server has: what is on its way gets there first.
		const isDesk = to?.url.pathname === `/batches/${data.batch.id}`;
		if (!to || willUnload || !isDesk || outbox.waiting.length === 0 || !outbox.reached) return;
		cancel();
		void outbox.sent().then(() => goto(to.url, { invalidateAll: true }));
	});
	afterNavigate(async ({ to }) => {
		// With the server gone the next station has to be here already.
		const stations = ['weigh', 'mix', 'divide', 'surface', 'cook', 'pack'];
		await Promise.all(stations.map((station) => preloadCode(`/batches/${data.batch.id}/${station}`)));
		if (to) await keepPage(to.url.pathname);
	});
</script>

<!-- Read ahead when a link is hovered, the desk would be as it was before the last entry. -->
<div class="contents" data-sveltekit-preload-data="off">
	<!-- What has to stay in view of a station that is scrolled. -->
	<div id="in-view" class="fixed inset-x-0 top-0 z-20 md:left-32"></div>
	<Head {batch} {actual} {plan} {marks} />
	{#if session.isClosed}
		<p class="border-squared bg-sheet mt-3 border-l-4 px-4 py-2 font-semibold" role="status">
			This batch is closed: nothing is taken any more.
			<a href="/batches/{batch.id}">A correction is recorded beside it</a>.
		</p>
	{/if}
	{#each session.problems as problem, nth (nth)}
		<p class="border-loss bg-loss-pale mt-3 border-l-4 px-4 py-2" role="alert">
			These figures cannot be: {problem.message}.
		</p>
	{/each}
	<!-- What a station was in the middle of is not gone on with at another batch. -->
	<div class="mt-3">
		{#key batch.id}{@render children()}{/key}
	</div>
</div>
