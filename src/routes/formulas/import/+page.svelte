<script lang="ts">
	import OnceKey from '$lib/form/OnceKey.svelte';
	import { enhance } from '$app/forms';
	import type { Problem } from '$core/problem.ts';
	import { untrack } from 'svelte';

	let { form } = $props();
	const problems = $derived((form?.problems ?? []) as Problem[]);
	let text = $state(untrack(() => form?.text ?? ''));
	let busy = $state(false);
</script>

<svelte:head><title>Bring a formula in · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/formulas">Formulas</a></p>
<h1>Bring a formula in</h1>
<p class="mt-2 max-w-prose">
	A Square Batch file brings its formula, its ingredients and what was measured. A recipe from a web page
	(schema.org Recipe as JSON-LD, or the page’s own source) brings its lines as they were written, to be
	weighed.
</p>
{#if problems.length > 0}
	<div role="alert" class="border-loss bg-loss-pale my-3 max-w-3xl border-l-4 px-4 py-3">
		<p class="font-semibold">Nothing was brought in.</p>
		<ul class="mt-1 list-disc pl-5">
			{#each problems as problem, nth (nth)}
				<li>
					{#if problem.path}<span class="figure">{problem.path}</span>:
					{/if}{problem.message}
				</li>
			{/each}
		</ul>
	</div>
{/if}
<form
	method="POST"
	enctype="multipart/form-data"
	class="mt-4 max-w-3xl space-y-4"
	use:enhance={() => {
		busy = true;
		return async ({ update }) => {
			await update({ reset: false });
			busy = false;
		};
	}}
>
	<div>
		<label for="file" class="mb-1 block text-sm font-medium">File</label>
		<input id="file" name="file" type="file" accept=".json,.jsonld,.html,.htm,.txt" class="input pt-2!" />
	</div>
	<div>
		<label for="text" class="mb-1 block text-sm font-medium">Or its text</label>
		<textarea id="text" name="text" rows="10" class="input figure text-sm" bind:value={text}></textarea>
	</div>
	<OnceKey />
	<button class="button button-main" disabled={busy}>Bring it in</button>
</form>
