<script lang="ts">
	import { provedFirst } from '$lib/people/proving.svelte.ts';
	import { enhance } from '$app/forms';
	import { invalidateAll } from '$app/navigation';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { plain } from '$lib/format.ts';
	import { isOver, type Job, type JobKind } from '$lib/jobs/types.ts';
	import { moment } from '$lib/people/moment.ts';
	import DeletionProof from '$lib/ui/DeletionProof.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { onMount, untrack } from 'svelte';

	/** Work that takes long: how far it is, what came of it. It goes on where this page is closed. */
	let { data } = $props();
	let job = $state.raw<Job>(untrack(() => data.job));
	let isAway = $state(false);
	const stopping = draftForm<never>({ saved: 'Stopped' });
	const again = draftForm<never>({ saved: 'Going on', onsaved: () => location.reload() });

	const TITLES: Readonly<Record<JobKind, string>> = {
		archive: 'An archive of',
		restore: 'Restoring',
		labels: 'Drawing',
		'sales import': 'Bringing in past sales:',
		remove: 'Deleting'
	};
	const title = $derived(`${TITLES[job.kind]} ${job.name}`);
	const BYTES_A_MB = 1_000_000;
	const far = $derived(
		job.kind === 'archive'
			? `${plain(job.done / BYTES_A_MB, 1)} MB so far`
			: job.of === null
				? 'Looking at it'
				: `${plain(job.done)} of ${plain(job.of)} ${job.kind === 'labels' ? 'labels' : 'rows'}`
	);

	const ASK_EVERY_MS = 500;
	onMount(() => {
		let timer: ReturnType<typeof setTimeout> | undefined;
		const ask = async () => {
			const before = job.state;
			try {
				const answer = await fetch(`/jobs/${job.id}/state.json`);
				isAway = !answer.ok;
				if (answer.ok) job = (await answer.json()) as Job;
			} catch {
				// Whichever process answers next knows how far it is.
				isAway = true;
			}
			if (!isOver(job)) timer = setTimeout(ask, ASK_EVERY_MS);
			else if (before !== job.state) void over();
		};
		if (!isOver(job)) timer = setTimeout(ask, ASK_EVERY_MS);
		return () => clearTimeout(timer);
	});
	/** Taken at once by whoever waited for it. */
	let file = $state<HTMLAnchorElement>();
	async function over(): Promise<void> {
		await invalidateAll();
		file?.click();
	}
</script>

<svelte:head><title>{title} · Square Batch</title></svelte:head>
{#if data.who?.as}<p class="text-sm print:hidden">
		<a href={job.from}>{job.kind === 'labels' ? 'The label' : 'Data in and out'}</a>
	</p>
{:else}<p class="text-sm print:hidden"><a href="/me">Your kitchens</a></p>{/if}
<h1 class="break-words">{title}</h1>
<p class="text-quiet text-sm">asked for {moment(job.askedAt, data.kitchen)}</p>

{#if job.state === 'running' || job.state === 'waiting' || job.state === 'coming'}
	<div class="mt-4 max-w-2xl" role="status">
		<label class="block"
			>{job.state === 'running' ? far : job.state === 'coming' ? 'Being sent' : 'Waits for its turn'}
			<progress
				class="accent-action block h-4 w-full"
				max={job.of ?? 1}
				value={job.of === null || job.state !== 'running' ? undefined : job.done}
			></progress>
		</label>
	</div>
	<p class="text-quiet mt-3 max-w-prose text-sm">
		It goes on where you leave this page, and on another machine of the installation where this one is ended.
	</p>
	{#if isAway}<p class="text-attention-ink mt-2 font-semibold" role="alert">
			The server does not answer just now: it is asked again.
		</p>{/if}
	{#if job.kind !== 'remove'}
		<form method="POST" action="?/stop" use:enhance={stopping.enhance} class="mt-3">
			<input type="hidden" name="draft" value={JSON.stringify({})} />
			<button class="button" disabled={stopping.saving}>Stop</button>
		</form>
		<Problems problems={stopping.problems} />
	{/if}
{:else if job.state === 'failed'}
	<Problems problems={[{ path: '', message: job.outcome?.problem ?? 'it failed' }]} />
	{#if job.kind === 'remove'}
		<form method="POST" action="?/again" use:enhance={again.enhance} class="mt-3">
			<input type="hidden" name="draft" value={JSON.stringify({})} />
			<button class="button button-main" disabled={again.saving}>Go on deleting</button>
		</form>
		<Problems problems={again.problems} />
	{:else}
		<p class="mt-3">
			<a href={job.from} class="button">Back to {job.kind === 'labels' ? 'the label' : 'data in and out'}</a>
		</p>
	{/if}
{:else if job.state === 'stopped'}
	<p class="mt-4 font-semibold" role="status">Stopped: nothing of it was kept.</p>
{:else if job.outcome?.file}
	{@const { name, bytes } = job.outcome.file}
	<p class="mt-4" role="status">
		<b class="break-words">{name}</b>, {plain(bytes / BYTES_A_MB, 1)} MB, is ready. It is kept here for a day{job.kind ===
		'archive'
			? ': take it to where you keep such things'
			: ''}.
	</p>
	<p class="mt-3">
		<a bind:this={file} use:provedFirst href="/jobs/{job.id}/file" class="button button-main" download
			>Download it</a
		>
	</p>
{:else if job.kind === 'restore'}
	<p class="mt-4" role="status">Restored: every row is here, and it is yours.</p>
	<form method="POST" action="?/open" class="mt-3">
		<button class="button button-main">Open it</button>
	</form>
{:else if data.deletion}
	<DeletionProof deletion={data.deletion} kitchen={data.kitchen} />
{:else}
	<p class="mt-4" role="status">{job.outcome?.said ?? 'Done.'}</p>
{/if}
