<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { limitWords, NEAR, type Limits } from '$lib/kitchen/limits.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** What the kitchen takes of the installation; closing it, and deleting it with all of it. */
	interface Props {
		kitchen: string;
		isClosed: boolean;
		limits: Limits;
		/** Entries of it are still on their way. */
		blocked: boolean;
	}
	let { kitchen, isClosed, limits, blocked }: Props = $props();
	const closing = draftForm<never>({ saved: 'Closed' });
	const opening = draftForm<never>({ saved: 'Open again' });
	let typed = $state('');
	const removing = draftForm<never>({ saved: 'Being deleted', typed: () => ({ name: typed }) });
	const LIMITS = ['rows', 'bytes', 'requests'] as const;
	const NAMES = { rows: 'Kept', bytes: 'Room', requests: 'Requests' };
</script>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="limits-heading">
	<h2 id="limits-heading">What it takes here</h2>
	<p class="text-quiet max-w-prose">
		A kitchen may take so much of the installation it is on. It is said on every page once four fifths are taken; at
		the limit nothing new is begun, and what is begun at a bench or a stall still goes on.
	</p>
	<dl class="mt-2 max-w-3xl">
		{#each LIMITS as name (name)}
			{@const limit = limits[name]}
			<div class="border-rule grid gap-x-4 border-b py-2 sm:grid-cols-[6rem_1fr_18rem] sm:items-center">
				<dt class="font-medium">{NAMES[name]}</dt>
				<dd class="figure text-sm sm:order-last sm:text-right">{limitWords(name, limit)}</dd>
				<dd>
					<meter
						class="block h-3 w-full"
						min="0"
						max={limit.most}
						high={NEAR * limit.most}
						value={Math.min(limit.has, limit.most)}
						aria-label="{NAMES[name]}: {limitWords(name, limit)}"
					></meter>
				</dd>
			</div>
		{/each}
	</dl>
</section>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="end-heading">
	<h2 id="end-heading">Close or delete {kitchen}</h2>
	{#if !isClosed}
		<p class="text-quiet max-w-prose">
			Closed, all of it is read and taken along as an archive, and nothing in it is changed: at the bench, the stall and
			the desk. It can be opened again. Only a closed kitchen is deleted.
		</p>
		<form method="POST" action="?/close" use:enhance={closing.enhance} class="mt-3">
			<input type="hidden" name="draft" value={JSON.stringify({})} />
			<button class="button" disabled={closing.saving || blocked}>Close the kitchen</button>
		</form>
		<Problems problems={closing.problems} />
	{:else}
		<p class="max-w-prose">It is closed: it is read, and nothing in it is changed.</p>
		<form method="POST" action="?/openAgain" use:enhance={opening.enhance} class="mt-3">
			<input type="hidden" name="draft" value={JSON.stringify({})} />
			<button class="button button-main" disabled={opening.saving}>Open it again</button>
		</form>
		<Problems problems={opening.problems} />
		<details class="mt-4">
			<summary class="min-h-11 cursor-pointer py-2 font-semibold">Delete it with all of it</summary>
			<div class="border-loss bg-loss-pale mt-1 max-w-prose border-l-4 px-4 py-2">
				<p>
					Every weighing, batch, label and sale of {kitchen} goes, for everybody, and cannot be brought back but from
					an archive. A recall of bags that were sold goes by them, and local codes may ask you to keep such records
					for years: take an archive first, and keep it.
				</p>
			</div>
			<form method="POST" action="?/remove" use:enhance={removing.enhance} class="mt-3 max-w-xl">
				<input type="hidden" name="draft" value={JSON.stringify({ id: removing.key, name: typed })} />
				<Field
					label="Type its name: {kitchen}"
					bind:value={typed}
					error={removing.at('name')}
					maxlength={120}
					autocomplete="off"
				/>
				<Problems problems={removing.problems.filter((problem) => problem.path !== 'name')} />
				<button class="button mt-2" disabled={removing.saving || blocked}>Delete it for good</button>
			</form>
		</details>
	{/if}
</section>
