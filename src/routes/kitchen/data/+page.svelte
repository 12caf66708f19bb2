<script lang="ts">
	import { enhance } from '$app/forms';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { plural } from '$lib/format.ts';
	import { till } from '$lib/sales/till.svelte.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import type { JobKind, JobState } from '$lib/jobs/types.ts';
	import { moment } from '$lib/people/moment.ts';
	import KitchensEnd from './KitchensEnd.svelte';
	import NewKitchen from './NewKitchen.svelte';
	import Restore from './Restore.svelte';

	let { data } = $props();
	const open = draftForm<never>({ saved: 'Opened' });
	const archiving = draftForm<never>({ saved: 'Asked for' });
	const ARCHIVES = [
		{ withCustomers: true, words: 'Make the archive', isMain: true },
		{ withCustomers: false, words: 'An archive without customers’ names', isMain: false }
	];
	const JOB_WORDS: Readonly<Record<JobKind, string>> = {
		archive: 'Archive of',
		restore: 'Restore of',
		labels: 'PDF of',
		'sales import': 'Past sales:',
		remove: 'Deletion of'
	};
	const STATE_WORDS: Readonly<Record<JobState, string>> = {
		coming: 'being sent',
		waiting: 'waits',
		running: 'being made',
		done: 'ready',
		failed: 'failed',
		stopped: 'stopped'
	};
	/** What is still on its way belongs to the kitchen that is open. */
	const waiting = $derived(outbox.waiting.length + till.waiting.length);
</script>

<svelte:head><title>Data in and out · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/kitchen">Kitchen</a></p>
<h1>Data in and out</h1>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="archive-heading">
	<h2 id="archive-heading">Everything in one archive</h2>
	<p class="text-quiet max-w-prose">
		All that {data.kitchen.name} holds, in forms other programs read: every row as JSON, lists as CSV, formulas and
		batches as Square Batch files, each label revision as PDF, and a README that says what is what. Keep one away
		from this machine, and often. It says who your customers are, unless you leave their names out.
	</p>
	<div class="mt-3 flex flex-wrap gap-2">
		{#each ARCHIVES as { withCustomers, words, isMain } (words)}
			<form method="POST" action="?/archive" use:enhance={archiving.enhance}>
				<input type="hidden" name="draft" value={JSON.stringify({ id: archiving.key, withCustomers })} />
				<button class={['button', isMain && 'button-main']} disabled={archiving.saving}>{words}</button>
			</form>
		{/each}
		<a href="/shelf/csv" class="button" download>Only the shelf, CSV</a>
		<a href="/sales.csv" class="button" download>Only the sales, CSV</a>
	</div>
	<Problems problems={archiving.problems} />
	{#if data.jobs.length > 0}
		<h3 class="mt-4">Asked for lately</h3>
		<ul class="divide-rule border-rule mt-1 max-w-3xl divide-y border-y" aria-label="Asked for lately">
			{#each data.jobs as job (job.id)}
				<li class="flex min-h-11 flex-wrap items-baseline gap-x-3 py-1">
					<a href="/jobs/{job.id}" class="min-w-0 flex-1 py-1 break-words">{JOB_WORDS[job.kind]} {job.name}</a>
					<span class="text-quiet text-sm">{moment(job.askedAt, data.kitchen)}</span>
					<span class={['w-24 text-sm font-semibold', job.state === 'done' && 'text-squared', job.state === 'failed' && 'text-loss']}
						>{STATE_WORDS[job.state]}</span
					>
				</li>
			{/each}
		</ul>
	{/if}
</section>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="restore-heading">
	<h2 id="restore-heading">Restore an archive</h2>
	<p class="text-quiet max-w-prose">
		The kitchen of the archive comes back as it was, with every weighing, label and sale, and you own it. What is on
		this machine now stays as it is.
	</p>
	{#if waiting > 0}
		<p class="text-attention-ink mt-2 font-semibold" role="status">
			{plural(waiting, 'entry', 'entries')} of this kitchen still {waiting === 1 ? 'waits' : 'wait'} to be sent:
			another is opened once nothing waits.
		</p>
	{/if}
	<Restore blocked={waiting > 0} />
	<p class="text-quiet mt-3 max-w-prose text-sm">
		A page fails again and again? <a href="/kitchen/unreadable">See whether something here cannot be read</a>.
	</p>
</section>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="kitchens-heading">
	<h2 id="kitchens-heading">Kitchens on this machine</h2>
	<ul class="divide-rule border-rule mt-2 max-w-3xl divide-y border-y">
		{#each data.kitchens as kitchen (kitchen.id)}
			<li class="flex min-h-14 flex-wrap items-center gap-3 py-1">
				<span class="min-w-0 flex-1 break-words"
					><b>{kitchen.name}</b>{kitchen.town ? `, ${kitchen.town}` : ''}{kitchen.isEmpty
						? ' (nothing in it yet)'
						: ''}</span
				>
				{#if kitchen.id === data.openId}
					<span class="text-squared font-semibold">open</span>
				{:else}
					<form method="POST" action="?/open" use:enhance={open.enhance}>
						<input type="hidden" name="draft" value={JSON.stringify({ id: kitchen.id })} />
						<button class="button" disabled={open.saving || waiting > 0} aria-label="Open {kitchen.name}">Open</button>
					</form>
				{/if}
			</li>
		{/each}
	</ul>
	<Problems problems={open.problems} />
	<details class="mt-3">
		<summary class="min-h-11 cursor-pointer py-2 font-semibold">Begin a kitchen of your own</summary>
		<NewKitchen
			timeZones={data.timeZones}
			currencies={data.currencies}
			currency={data.kitchen.currency}
			rules={data.kitchen.rules}
			blocked={waiting > 0}
		/>
	</details>
</section>

<KitchensEnd
	kitchen={data.kitchen.name}
	isClosed={data.isClosed}
	limits={data.limits}
	blocked={waiting > 0}
/>
