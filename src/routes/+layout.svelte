<script lang="ts">
	import { isControl } from '$lib/form/control.ts';
	import '@fontsource-variable/schibsted-grotesk';
	import '@fontsource-variable/red-hat-mono';
	import '../app.css';
	import { page } from '$app/state';
	import type { Entry } from '$core/bench/entries.ts';
	import { onMount } from 'svelte';
	import { Toaster } from 'svelte-sonner';
	import { hear, listenToNews } from '$lib/batch/bench/news.ts';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { readAgain } from '$lib/read-again.ts';
	import { till } from '$lib/sales/till.svelte.ts';
	import { keepFocus } from '$lib/ui/keep-focus.ts';
	import Finder from './Finder.svelte';
	import Keys from './Keys.svelte';
	import Running from './Running.svelte';
	import Waiting from './Waiting.svelte';

	let { data, children } = $props();

	/** In the order of the work. */
	const PLACES = [
		{ href: '/', word: 'Today' },
		{ href: '/shelf', word: 'Shelf' },
		{ href: '/formulas', word: 'Formulas' },
		{ href: '/batches', word: 'Batches' },
		{ href: '/labels', word: 'Labels' },
		{ href: '/sales', word: 'Sales' },
		{ href: '/kitchen', word: 'Kitchen' }
	];
	const STEP_EVENTS = new Set(['step begun', 'step ended', 'void']);
	// Tells tests and scripts that the page answers to typing.
	onMount(() => (document.documentElement.dataset.ready = 'yes'));
	onMount(keepFocus);
	// Steps that begin or end anywhere in the kitchen show on every page.
	onMount(() => {
		const refresh = (entries: readonly Entry[]) => {
			if (entries.some((entry) => entry.kind === 'event' && STEP_EVENTS.has(entry.happening.name)))
				void readAgain('app:steps');
		};
		const off = [
			outbox.start(),
			till.start(),
			outbox.onkept((_, items) => refresh(items.map((item) => item.entry))),
			hear((news) => refresh(news.entries))
		];
		return () => off.forEach((each) => each());
	});
	/** Where something may come from another device; elsewhere no stream is kept open. */
	const isLive = $derived(/^\/($|batches|sales\/stall)/.test(page.url.pathname) || data.running.length > 0);
	$effect(() => (isLive ? listenToNews(() => void readAgain()) : undefined));
	let finding = $state(false);
	let showingKeys = $state(false);

	function onkeydown(event: KeyboardEvent) {
		if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
			event.preventDefault();
			finding = true;
			return;
		}
		if (event.key === '?' && !(event.target instanceof Element && isControl(event.target)))
			showingKeys = true;
	}
</script>

<svelte:window {onkeydown} />

<a href="#main" class="button sr-only focus:not-sr-only focus:absolute focus:z-10 focus:m-2"
	>Skip to the page</a
>
<div class="flex min-h-screen flex-col md:flex-row">
	<nav
		aria-label="Places"
		class="border-rule flex shrink-0 flex-wrap items-center border-b md:sticky md:top-0 md:h-screen md:w-32 md:flex-col md:flex-nowrap md:items-stretch md:border-r md:border-b-0"
	>
		<a href="/" class="flex items-center gap-2 px-4 py-3 no-underline md:block md:py-5">
			<span class="border-ink block size-4 border-[3px] md:size-5.5 md:border-4" aria-hidden="true"></span>
			<span class="leading-tight font-extrabold md:mt-1.5 md:block"
				>Square <br class="hidden md:inline" />Batch</span
			>
		</a>
		<ul class="flex flex-1 justify-end md:block md:flex-none">
			{#each PLACES as place (place.href)}
				{@const here =
					place.href === '/' ? page.url.pathname === '/' : page.url.pathname.startsWith(place.href)}
				<li>
					<a
						href={place.href}
						aria-current={here ? 'page' : undefined}
						class={[
							'flex min-h-11 items-center px-1.5 text-sm no-underline sm:px-2 sm:text-base md:px-5',
							here
								? 'border-action bg-sheet border-b-4 font-bold md:border-b-0 md:border-l-4 md:pl-4'
								: 'hover:bg-sheet border-b-4 border-transparent md:border-b-0'
						]}>{place.word}</a
					>
				</li>
			{/each}
		</ul>
		<div class="text-quiet mt-auto hidden px-5 pb-5 text-xs md:block">
			<p>{data.kitchen.name}</p>
			<button type="button" class="mt-3 min-h-8 underline" onclick={() => (finding = true)}
				>Find anything</button
			>
			<button type="button" class="min-h-8 underline" onclick={() => (showingKeys = true)}>Keys</button>
		</div>
	</nav>
	<div class="min-w-0 flex-1 px-4 py-5 md:px-6">
		<aside aria-label="Going on">
			<Running steps={data.running} />
			<Waiting />
		</aside>
		<main id="main" tabindex="-1" class="outline-none">
			{@render children()}
		</main>
	</div>
</div>
<Finder bind:open={finding} />
<Keys bind:open={showingKeys} />
<Toaster position="bottom-right" duration={3500} />
