<script lang="ts">
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { onMount } from 'svelte';
	import { asItGoes, matters, tookOf, type Going } from '$core/planning/as-it-goes.ts';
	import { assembleDay } from '$core/planning/assemble.ts';
	import { lanesOf } from '$core/planning/lanes.ts';
	import { toolResource } from '$core/planning/making.ts';
	import { clock } from '$lib/batch/bench/clock.svelte.ts';
	import { hear } from '$lib/batch/bench/news.ts';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { plural } from '$lib/format.ts';
	import { dayWishOf, packedAt } from '$lib/plan/day-wish.ts';
	import { clockAt, minutesText, momentAt } from '$lib/plan/times.ts';
	import type { KeptPlan, PlanBasis } from '$lib/plan/types.ts';
	import { readAgain } from '$lib/read-again.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import InOrder from './InOrder.svelte';
	import Lanes from './Lanes.svelte';

	/** A plan that was taken, as the day goes. */
	interface Props {
		data: {
			basis: PlanBasis;
			plan: KeptPlan;
			happened: [number, { begun_min: number; ended_min: number | null }][];
			mayMake: boolean;
			mayOrder: boolean;
		};
		act: (name: string) => string;
	}
	let { data, act }: Props = $props();
	const MINUTE_MS = 60_000;
	const taken = $derived(data.plan.taken);
	const timeZone = $derived(page.data.kitchen.timeZone);
	const day = $derived(data.basis.day);
	const wish = $derived(taken ? dayWishOf(taken.basis, taken.wish, timeZone) : null);
	const assembled = $derived(wish ? assembleDay(wish) : null);
	const zero = $derived(taken ? packedAt(taken.basis.day, taken.wish, timeZone) : 0);
	const present = clock();
	const now_min = $derived(Math.floor((Date.parse(present.now) - zero) / MINUTE_MS));
	const happened = $derived(new Map(data.happened));
	/** Nothing is pushed on before the first thing has begun: until then the plan stands as it was taken. */
	const isUnderWay = $derived(happened.size > 0);
	const tasks = $derived(
		(assembled?.tasks ?? []).map(({ key }) => {
			const said = taken?.tasks.find((task) => task.key === key);
			return {
				make: '',
				task: '',
				mode: said?.mode ?? 0,
				start_min: said?.start_min ?? 0,
				latestStart_min: said?.start_min ?? 0
			};
		})
	);
	const going = $derived(
		assembled ? asItGoes(assembled, { tasks }, happened, isUnderWay ? now_min : -Infinity) : null
	);
	/** What was said last: said anew only where it matters. */
	let said = $state.raw<Going | null>(null);
	$effect(() => {
		if (going && (!said || matters(said, going) || said.next !== going.next)) said = going;
	});
	const lanes = $derived.by(() => {
		if (!assembled || !wish || !going) return [];
		const of = lanesOf(
			assembled,
			{ modes: tasks.map(({ mode }) => mode), starts: going.course.starts },
			wish
		);
		return of.map((lane) => ({
			...lane,
			stretches: lane.stretches.map((each) =>
				each.kept
					? each
					: {
							...each,
							to_min: Math.max(each.from_min + 1, Math.round(going.course.ends[each.place] ?? each.to_min))
						}
			)
		}));
	});
	const nameOf = (id: string) =>
		id.startsWith('people ')
			? (taken?.wish.people[Number(id.slice('people '.length))] ?? 'Helper')
			: (wish?.tools.find((tool) => toolResource(tool.id) === id)?.name ?? id);
	const time = (minute: number) => clockAt(momentAt(zero, minute), timeZone, day);
	const nextWords = $derived.by(() => {
		if (!said || said.next === null || !assembled) return '';
		const task = assembled.tasks[said.next];
		const make = assembled.makes.find(({ id }) => id === task?.make);
		return `${task?.words ?? ''}, ${make?.name ?? ''}`;
	});
	const nextAt = $derived(said && said.next !== null ? (said.course.starts[said.next] ?? 0) : null);
	const packed = $derived(said ? Math.round(said.packed_min) : 0);
	const hrefOf = (make: string) => {
		const batch = data.plan.batches[make];
		return batch ? `/batches/${batch.id}` : null;
	};
	const begin = draftForm<never>({ saved: 'Batches begun', sends: () => ({ version: data.plan.version }) });
	const letGo = draftForm<never>({ saved: 'Plan let go', sends: () => ({ version: data.plan.version }) });
	const toBegin = $derived((assembled?.makes ?? []).filter(({ id }) => !data.plan.batches[id]).length);
	/** What took longer or less than planned: it goes into what is expected next time. */
	const went = $derived(
		assembled
			? tookOf(assembled.tasks, { tasks }, happened).map((took) => {
					const task = assembled.tasks[took.place];
					const make = assembled.makes.find(({ id }) => id === task?.make);
					return { ...took, words: `${task?.words ?? ''}, ${make?.name ?? ''}` };
				})
			: []
	);
	// What is entered at any bench moves the day, here and on every device that looks at it.
	onMount(() => {
		const refresh = () => void readAgain('app:plan');
		const off = [hear(refresh), outbox.onkept(refresh)];
		return () => off.forEach((each) => each());
	});
</script>

{#if assembled && going && wish && said}
	<div
		class={['mt-3 border-l-4 px-4 py-2', packed > 0 ? 'border-loss bg-loss-pale' : 'border-squared bg-sheet']}
		role="status"
		data-testid="going"
	>
		{#if nextAt !== null}
			<p class="text-lg">
				<b>Next: {nextWords}</b> at <b class="figure">{time(nextAt)}</b>{isUnderWay && now_min > nextAt
					? `, ${minutesText(now_min - nextAt)} ago`
					: ''}
			</p>
		{:else}<p class="text-lg font-semibold">Everything has begun.</p>{/if}
		<p>
			{packed > 0
				? `As it goes all is packed at ${time(packed)}, ${minutesText(packed)} late.`
				: packed < 0
					? `As it goes all is packed at ${time(packed)}, ${minutesText(packed)} before it has to be.`
					: `As it goes all is packed at ${time(packed)}, in time.`}
		</p>
	</div>
	<Lanes
		{assembled}
		lanes={lanes.filter(({ id }) =>
			(wish?.tools ?? []).every((tool) => toolResource(tool.id) !== id || tool.kind !== 'board')
		)}
		{nameOf}
		products={taken?.basis.products.map(({ productId }) => productId) ?? []}
		zero_ms={zero}
		{day}
		packed_min={packed}
		limits={null}
		pinned={new Set()}
		begun={new Set(happened.keys())}
		now_min={isUnderWay || now_min > -24 * 60 ? now_min : null}
	/>
	<div class="mt-4 flex flex-wrap items-center gap-2 print:hidden">
		{#if data.mayMake}
			<form method="POST" action={act('letGo')} use:enhance={letGo.enhance} class="mr-auto">
				<button class="button" disabled={letGo.saving}>Plan it anew</button>
			</form>
		{/if}
		<a class="button" href="/plan/{day}/shopping?place={encodeURIComponent(data.basis.place)}">Shopping</a>
		{#if data.mayOrder}<a
				class="button"
				href="/sales/orders?day={day}&place={encodeURIComponent(data.basis.place)}">Orders</a
			>{/if}
		<a class="button" href="/plan/{day}/calendar?place={encodeURIComponent(data.basis.place)}" download
			>To a calendar</a
		>
		<button type="button" class="button" onclick={() => window.print()}>Print</button>
		{#if data.mayMake && toBegin > 0}
			<form method="POST" action={act('begin')} use:enhance={begin.enhance}>
				<button class="button button-main" disabled={begin.saving}
					>Begin {plural(toBegin, 'batch', 'batches')}</button
				>
			</form>
		{/if}
	</div>
	<Problems problems={[...begin.problems, ...letGo.problems]} />
	{#if letGo.stale || begin.stale}<p role="alert" class="text-loss mt-2">
			Somebody changed this day meanwhile: read it again.
		</p>{/if}
	<section class="mt-5 print:mt-2" aria-labelledby="in-order">
		<h2 id="in-order">In order</h2>
		<InOrder
			{assembled}
			{lanes}
			{nameOf}
			starts={going.course.starts}
			minutes={(place) => Math.round((going.course.ends[place] ?? 0) - (going.course.starts[place] ?? 0))}
			latest={going.course.starts}
			begun={new Set(happened.keys())}
			next={said.next}
			{hrefOf}
			zero_ms={zero}
			{day}
		/>
		<p class="caution mt-3 max-w-3xl text-sm">
			Hot plates, steam and boiling dough burn: rather late than hurried. Raw flour and raw dough are not
			eaten. Your authority’s rules of cooling, holding and cleaning come first.
		</p>
	</section>
	{#if went.length > 0}
		<section class="mt-5 print:hidden" aria-labelledby="went">
			<h2 id="went">How it went</h2>
			<p class="text-quiet text-sm">What batches took goes into what the next plan expects of them.</p>
			<table class="ledger mt-1 max-w-2xl">
				<thead
					><tr
						><th>What</th><th class="number">Planned</th><th class="number">Took</th><th class="number"
							>Longer</th
						></tr
					></thead
				>
				<tbody>
					{#each went as { place, words, planned_min, took_min } (place)}
						<tr
							><td>{words}</td><td class="number figure">{minutesText(planned_min)}</td><td
								class="number figure">{minutesText(took_min)}</td
							><td class={['number figure', took_min > planned_min ? 'text-loss' : 'text-squared']}
								>{took_min > planned_min ? '+' : took_min < planned_min ? '−' : ''}{minutesText(
									took_min - planned_min
								)}</td
							></tr
						>
					{/each}
				</tbody>
			</table>
		</section>
	{/if}
{/if}
