<script lang="ts">
	import { isControl } from '$lib/form/control.ts';
	import '@fontsource-variable/schibsted-grotesk';
	import '@fontsource-variable/red-hat-mono';
	import '../app.css';
	import { page } from '$app/state';
	import type { Entry } from '$core/bench/entries.ts';
	import { onMount, untrack } from 'svelte';
	import { Toaster } from 'svelte-sonner';
	import { hear, listenToNews } from '$lib/batch/bench/news.ts';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { readAgain } from '$lib/read-again.ts';
	import { till } from '$lib/sales/till.svelte.ts';
	import { plural } from '$lib/format.ts';
	import { keepFocus } from '$lib/ui/keep-focus.ts';
	import Finder from './Finder.svelte';
	import { pagesAreOf } from '$lib/people/clear.ts';
	import { hereAs } from '$lib/people/here.svelte.ts';
	import { proving } from '$lib/people/proving.svelte.ts';
	import type { Right } from '$lib/people/roles.ts';
	import Brand from './Brand.svelte';
	import Keys from './Keys.svelte';
	import KitchenState from './KitchenState.svelte';
	import Lock from './Lock.svelte';
	import { lock } from './lock.svelte.ts';
	import Me from './Me.svelte';
	import NextUp from './NextUp.svelte';
	import PracticeBar from './PracticeBar.svelte';
	import ProveDialog from './ProveDialog.svelte';
	import Running from './Running.svelte';
	import Waiting from './Waiting.svelte';

	let { data, children } = $props();

	/** In the order of the work, each with what it asks for. */
	const PLACES: readonly { href: string; word: string; asks: Right; unless?: Right }[] = [
		{ href: '/', word: 'Today', asks: 'look' },
		{ href: '/plan', word: 'Plan', asks: 'look' },
		{ href: '/shelf', word: 'Shelf', asks: 'look' },
		{ href: '/formulas', word: 'Formulas', asks: 'look' },
		{ href: '/batches', word: 'Batches', asks: 'look' },
		{ href: '/labels', word: 'Labels', asks: 'labels' },
		{ href: '/sales', word: 'Sales', asks: 'ledger' },
		{ href: '/sales/stall', word: 'Stall', asks: 'sell', unless: 'ledger' },
		{ href: '/inspection', word: 'Inspection', asks: 'inspect', unless: 'look' },
		{ href: '/people', word: 'People', asks: 'people' },
		{ href: '/practice', word: 'Practice', asks: 'make', unless: 'settings' },
		{ href: '/kitchen', word: 'Kitchen', asks: 'settings' }
	];
	const may = (right: Right | undefined) =>
		right !== undefined && (data.who?.rights.includes(right) ?? false);
	const places = $derived(PLACES.filter(({ asks, unless }) => may(asks) && !may(unless)));
	/** What stands beside a place and not below it: where it is from. */
	const BESIDE = $derived<readonly [path: string, place: string][]>([
		['/sure/formula', '/formulas'],
		['/sure/label', '/labels'],
		['/sure/batch', '/batches'],
		['/practice', may('settings') ? '/kitchen' : '/practice']
	]);
	const at = $derived(BESIDE.find(([path]) => page.url.pathname.startsWith(path))?.[1] ?? page.url.pathname);
	// What waits on this device is of who made it: it is sent as theirs.
	$effect.pre(() => hereAs(data.who?.as ?? null));
	$effect(() => {
		// Pages kept for one who might more are not kept for who may less.
		if (data.who?.as) void pagesAreOf(`${data.who.as} ${data.who.rights.join()}`);
	});
	const STEP_EVENTS = new Set(['step begun', 'step ended', 'void', 'pieces on', 'counted']);
	// Tells tests and scripts that the page answers to typing.
	onMount(() => (document.documentElement.dataset.ready = 'yes'));
	onMount(keepFocus);
	// Steps that begin or end anywhere in the kitchen show on every page.
	const as = $derived(data.who?.as ?? null);
	// Begun once for who is in, whatever is read again meanwhile: what the server fails on keeps its pauses.
	$effect(() => (as === null ? undefined : untrack(begin)));
	function begin(): () => void {
		const refresh = (entries: readonly Entry[]) => {
			const moves = (entry: Entry) =>
				entry.kind === 'event' ? STEP_EVENTS.has(entry.happening.name) : data.next.length > 0;
			if (entries.some(moves)) void readAgain('app:steps');
		};
		const off = [
			outbox.start(),
			till.start(),
			outbox.onkept((_, items) => refresh(items.map((item) => item.entry))),
			hear((news) => refresh(news.entries))
		];
		return () => off.forEach((each) => each());
	}
	/** Where something may come from another device; elsewhere no stream is kept open. */
	const isLive = $derived(
		may('hear') &&
			(/^\/($|plan|batches|sales\/stall)/.test(page.url.pathname) ||
				data.running.length > 0 ||
				data.next.length > 0)
	);
	$effect(() => (isLive ? listenToNews(() => void readAgain()) : undefined));
	let finding = $state(false);
	let showingKeys = $state(false);

	// Nothing stays open over a lock.
	$effect(() => {
		if (!lock.isLocked) return;
		[finding, showingKeys] = [false, false];
		proving.settle(false);
	});

	function onkeydown(event: KeyboardEvent) {
		if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
			event.preventDefault();
			finding = may('look');
			return;
		}
		if (event.key === '?' && !(event.target instanceof Element && isControl(event.target)))
			showingKeys = true;
	}
</script>

<svelte:window {onkeydown} />

<a
	href="#main"
	inert={lock.isLocked}
	class="button sr-only focus:not-sr-only focus:absolute focus:z-10 focus:m-2">Skip to the page</a
>
<div class={['flex min-h-screen flex-col md:flex-row', data.practice && 'practised']} inert={lock.isLocked}>
	{#if data.who}
		<nav
			aria-label="Places"
			class="border-rule flex shrink-0 flex-wrap items-center border-b md:sticky md:top-0 md:h-screen md:w-32 md:flex-col md:flex-nowrap md:items-stretch md:border-r md:border-b-0"
		>
			<Brand href={places[0]?.href ?? '/me'} />
			<ul class="flex flex-1 flex-wrap justify-end md:block md:flex-none">
				{#each places as place (place.href)}
					{@const here = place.href === '/' ? at === '/' : at.startsWith(place.href)}
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
			<div class="text-quiet flex w-full gap-x-4 px-4 pb-2 text-xs md:mt-auto md:block md:px-5 md:pb-5">
				<p class="flex min-h-8 items-center break-words md:min-h-0">{data.kitchen.name}</p>
				<Me who={data.who} />
				{#if may('look')}
					<button type="button" class="hidden min-h-8 underline md:block" onclick={() => (finding = true)}
						>Find anything</button
					>
				{/if}
				<button type="button" class="hidden min-h-8 underline md:block" onclick={() => (showingKeys = true)}
					>Keys</button
				>
			</div>
		</nav>
	{/if}
	<div class="min-w-0 flex-1 px-4 py-5 md:px-6">
		{#if data.who}
			<aside aria-label="Going on">
				<Running steps={data.running} />
				<NextUp next={data.next} />
				<Waiting {as} />
			</aside>
		{:else}
			<header><Brand href="/door" /></header>
		{/if}
		{#if data.left > 0 && page.url.pathname !== '/people/left'}
			<p class="bg-sheet border-attention mb-3 border-l-4 px-4 py-2 print:hidden" role="status">
				<b
					>{plural(data.left, 'entry', 'entries')} left on a device {data.left === 1 ? 'waits' : 'wait'} for you.</b
				>
				None of it counts yet. <a href="/people/left">Record or let go</a>
			</p>
		{/if}
		<KitchenState isClosed={data.isClosed} near={data.near} mayChange={may('data')} />
		{#if data.practice}{#key data.practice.id}<PracticeBar here={data.practice} />{/key}{/if}
		<main id="main" tabindex="-1" class="outline-none">
			{@render children()}
		</main>
	</div>
</div>
{#if data.who?.isShared}
	<Lock who={data.who} />
{/if}
<ProveDialog />
<Finder bind:open={finding} />
<Keys bind:open={showingKeys} />
<Toaster position="bottom-right" duration={3500} />
