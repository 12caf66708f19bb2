<script lang="ts">
	import { readAll } from '$lib/read-again.ts';
	import { plain } from '$lib/format.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import { toast } from 'svelte-sonner';
	import type { RestoreLine } from './restore/+server.ts';

	/** Brings an archive in, says how far it is, and can be stopped until it is done. */
	let { blocked }: { blocked: boolean } = $props();
	let files = $state<FileList>();
	let problem = $state('');
	let running = $state<AbortController | null>(null);
	let done = $state(0);
	let of = $state(0);
	const file = $derived(files?.[0] ?? null);

	async function restore(event: SubmitEvent) {
		event.preventDefault();
		if (!file) {
			problem = 'choose the archive first: a file whose name ends in .zip';
			return;
		}
		problem = '';
		[done, of] = [0, 0];
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
			if (answer.status === 413) problem = 'this file is larger than an archive can be';
			else await follow(answer);
		} catch (error) {
			problem = stop.signal.aborted
				? 'stopped: nothing of it was kept'
				: `the server does not answer (${(error as Error).message}): see that Square Batch runs, and try again`;
		} finally {
			running = null;
		}
	}

	async function follow(answer: Response): Promise<void> {
		const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
		let rest = '';
		let ended = false;
		for (let next = await reader?.read(); next && !next.done; next = await reader?.read()) {
			const lines = (rest + next.value).split('\n');
			rest = lines.pop() ?? '';
			for (const line of lines) ended = take(JSON.parse(line) as RestoreLine) || ended;
		}
		if (!ended) problem = 'the server stopped answering before it was done: nothing of it was kept';
	}
	function take(line: RestoreLine): boolean {
		if ('progress' in line) {
			[done, of] = [line.progress.done, line.progress.of];
			return false;
		}
		if ('problem' in line) problem = line.problem;
		else {
			toast.success('Restored and opened');
			void readAll();
		}
		return true;
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
				>{of === 0 ? 'Reading it' : `${plain(done)} of ${plain(of)} rows`}
				<progress class="accent-action block h-4 w-full" max={of || 1} value={of === 0 ? undefined : done}></progress>
			</label>
			<button type="button" class="button mt-2" onclick={() => running?.abort()}>Stop</button>
		</div>
	{/if}
</form>
<Problems problems={problem ? [{ path: '', message: problem }] : []} />
