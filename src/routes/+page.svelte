<script lang="ts">
	import { dayText, plural } from '$lib/format.ts';
	import Ribbon from '$lib/ui/Ribbon.svelte';
	import Attention from './Attention.svelte';
	import FirstSteps from './FirstSteps.svelte';
	import ToMake from './ToMake.svelte';

	let { data } = $props();

	const STATIONS: Record<string, string> = {
		weigh: 'Weigh in',
		mix: 'Mix and rest',
		divide: 'Divide',
		cook: 'Cook',
		pack: 'Count and pack'
	};
	const next = $derived(data.days[0]);
</script>

<svelte:head><title>Today · Square Batch</title></svelte:head>

<div class="mb-5 flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1>Today</h1>
		<p class="text-quiet">
			{dayText(data.today)}{data.bench.length > 0
				? `, ${plural(data.bench.length, 'batch', 'batches')} on the bench`
				: ''}{next && next.toMake > 0
				? `, ${plural(next.toMake, 'pack')} to make for ${dayText(next.day)}`
				: ''}
		</p>
	</div>
	<div class="flex flex-wrap gap-2">
		<a href="/sales/stall" class="button">Stall</a>
		<a href="/batches/new" class="button button-main">New batch</a>
	</div>
</div>

{#if data.first}<FirstSteps steps={data.first} />{/if}

<div class="grid gap-8 lg:grid-cols-[minmax(0,1fr)_21rem] lg:grid-rows-[auto_1fr]">
	<section aria-labelledby="bench" class="min-w-0">
		<h2 id="bench">On the bench</h2>
		{#if data.bench.length === 0}
			<p class="text-quiet mt-1 max-w-prose">
				Nothing is being made. A batch that is planned stands here with its ribbon until it is packed.
			</p>
		{/if}
		<ul>
			{#each data.bench as batch (batch.id)}
				<li class="border-rule border-b py-3" data-testid="on-bench">
					<div class="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
						<p class="min-w-0">
							<a href="/batches/{batch.id}" class="font-bold break-words hover:underline">{batch.name}</a>
							<span class="text-quiet text-sm"
								><span class="figure">{batch.code}</span>, {dayText(batch.madeOn)}, {batch.next.words}</span
							>
						</p>
						<a href="/batches/{batch.id}/{batch.next.path}" class="button button-main"
							>{STATIONS[batch.next.path]}<span class="sr-only">: {batch.name}, batch {batch.code}</span></a
						>
					</div>
					{#if batch.plan || batch.actual}
						<Ribbon actual={batch.actual} plan={batch.plan} batchId={batch.id} height={76} />
					{/if}
				</li>
			{/each}
		</ul>
	</section>
	<Attention items={data.attention} class="lg:col-start-2 lg:row-span-2 lg:row-start-1" />
	<ToMake days={data.days} />
</div>
