<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import OnceKey from '$lib/form/OnceKey.svelte';
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { enhance } from '$app/forms';
	import { Dialog } from 'bits-ui';

	/** What was kept, what can be compared, and what can be done with the formula as a whole. */
	interface Props {
		id: string;
		number: number;
		versions: { number: number; keptAt: string; batches: number; reason: string }[];
		archived: boolean;
		changed: boolean;
		ondiscard: () => void;
	}
	let { id, number, versions, archived, changed, ondiscard }: Props = $props();
	let asking = $state(false);
</script>

{#if versions.length === 0}
	<p class="text-quiet">No version is kept yet. Keep one when the formula is ready to be made.</p>
{:else}
	<table class="ledger max-w-2xl">
		<thead><tr><th>Version</th><th>Kept on</th><th>Batches</th><th>Why</th><td></td></tr></thead>
		<tbody>
			{#each versions as version (version.number)}
				<tr>
					<td class="figure font-semibold">{version.number}</td>
					<td class="text-quiet">{dayTextOf(version.keptAt)}</td>
					<td class="text-quiet">{version.batches === 0 ? 'not made' : version.batches}</td>
					<td class="max-w-64 break-words">{version.reason}</td>
					<td>
						{#if version.number < number}<a href="/formulas/{id}/compare?from={version.number}&to={number}"
								>compare with {number}</a
							>{:else if changed}<a href="/formulas/{id}/compare?from={number}&to=draft"
								>compare with the draft</a
							>{/if}
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
{/if}
<div class="mt-4 flex flex-wrap gap-2">
	{#if number > 0}
		{#if versions.some((version) => version.batches > 0)}
			<a class="button" href="/formulas/{id}/history">How its batches went</a>
		{/if}
		{#if mayHere('costs')}<a class="button" href="/formulas/{id}/cost">What it costs, and what if</a>{/if}
		<a class="button" href="/formulas/{id}/file" download>Square Batch file</a>
		<a class="button" href="/formulas/{id}/recipe" download>Recipe for a web page</a>
	{/if}
	<form method="POST" action="/formulas/{id}?/duplicate" use:enhance>
		{#key id}<OnceKey />{/key}
		<button class="button">Duplicate</button>
	</form>
	<form method="POST" action="/formulas/{id}?/archive" use:enhance>
		<input type="hidden" name="archived" value={archived ? 'false' : 'true'} />
		<button class="button">{archived ? 'Bring back' : 'Put away'}</button>
	</form>
	{#if changed && number > 0}
		<Dialog.Root bind:open={asking}>
			<Dialog.Trigger class="button">Drop the draft</Dialog.Trigger>
			<Dialog.Portal>
				<Dialog.Overlay class="bg-ink/30 fixed inset-0 z-20" />
				<Dialog.Content
					class="bg-sheet border-ink fixed top-[15vh] left-1/2 z-20 w-[min(28rem,94vw)] -translate-x-1/2 border p-5"
				>
					<Dialog.Title class="text-lg font-bold">Drop the draft?</Dialog.Title>
					<Dialog.Description class="mt-2"
						>The sheet goes back to version {number}. What was typed since is gone.</Dialog.Description
					>
					<div class="mt-4 flex gap-2">
						<button
							type="button"
							class="button button-main"
							onclick={() => {
								asking = false;
								ondiscard();
							}}>Drop it</button
						>
						<Dialog.Close class="button">Keep typing</Dialog.Close>
					</div>
				</Dialog.Content>
			</Dialog.Portal>
		</Dialog.Root>
	{/if}
</div>
