<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Problems from '$lib/ui/Problems.svelte';

	let { data } = $props();
	const form = draftForm<never>({ saved: 'Let go' });
	/** So much of a record is shown. */
	const SHOWN = 2000;
</script>

<svelte:head><title>What cannot be read · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/kitchen">Kitchen</a></p>
<h1>What cannot be read</h1>
{#if data.found.length === 0}
	<p class="mt-2 max-w-prose">
		Everything {data.kitchen.name} holds can be read. If a page fails all the same, it is a fault of Square Batch,
		and nothing of yours is lost.
	</p>
{:else}
	<p class="text-quiet mt-2 max-w-prose">
		Something else than Square Batch wrote these, or a disk lost a part of them: pages that show them fail.
		Everything else is as it was, and the archive can still be downloaded, without what cannot be read. Surest
		is to
		<a href="/kitchen/data">restore an archive</a> from before.
	</p>
	<Problems problems={form.problems} />
	<ul class="divide-rule border-rule mt-4 max-w-3xl divide-y border-y">
		{#each data.found as record (`${record.table} ${record.column} ${record.id}`)}
			<li class="py-4">
				<h2 class="first-letter:uppercase">{record.what}</h2>
				<p class="mt-1 break-words">{record.why}</p>
				<p class="text-quiet figure mt-1 text-sm break-all">{record.table}.{record.column}, {record.id}</p>
				<details class="mt-2">
					<summary class="min-h-11 cursor-pointer py-2">What it holds</summary>
					<pre class="figure max-h-60 overflow-auto text-sm break-all whitespace-pre-wrap">{record.text.slice(
							0,
							SHOWN
						)}{record.text.length > SHOWN ? ' …' : ''}</pre>
				</details>
				{#if record.letGo === null}
					<p class="mt-2 font-semibold">
						This is evidence, which is never changed: restore an archive from before.
					</p>
				{:else}
					<form
						method="POST"
						action="?/letGo"
						use:enhance={form.enhance}
						class="mt-2 flex flex-wrap items-center gap-3"
					>
						<input
							type="hidden"
							name="draft"
							value={JSON.stringify({ table: record.table, column: record.column, id: record.id })}
						/>
						<button class="button" disabled={form.saving} aria-label="Let go of {record.what}"
							>Let it go</button
						>
						<span class="text-sm">{record.letGo}</span>
					</form>
				{/if}
			</li>
		{/each}
	</ul>
{/if}
