<script lang="ts">
	import { goto } from '$app/navigation';
	import Problems from '$lib/ui/Problems.svelte';

	/** Sends an archive; how far its restore is, is shown where all long work is. */
	let { blocked }: { blocked: boolean } = $props();
	let files = $state<FileList>();
	let problem = $state('');
	let running = $state<AbortController | null>(null);
	const file = $derived(files?.[0] ?? null);

	async function restore(event: SubmitEvent) {
		event.preventDefault();
		if (!file) {
			problem = 'choose the archive first: a file whose name ends in .zip';
			return;
		}
		problem = '';
		const stop = new AbortController();
		running = stop;
		try {
			const answer = await fetch('/kitchen/data/restore', {
				method: 'POST',
				// A browser that does not know what a file is would say nothing of it, and it would not be read.
				headers: { 'content-type': 'application/zip' },
				body: file,
				signal: stop.signal
			});
			const said = (await answer.json().catch(() => ({}))) as { job?: string; message?: string };
			if (said.job) await goto(`/jobs/${said.job}`);
			else
				problem =
					answer.status === 413
						? 'this file is larger than an archive can be'
						: (said.message ?? 'the server did not take it');
		} catch (error) {
			problem = stop.signal.aborted
				? 'stopped: nothing of it was kept'
				: `the server does not answer (${(error as Error).message}): see that Square Batch runs, and try again`;
		} finally {
			running = null;
		}
	}
</script>

<form onsubmit={restore} class="mt-3 flex max-w-3xl flex-wrap items-end gap-3">
	<label class="min-w-60 flex-1 text-sm font-medium"
		>The archive
		<input type="file" accept=".zip,application/zip" class="input mt-1 block pt-2" bind:files />
	</label>
	<button class="button" disabled={running !== null || blocked}>Restore it</button>
	{#if running}
		<div class="basis-full">
			<label class="block text-sm"
				>Sending it
				<progress class="accent-action block h-4 w-full"></progress>
			</label>
			<button type="button" class="button mt-2" onclick={() => running?.abort()}>Stop</button>
		</div>
	{/if}
</form>
<Problems problems={problem ? [{ path: '', message: problem }] : []} />
