<script lang="ts">
	import { enhance } from '$app/forms';
	import { untrack } from 'svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { Equipment } from '$lib/kitchen/types.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';

	/** What a plan goes by of one piece of equipment. */
	let { equipment, may }: { equipment: Equipment; may: boolean } = $props();
	const KINDS = [
		{ value: 'bowl', text: 'a bowl' },
		{ value: 'griddle', text: 'a griddle or pan' },
		{ value: 'oven', text: 'an oven' },
		{ value: 'board', text: 'a board or press' },
		{ value: 'fridge', text: 'a fridge' },
		{ value: 'other', text: 'something else: no plan waits for it' }
	];
	let kind = $state(untrack(() => equipment.kind as string));
	let places = $state(untrack(() => String(equipment.places)));
	let capacity = $state(untrack(() => (equipment.capacity_g === null ? '' : String(equipment.capacity_g))));
	const form = draftForm<never>({
		saved: () => `${equipment.name} kept`,
		sends: () => ({
			id: equipment.id,
			kind,
			places: isHeat ? places : '1',
			capacity_g: holds ? capacity : ''
		})
	});
	const isHeat = $derived(kind === 'griddle' || kind === 'oven');
	const holds = $derived(kind === 'bowl' || kind === 'fridge');
	const isChanged = $derived(
		kind !== equipment.kind ||
			(isHeat && places !== String(equipment.places)) ||
			(holds && capacity !== (equipment.capacity_g === null ? '' : String(equipment.capacity_g)))
	);
</script>

<li class="border-rule border-b py-1">
	<form method="POST" action="/plan?/tool" use:enhance={form.enhance} class="flex flex-wrap items-end gap-2">
		<b class="min-h-11 w-44 content-center">{equipment.name}</b>
		<Choice
			label="What {equipment.name} is"
			tight
			bind:value={kind}
			options={KINDS}
			disabled={!may}
			error={form.at('kind')}
			class="w-60"
		/>
		{#if isHeat}
			<Field
				label="Pieces at once on {equipment.name}"
				tight
				unit="at once"
				bind:value={places}
				inputmode="numeric"
				disabled={!may}
				error={form.at('places')}
				class="w-32"
			/>
		{:else if holds}
			<Field
				label="{equipment.name} holds"
				tight
				unit="g"
				placeholder="any"
				bind:value={capacity}
				inputmode="decimal"
				disabled={!may}
				error={form.at('capacity_g')}
				class="w-36"
			/>
		{/if}
		{#if isChanged && may}<button class="button" disabled={form.saving}>Keep</button>{/if}
	</form>
</li>
