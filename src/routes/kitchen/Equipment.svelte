<script lang="ts">
	import { enhance } from '$app/forms';
	import { plain } from '$lib/format.ts';
	import type { Equipment } from '$lib/kitchen/types.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	/** What batches are made on. */
	let { equipment }: { equipment: Equipment[] } = $props();
	let name = $state('');
	let tare = $state('');
	const add = draftForm<never>({ saved: 'Added', onsaved: () => (name = tare = '') });
	const retire = draftForm<never>({ saved: 'Out of use' });
</script>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="equipment-heading">
	<h2 id="equipment-heading">Equipment</h2>
	<p class="text-quiet max-w-prose text-sm">
		Bowls, boards, griddles: what one batch leaves on them, the next may catch. Each batch says what it
		touched, and a clean in between is recorded with the batch.
	</p>
	{#if equipment.length > 0}
		<ul class="mt-2 flex max-w-3xl flex-wrap gap-x-6 gap-y-1">
			{#each equipment as each (each.id)}
				<li class="flex items-center gap-2">
					<span class="font-semibold">{each.name}</span>
					{#if each.tare_g !== null}<span class="text-quiet figure text-sm">{plain(each.tare_g, 1)} g</span
						>{/if}
					<form method="POST" action="?/retire" use:enhance={retire.enhance}>
						<input type="hidden" name="draft" value={JSON.stringify({ id: each.id })} />
						<button class="min-h-9 px-1 text-sm underline" aria-label="{each.name} is out of use"
							>out of use</button
						>
					</form>
				</li>
			{/each}
		</ul>
	{/if}
	<form
		method="POST"
		action="?/equipment"
		use:enhance={add.enhance}
		class="mt-2 flex max-w-xl flex-wrap items-end gap-2"
	>
		<input type="hidden" name="draft" value={JSON.stringify({ id: add.key, name, tare })} />
		<Field
			label="Equipment to add"
			bind:value={name}
			error={add.at('name')}
			maxlength={80}
			placeholder="large bowl"
			class="min-w-60 flex-1"
		/>
		<Field
			label="Its weight, empty"
			unit="g"
			bind:value={tare}
			error={add.at('tare')}
			inputmode="decimal"
			class="w-36"
		/>
		<button class="button" disabled={add.saving}>Add it</button>
	</form>
	<Problems
		problems={[...add.problems, ...retire.problems].filter(
			(problem) => !['name', 'tare'].includes(problem.path)
		)}
	/>
</section>
