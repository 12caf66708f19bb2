<script lang="ts">
	import type { PlanBasis, PlanWish } from '$lib/plan/types.ts';
	import Check from '$lib/ui/control/Check.svelte';
	import Checks from '$lib/ui/control/Checks.svelte';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import SaidTime from './SaidTime.svelte';

	/** When it must be packed, who helps, and with what. */
	let {
		basis,
		wish,
		onchange
	}: { basis: PlanBasis; wish: PlanWish; onchange: (wish: Partial<PlanWish>) => void } = $props();
	const known = $derived([...new Set([...basis.people, ...wish.people])]);
	let more = $state('');
	function add() {
		const name = more.trim();
		if (name !== '' && !wish.people.includes(name)) onchange({ people: [...wish.people, name] });
		more = '';
	}
	const there = $derived(basis.tools.filter(({ id }) => !wish.without.includes(id)).map(({ id }) => id));
</script>

<div class="mt-2 grid max-w-4xl gap-x-6 gap-y-3 sm:grid-cols-2 lg:grid-cols-3">
	<SaidTime label="Packed by" value={wish.packedBy} onsay={(packedBy) => onchange({ packedBy, pins: {} })} />
	<SaidTime label="Nobody begins before" value={wish.earliest} onsay={(earliest) => onchange({ earliest })} />
	<Choice
		label="How long things take"
		value={wish.reckoning}
		options={[
			{ value: 'safe', text: 'so that nine of ten times suffice' },
			{ value: 'usual', text: 'as long as usually' }
		]}
		onchoose={(value) => onchange({ reckoning: value === 'usual' ? 'usual' : 'safe' })}
	/>
	<div>
		<Check checked={wish.packedEve} oncheck={(packedEve) => onchange({ packedEve, pins: {} })}
			>packed the evening before</Check
		>
		<Check checked={wish.evening !== ''} oncheck={(is) => onchange({ evening: is ? '21:00' : '' })}
			>the evening before counts too</Check
		>
		{#if wish.evening !== ''}
			<SaidTime label="Until" value={wish.evening} onsay={(evening) => onchange({ evening })} />
		{/if}
		<Check checked={wish.rollsWhileCooking} oncheck={(rollsWhileCooking) => onchange({ rollsWhileCooking })}
			>who cooks rolls the next one meanwhile</Check
		>
	</div>
	<fieldset>
		<legend class="text-sm font-semibold">Who helps</legend>
		<Checks
			bind:value={() => wish.people, (people) => people.length > 0 && onchange({ people })}
			options={known.map((name) => ({ value: name, text: name }))}
		/>
		<div class="flex items-end gap-2">
			<Field
				label="Somebody else"
				bind:value={more}
				maxlength={60}
				class="flex-1"
				onkeydown={(event) => {
					if (event.key === 'Enter') {
						event.preventDefault();
						add();
					}
				}}
			/>
			<button type="button" class="button" onclick={add}>Add</button>
		</div>
		{#each wish.overnight as id (id)}
			<p class="mt-1 text-sm">
				The dough of {basis.products.find(({ productId }) => productId === id)?.name ?? ''} is chilled overnight
				<button
					type="button"
					class="min-h-8 underline"
					onclick={() => onchange({ overnight: wish.overnight.filter((each) => each !== id) })}
					>the same day</button
				>
			</p>
		{/each}
		{#if wish.helpers.length > 0}
			<p class="mt-1 text-sm">
				{wish.helpers.length === 1
					? 'A helper comes for an hour'
					: `${wish.helpers.length} helpers come for an hour each`}
				<button type="button" class="min-h-8 underline" onclick={() => onchange({ helpers: [] })}
					>nobody comes</button
				>
			</p>
		{/if}
	</fieldset>
	<fieldset>
		<legend class="text-sm font-semibold">With what</legend>
		<Checks
			bind:value={
				() => there,
				(ids) => onchange({ without: basis.tools.flatMap(({ id }) => (ids.includes(id) ? [] : id)) })
			}
			options={basis.tools.map(({ id, name }) => ({ value: id, text: name }))}
		/>
		{#if wish.borrowed.length > 0}
			<p class="text-sm">
				and another {wish.borrowed
					.map((id) => basis.tools.find((tool) => tool.id === id)?.name.toLowerCase() ?? '')
					.join(', another ')}
				<button type="button" class="min-h-8 underline" onclick={() => onchange({ borrowed: [] })}
					>without</button
				>
			</p>
		{/if}
		<p class="text-sm"><a href="/plan#tools">what each holds</a></p>
	</fieldset>
</div>
