<script lang="ts">
	import Choice from '$lib/ui/control/Choice.svelte';
	import Check from '$lib/ui/control/Check.svelte';
	import { enhance } from '$app/forms';
	import { KINDS } from '$core/composition/kinds.ts';
	import type { Problem } from '$core/problem.ts';
	import { plural } from '$lib/format.ts';
	import type { ShelfRow } from '$lib/shelf/file-row.ts';
	import FileOrRows from '$lib/ui/import/FileOrRows.svelte';
	import { keptForm } from '$lib/ui/import/kept-form.svelte.ts';
	import Outcome from '$lib/ui/import/Outcome.svelte';
	import RowProblems from '$lib/ui/import/RowProblems.svelte';
	import Wide from '$lib/ui/Wide.svelte';
	import { untrack } from 'svelte';
	import { SvelteSet } from 'svelte/reactivity';

	let { data, form } = $props();
	type Answer = {
		problems?: Problem[];
		text?: string;
		rows?: ShelfRow[];
		done?: { added: number; changed: number };
	};
	const answer = $derived((form ?? {}) as Answer);
	const rows = $derived(answer.rows ?? []);
	let text = $state(untrack(() => ((form ?? {}) as Answer).text ?? ''));
	let kind = $state<string>(KINDS[0]);
	/** Rows, by their line, that are not to be taken. */
	const leftOut = new SvelteSet<number>();
	const kept = keptForm();
	const sound = $derived(rows.filter((row) => row.state === 'new' || row.state === 'changed'));
	const bad = $derived(rows.filter((row) => row.state === 'bad'));
	const STATE_WORDS = { new: 'new', changed: 'changes', same: 'the same already', bad: 'cannot be read' };
</script>

<svelte:head><title>Bring ingredients in · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/shelf">Shelf</a></p>
<h1>Bring ingredients in</h1>

{#snippet done()}
	{plural(answer.done?.added ?? 0, 'ingredient')} added, {answer.done?.changed} changed.
	<a href="/shelf">To the shelf</a>
{/snippet}
<Outcome done={answer.done ? done : null} problems={answer.problems ?? []} />

{#if rows.length > 0}
	<form method="POST" action="?/import" use:enhance={kept.enhance}>
		<input type="hidden" name="text" value={answer.text} />
		<p class="mt-3">
			Nothing is written yet: <b>{sound.length}</b> of {plural(rows.length, 'row')} can be brought in{#if bad.length > 0},
				<span class="text-loss font-semibold">{bad.length} cannot</span>{/if}.
		</p>
		<Wide label="Rows of the file" class="mt-2">
			<table class="ledger">
				<thead
					><tr><th>Take</th><th class="number">Line</th><th>Ingredient</th><td></td><th>What it says</th></tr
					></thead
				>
				<tbody>
					{#each rows as row (row.line)}
						<tr>
							<td>
								{#if row.state === 'new' || row.state === 'changed'}
									<Check
										name="line"
										value={String(row.line)}
										checked={!leftOut.has(row.line)}
										oncheck={(is) => (is ? leftOut.delete(row.line) : leftOut.add(row.line))}
										label="Take line {row.line}"
									/>
								{/if}
							</td>
							<td class="number">{row.line}</td>
							<td class="font-semibold">{row.name || 'no name'}</td>
							<td class={row.state === 'bad' ? 'text-loss font-semibold' : 'text-quiet'}
								>{STATE_WORDS[row.state]}</td
							>
							<td class="text-sm">
								<RowProblems problems={row.problems} />
								{#each row.changes as change, nth (nth)}<p class="text-quiet">{change}</p>{/each}
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
		<div class="mt-4 flex flex-wrap gap-2">
			<button class="button button-main" disabled={kept.waits || sound.length === 0}
				>Bring in the ticked rows</button
			>
			<a class="button" href="/shelf/import" data-sveltekit-reload>Choose another file</a>
		</div>
	</form>
{:else}
	<p class="mt-2 max-w-prose">
		A CSV or JSON file as the shelf exports it, or the JSON of one food from the public US food composition
		database. You see what each row would do before anything is written.
	</p>
	<form
		method="POST"
		action="?/preview"
		enctype="multipart/form-data"
		use:enhance={kept.enhance}
		class="mt-4 max-w-3xl space-y-4"
	>
		<FileOrRows accept=".csv,.json,.txt" bind:text />
		<div class="max-w-xs">
			<Choice
				label="Kind, for one food of the database"
				sent="kind"
				bind:value={kind}
				options={KINDS.map((each) => ({ value: each, text: each }))}
			/>
		</div>
		<button class="button button-main" disabled={kept.waits}>Look at it</button>
	</form>
	<details class="mt-6 max-w-3xl">
		<summary class="cursor-pointer font-semibold">The columns</summary>
		<p class="mt-2 text-sm">
			The first row names them; <code>name</code> and <code>kind</code> are needed, any other may be left out.
			Values are per 100 g, empty is unknown. Allergen tags and measures have semicolons between them, such as
			<code>wheat;treenut:almond</code> and <code>cup:125:118-145</code>. Days are written 2026-03-14.
		</p>
		<p class="figure text-quiet mt-2 text-sm">{data.columns.join(', ')}</p>
	</details>
{/if}
