<script lang="ts">
	import TimeField from '$lib/ui/control/TimeField.svelte';
	import Checks from '$lib/ui/control/Checks.svelte';
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { dayText } from '$lib/format.ts';
	import type { BatchContact } from '$lib/batch/contact.ts';
	import Proposals from '$lib/ui/contact/Proposals.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	/** The day of a batch: what else was made on the same equipment, what was cleaned, what may have come along. */
	interface Props {
		batchId: string;
		madeOn: string;
		/** Equipment the batch touches, for choosing what was cleaned. */
		equipment: string[];
		contact: BatchContact;
		/** Whether what is typed above is saved; the day is of what is. */
		edited: boolean;
	}
	let { batchId, madeOn, equipment, contact, edited }: Props = $props();
	const nameOf = (id: string) => contact.equipment[id] ?? 'equipment';
	/** Nothing is ticked beforehand: a clean that was not done is worse than one not recorded. */
	const blank = { equipment: [] as string[], at: '', how: '' };
	let clean = $state({ ...blank });
	const cleaned = $derived(clean.equipment.filter((id) => equipment.includes(id)));
	const form = draftForm<never>({
		saved: 'Clean recorded',
		onsaved: () => (clean = { ...blank })
	});
	const voiding = draftForm<never>({ saved: 'Voided' });
	let reason = $state('');

	/** Batches and cleans in the order of the day; what has no time comes first. */
	const events = $derived(
		[
			...contact.day.map((making) => ({ at: making.beganAt, making, clean: null })),
			...contact.cleans.map((each) => ({ at: each.at, making: null, clean: each }))
		].toSorted((a, b) => (a.at ?? '').localeCompare(b.at ?? ''))
	);
	const endUnknown = $derived(
		contact.day.filter((making) => making.id !== batchId && making.usedUntil === null).length
	);
	const undated = $derived(contact.day.filter((making) => making.beganAt === null).length);
</script>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="day-heading">
	<h2 id="day-heading">What may have come along</h2>
	<p class="text-quiet max-w-prose text-sm">
		{dayText(madeOn)} on the equipment this batch shares. {contact.day.length < 2
			? 'Nothing else is down for that day.'
			: ''}
		{undated > 0 && contact.day.length > 1
			? 'Where no time was noted, a batch is taken to have been before.'
			: ''}
		{endUnknown > 0 && contact.cleans.length > 0
			? 'A clean counts after the last use of what it cleaned: where nothing tells when a batch was done, none does.'
			: ''}
		{edited ? 'What is typed above counts once it is saved.' : ''}
	</p>
	<Wide label="The day's batches and cleans">
		<table class="ledger mt-2 max-w-4xl text-sm">
			<thead><tr><th>Time</th><th>What</th><th>On</th><th>Handled</th></tr></thead>
			<tbody>
				{#each events as event (event.making?.id ?? event.clean?.id)}
					{#if event.making}
						{@const making = event.making}
						<tr class={making.id === batchId ? 'bg-ground' : ''}>
							<td class="figure whitespace-nowrap"
								>{making.beganAt ?? '–'}{making.usedUntil === null
									? ''
									: making.usedUntil === '24:00'
										? ', and on'
										: `–${making.usedUntil}`}</td
							>
							<td>
								{#if making.id === batchId}<b>this batch</b>{:else}<a href="/batches/{making.id}"
										>{making.name} {making.code}</a
									>{/if}
							</td>
							<td>{making.equipment.map(nameOf).join(', ') || 'nothing noted'}</td>
							<td>{making.allergens.join(', ') || 'no allergen noted'}</td>
						</tr>
					{:else if event.clean}
						{@const each = event.clean}
						<tr>
							<td class="figure">{each.at}</td>
							<td class={each.voided ? 'line-through' : 'text-squared font-semibold'}>cleaned: {each.how}</td>
							<td class={each.voided ? 'line-through' : ''}>{nameOf(each.equipment)}</td>
							<td>
								{#if each.voided}<span class="text-quiet">voided: {each.voided}</span>{:else}
									<details>
										<summary class="cursor-pointer underline">void</summary>
										<form method="POST" action="?/voidClean" use:enhance={voiding.enhance} class="mt-1">
											<input type="hidden" name="draft" value={JSON.stringify({ id: each.id, reason })} />
											<Field label="Why it does not count" bind:value={reason} error={voiding.at('reason')} />
											<button class="button mt-1">Void this clean</button>
										</form>
									</details>
								{/if}
							</td>
						</tr>
					{/if}
				{/each}
			</tbody>
		</table>
	</Wide>
	{#if equipment.length > 0}
		<details class="mt-3 max-w-3xl">
			<summary class="cursor-pointer font-semibold">Record a clean</summary>
			<form
				method="POST"
				action="?/clean"
				use:enhance={form.enhance}
				class="mt-2"
				aria-label="A clean of the day"
			>
				<input
					type="hidden"
					name="draft"
					value={JSON.stringify({ id: form.key, cleanedOn: madeOn, ...clean, equipment: cleaned })}
				/>
				<Problems problems={form.problems} />
				<fieldset>
					<legend class="text-sm font-medium">Cleaned</legend>
					<Checks
						bind:value={clean.equipment}
						options={equipment.map((id) => ({ value: id, text: nameOf(id) }))}
					/>
				</fieldset>
				<div class="mt-2 flex flex-wrap items-end gap-3">
					<TimeField label="At" bind:value={clean.at} error={form.at('at')} class="w-36" />
					<Field
						label="How"
						bind:value={clean.how}
						error={form.at('how')}
						maxlength={200}
						placeholder="washed, rinsed, dried"
						class="min-w-60 flex-1"
					/>
					<button class="button" disabled={form.saving}>Record it</button>
				</div>
			</form>
		</details>
	{:else}
		<p class="mt-2 max-w-prose text-sm">
			No equipment is noted for this batch.
			{#if Object.keys(contact.equipment).length === 0}<a href="/kitchen#equipment-heading"
					>Name the kitchen’s equipment</a
				> first, then say here what the batch touched.{:else}Say above what it touched, or nothing shared can
				be found.{/if}
		</p>
	{/if}
	<Proposals
		{contact}
		nothing={page.data.batch.equipment.length === 0
			? 'Without equipment nothing can be proposed: that is not the same as nothing having come along.'
			: 'Nothing was handled before it on the same equipment that it does not hold itself.'}
	/>
</section>
