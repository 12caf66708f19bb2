<script lang="ts">
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { onMount, untrack } from 'svelte';
	import { assembleDay, isOvernight } from '$core/planning/assemble.ts';
	import { limitKind } from '$core/planning/plan.ts';
	import type { WayOut } from '$core/planning/ways-out.ts';
	import { toolResource } from '$core/planning/making.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { dayText, percent, plural } from '$lib/format.ts';
	import { dayWishOf, packedAt, withEvening } from '$lib/plan/day-wish.ts';
	import { Keeping } from '$lib/plan/keeping.svelte.ts';
	import { Planner } from '$lib/plan/planner.svelte.ts';
	import { clockAt, minutesText, momentAt, weekdayOf } from '$lib/plan/times.ts';
	import type { PlanWish } from '$lib/plan/types.ts';
	import { readAgain } from '$lib/read-again.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import Stale from '$lib/ui/Stale.svelte';
	import DemandTable from './DemandTable.svelte';
	import Going from './Going.svelte';
	import InOrder from './InOrder.svelte';
	import Lanes from './Lanes.svelte';
	import Said from './Said.svelte';
	import SellingHours from './SellingHours.svelte';
	import Ways from './Ways.svelte';

	let { data } = $props();
	const basis = $derived(data.basis);
	const taken = $derived(data.plan.taken);
	const timeZone = $derived(page.data.kitchen.timeZone);
	const here = $derived(`/plan/${basis.day}?place=${encodeURIComponent(basis.place)}`);
	const act = (name: string) => `/plan/${basis.day}?place=${encodeURIComponent(basis.place)}&/${name}`;

	let wish = $state.raw<PlanWish>(untrack(() => data.plan.wish));
	let before = $state.raw<PlanWish[]>([]);
	const keeping = new Keeping(
		untrack(() => act('keep')),
		untrack(() => data.plan.version)
	);
	const planner = new Planner();
	/** Opened by whoever wants to say more, and where the day cannot be planned; never closed behind somebody's back. */
	let isSaying = $state(false);
	$effect(() => {
		if (planner.problems.length > 0) isSaying = true;
	});
	$effect(() => {
		// Read again, the page has what is kept now; what was said meanwhile here stays.
		const { version, wish: kept } = data.plan;
		untrack(() => {
			if (version <= keeping.version && keeping.state !== 'kept') return;
			keeping.version = version;
			if (keeping.state === 'kept') wish = kept;
		});
	});
	const dayWish = $derived(dayWishOf(basis, wish, timeZone));
	const zero = $derived(packedAt(basis.day, wish, timeZone));
	const evening = $derived(
		wish.evening === '' && !dayWish.wishes.some(isOvernight) ? withEvening(basis.day, wish, timeZone) : null
	);
	const question = $derived(JSON.stringify([dayWish, evening]));
	$effect(() => {
		if (taken) {
			planner.end();
			return;
		}
		// Read again, the page has the same question in other objects: it is asked once.
		const [asked, hours] = JSON.parse(question) as [typeof dayWish, typeof evening];
		// What it answers is not what it is asked by.
		untrack(() => {
			if (asked.wishes.length > 0) planner.ask(asked, hours);
			else planner.nothing();
		});
	});
	onMount(() => () => {
		planner.end();
		keeping.end();
	});

	function change(part: Partial<PlanWish>) {
		before = [...before, wish].slice(-50);
		set({ ...wish, ...part });
	}
	function set(next: PlanWish) {
		wish = next;
		if (data.mayMake) keeping.changed(next);
	}
	function undo() {
		const last = before.at(-1);
		if (!last) return;
		before = before.slice(0, -1);
		set(last);
	}
	function unpin(key: string) {
		const { [key]: _, ...pins } = wish.pins;
		change({ pins });
	}
	function takeWay(way: WayOut) {
		const now = planner.planned;
		if (!now) return;
		switch (way.kind) {
			case 'tool':
				return change({ borrowed: [...wish.borrowed, way.of] });
			case 'person':
				return change({ people: [...wish.people, `Helper ${wish.people.length}`] });
			case 'helper':
				return change({ helpers: [...wish.helpers, way.from_min ?? 0] });
			case 'overnight':
				return change({ overnight: [...wish.overnight, way.of], evening: wish.evening || '21:00' });
			case 'fewer':
				return change({ packs: { ...wish.packs, [way.of]: way.packs ?? 0 } });
			case 'evening':
				return change({ evening: '21:00' });
		}
	}
	const planned = $derived(planner.planned);
	const time = (minute: number) => clockAt(momentAt(zero, minute), timeZone, basis.day);
	const products = $derived(basis.products.map(({ productId }) => productId));
	/** Boards and presses are in the list below alone: they are hardly ever what is waited for. */
	const shown = $derived(
		(planned?.lanes ?? []).filter(({ id }) =>
			dayWish.tools.every((tool) => toolResource(tool.id) !== id || tool.kind !== 'board')
		)
	);
	const pinned = $derived(new Set(Object.keys(wish.pins)));
	const nameOf = (id: string) => {
		if (id.startsWith('people ')) {
			const nth = Number(id.slice('people '.length));
			return wish.people[nth] ?? 'Helper';
		}
		return dayWish.tools.find((tool) => toolResource(tool.id) === id)?.name ?? id;
	};
	const limits = $derived.by(() => {
		if (!planned) return null;
		const kind = limitKind(planned, dayWish);
		if (kind === null) return null;
		if (kind === 'people')
			return {
				ids: planned.lanes.flatMap(({ id }) => (id.startsWith('people ') ? id : [])),
				words: 'Hands limit the day: with one more pair it could begin later.'
			};
		return {
			ids: [toolResource(kind.id)],
			words: `${kind.name} limits the day: with another it could begin later.`
		};
	});
	const modeMinutes = (place: number) =>
		planned?.assembled.tasks[place]?.task.modes[planned.plan.tasks[place]?.mode ?? 0]?.minutes ?? 0;
	const nameOfMake = (id: string) => planned?.assembled.makes.find((make) => make.id === id)?.name ?? '';
	/** The order that carries fewest allergens, where it matters, and what is cleaned. */
	const carried = $derived.by(() => {
		if (!planned || planned.assembled.day.sequences.length === 0) return '';
		const { cleans, order } = planned.assembled.carried;
		const names = order.map(nameOfMake).join(', then ');
		return `On what they share: ${names}, so that fewest allergens are carried on.${
			cleans.length > 0
				? ` After ${cleans.map(nameOfMake).join(' and ')} everything it touched is cleaned: record it with the batch.`
				: ''
		}`;
	});
	const cause = $derived.by(() => {
		const [first] = planner.sure?.causes ?? [];
		if (!first || !planned || planned.plan.late_min > 0 || (planner.sure?.inTime ?? 1) > 0.995) return '';
		const make = planned.assembled.makes[first.make];
		return first.place === null
			? `Where it fails, mostly too few ${make?.name ?? ''} pieces are good.`
			: `Where it is late, mostly “${planned.assembled.tasks[first.place]?.words ?? ''}, ${make?.name ?? ''}” takes longer.`;
	});

	const take = draftForm<never>({
		saved: 'Plan taken',
		// It was planned from what is no more: what is there now is planned at once.
		onrefused: () => void readAgain('app:plan'),
		sends: () => ({
			version: keeping.version,
			wish,
			tasks: (planned?.plan.tasks ?? []).map(({ mode, start_min }, place) => ({
				key: planned?.assembled.tasks[place]?.key ?? '',
				mode,
				start_min
			})),
			inTime: planner.sure?.inTime ?? 0
		})
	});
	const isHeld = $derived(dayWish.wishes.some(isOvernight));
	const differences = $derived(
		keeping.stale
			? [
					{ what: 'Packed by', yours: wish.packedBy, theirs: keeping.stale.wish.packedBy },
					{ what: 'Who helps', yours: wish.people.join(', '), theirs: keeping.stale.wish.people.join(', ') },
					{
						what: 'Packs said',
						yours: packsText(wish),
						theirs: packsText(keeping.stale.wish)
					}
				]
			: []
	);
	function packsText({ packs }: PlanWish): string {
		return basis.products
			.flatMap(({ productId, name }) =>
				packs[productId] === undefined ? [] : `${packs[productId]} × ${name}`
			)
			.join(', ');
	}
	function onkeydown(event: KeyboardEvent) {
		if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !taken) {
			if (event.target instanceof HTMLInputElement) return;
			event.preventDefault();
			undo();
		}
	}
	const lateWords = $derived(
		planned && planned.plan.late_min > 0
			? `It cannot be done in time: packed ${time(planned.plan.late_min)}, ${minutesText(planned.plan.late_min)} late.`
			: ''
	);
	const assembledNow = $derived(assembleDay(dayWish));
	const pieces = $derived(assembledNow.makes.reduce((sum, make) => sum + make.pieces, 0));
</script>

<svelte:window {onkeydown} />
<svelte:head><title>Plan for {weekdayOf(basis.day)} at {basis.place} · Square Batch</title></svelte:head>

<p class="text-sm print:hidden"><a href="/plan">Plan</a></p>
<div class="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
	<div class="min-w-0">
		<h1>{weekdayOf(basis.day)}, {basis.place}</h1>
		<p class="text-quiet">
			{dayText(basis.day)}, packed by {clockAt(zero, timeZone, basis.day)}{basis.hours
				? `, sold ${basis.hours.opens} to ${basis.hours.closes}`
				: ''}, {wish.people.join(' and ')}
		</p>
	</div>
	<div class="text-right" role="status" data-testid="in-time">
		{#if taken}
			<p>
				<span class="figure text-4xl">{percent(taken.inTime, 0)}</span>
				<span class="text-quiet">in 100, when it was taken</span>
			</p>
		{:else if planner.sure}
			<p class="leading-tight">
				<span class="figure text-4xl">{percent(planner.sure.inTime, 0)}</span>
				<span class="text-quiet inline-block text-left text-sm"
					>in 100 such mornings<br />all is packed in time</span
				>
			</p>
		{:else if planned}
			<p class="text-quiet text-sm">
				{planner.isThinking ? 'Looking for a later start…' : 'Living through 2,000 such days…'}
			</p>
		{/if}
	</div>
</div>

{#if keeping.stale}
	<Stale
		{differences}
		ontake={() => {
			const stale = keeping.stale;
			if (!stale) return;
			keeping.resolve(stale.version);
			keeping.state = 'kept';
			wish = stale.wish;
		}}
		onkeep={() => {
			const stale = keeping.stale;
			if (!stale) return;
			keeping.resolve(stale.version);
			keeping.changed(wish);
		}}
	/>
{/if}

{#if taken}
	<Going {data} {act} />
{:else}
	<div class="mt-3 print:hidden">
		<DemandTable
			{basis}
			{wish}
			seesMoney={data.seesMoney}
			mayChange={data.mayMake}
			onchange={(packs) => change({ packs })}
		/>
	</div>
	{#if data.mayMake}
		<details class="mt-2 print:hidden" bind:open={isSaying}>
			<summary class="min-h-11 cursor-pointer py-2 font-semibold">When, who and with what</summary>
			<Said {basis} {wish} onchange={change} />
			<SellingHours {basis} action={act('hours')} />
		</details>
	{/if}

	{#if dayWish.wishes.length === 0}
		<p class="bg-sheet border-rule mt-4 max-w-prose border p-4">
			Nothing is to be made for this day: there is enough, or nobody said how much. Say how many packs above,
			and the day stands here backwards.
		</p>
	{:else if planner.problems.length > 0}
		<div role="alert" class="border-loss bg-loss-pale mt-4 max-w-prose border-l-4 p-4">
			<p class="font-semibold">The day cannot be planned like this.</p>
			<ul>
				{#each planner.problems as { message }, nth (nth)}<li>{message}.</li>{/each}
			</ul>
			<p>Say more people, tools that hold as much, or fewer packs.</p>
		</div>
	{:else if planned}
		{#if lateWords}
			<p
				role="alert"
				class="border-loss bg-loss-pale mt-4 border-l-4 px-4 py-2 font-semibold"
				data-testid="late"
			>
				{lateWords}
			</p>
		{/if}
		<Lanes
			assembled={planned.assembled}
			lanes={shown}
			{nameOf}
			{products}
			zero_ms={zero}
			day={basis.day}
			packed_min={planned.plan.late_min}
			{limits}
			{pinned}
			{...data.mayMake
				? {
						onmove: (key: string, start_min: number) => change({ pins: { ...wish.pins, [key]: start_min } }),
						onunpin: unpin
					}
				: {}}
		/>
		<div class="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm print:hidden">
			{#if data.mayMake}
				<span class="text-quiet"
					>Drag what may move, or press an arrow key on it; it is pinned where you let it go.</span
				>
				{#if before.length > 0}<button type="button" class="min-h-9 underline" onclick={undo}>Undo</button
					>{/if}
				{#if pinned.size > 0}<button
						type="button"
						class="min-h-9 underline"
						onclick={() => change({ pins: {} })}>Let {plural(pinned.size, 'pin')} go</button
					>{/if}
				<span class="text-quiet" role="status"
					>{keeping.state === 'kept' ? '' : keeping.state === 'changed' ? 'keeping…' : keeping.problem}</span
				>
			{/if}
		</div>
		{#if cause}<p class="mt-1 text-sm print:hidden">{cause}</p>{/if}
		{#if carried}<p class="caution mt-2 max-w-3xl text-sm">{carried}</p>{/if}
		{#if isHeld}<p class="caution mt-2 max-w-3xl text-sm">
				Dough held overnight stays at 4 °C or colder, covered and dated; what smells wrong, greys or bubbles
				unasked is thrown away. How long it may be held is a question for your authority.
			</p>{/if}
		{#if data.mayMake}
			<Ways
				ways={planner.ways}
				{basis}
				late_min={planned.plan.late_min}
				zero_ms={zero}
				day={basis.day}
				ontake={takeWay}
			/>
		{/if}
		<div class="mt-4 flex flex-wrap items-center gap-2 print:hidden">
			<span class="text-quiet mr-auto text-sm"
				>{plural(pieces, 'piece')}, {minutesText(planned.plan.handsOn_min)} of hands, from {time(
					planned.plan.firstStart_min
				)}</span
			>
			<a class="button" href="/plan/{basis.day}/shopping?place={encodeURIComponent(basis.place)}">Shopping</a>
			{#if data.mayOrder}<a
					class="button"
					href="/sales/orders?day={basis.day}&place={encodeURIComponent(basis.place)}">Orders</a
				>{/if}
			<button type="button" class="button" onclick={() => window.print()}>Print</button>
			{#if data.mayMake}
				<form method="POST" action={act('take')} use:enhance={take.enhance}>
					<button
						class="button button-main"
						disabled={take.saving || planner.isThinking || !planner.sure || keeping.state === 'changed'}
						>Take this plan</button
					>
				</form>
			{/if}
		</div>
		<Problems problems={take.problems} />
		{#if take.stale}<p role="alert" class="text-loss mt-2">
				Somebody changed this day meanwhile: <a href={here} data-sveltekit-reload>look at it again</a>.
			</p>{/if}
		<section class="mt-5 print:mt-2" aria-labelledby="in-order">
			<h2 id="in-order">In order</h2>
			<InOrder
				assembled={planned.assembled}
				lanes={planned.lanes}
				{nameOf}
				starts={planned.plan.tasks.map(({ start_min }) => start_min)}
				minutes={modeMinutes}
				latest={planned.plan.tasks.map(({ latestStart_min }) => latestStart_min)}
				zero_ms={zero}
				day={basis.day}
			/>
			<p class="caution mt-3 max-w-3xl text-sm">
				Hot plates, steam and boiling dough burn: leave yourself room between things. Raw flour and raw dough
				are not eaten. What is said of times is learned or assumed; your authority’s rules of cooling, holding
				and cleaning come first.
			</p>
		</section>
	{:else}
		<p class="text-quiet mt-4" role="status">Planning the day…</p>
	{/if}
{/if}
