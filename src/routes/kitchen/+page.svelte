<script lang="ts">
	import { SHARE_WORDS } from '$lib/formula/share-words.ts';
	import { enhance } from '$app/forms';
	import { FAMILIES } from '$core/formula/families.ts';
	import { SHARE_KEYS } from '$core/formula/shares.ts';
	import { plain } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import Wide from '$lib/ui/Wide.svelte';
	import { untrack } from 'svelte';
	import Equipment from './Equipment.svelte';
	import KitchenFields from './KitchenFields.svelte';
	import OwnMeasures from './OwnMeasures.svelte';
	import StandingRisks from './StandingRisks.svelte';

	let { data } = $props();
	let settings = $state(untrack(() => ({ ...data.settings })));
	const form = draftForm<never>({ saved: 'Saved' });

	const keys = SHARE_KEYS;
	const blank = () => ({
		name: '',
		windows: keys.map((key) => ({ key, low: '', high: '', below: '', above: '' }))
	});
	let family = $state(blank());
	const familyForm = draftForm<never>({ saved: 'Family added', onsaved: () => (family = blank()) });
	const remove = draftForm<never>({ saved: 'Removed' });
	const forget = draftForm<never>({ saved: 'Forgotten' });
	/** Begins from a usual family, to be changed. */
	function beginFrom(id: string) {
		const from = FAMILIES.find((each) => each.id === id);
		if (!from) return;
		family.windows = keys.map((key) => {
			const window = from.windows[key];
			return {
				key,
				low: window ? String(window.low) : '',
				high: window ? String(window.high) : '',
				below: window?.below ?? '',
				above: window?.above ?? ''
			};
		});
	}
</script>

<svelte:head><title>Kitchen · Square Batch</title></svelte:head>
<h1>Kitchen</h1>

<form method="POST" action="?/settings" use:enhance={form.enhance} class="mt-4 max-w-3xl">
	<input type="hidden" name="draft" value={JSON.stringify(settings)} />
	<Problems problems={form.problems} />
	<KitchenFields bind:draft={settings} {form} />
	<button class="button button-main mt-4" disabled={form.saving}>Save</button>
</form>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="profile-heading">
	<h2 id="profile-heading">Local profile</h2>
	<p class="max-w-prose">
		{#if data.profile}<b>{data.profile}</b>.{:else}Nothing is noted of what your own authority asks.{/if}
		<a href="/kitchen/profile"
			>{data.profile ? 'See and change it' : 'Begin one, with the questions to ask'}</a
		>
	</p>
</section>
<section class="border-rule mt-8 border-t pt-4" aria-labelledby="data-heading">
	<h2 id="data-heading">Data in and out</h2>
	<p class="max-w-prose">
		Everything in one archive, a restore from one, and a kitchen of your own beside this.
		<a href="/kitchen/data">Open it</a>
	</p>
</section>
<section class="border-rule mt-8 border-t pt-4" aria-labelledby="practice-heading">
	<h2 id="practice-heading">Practice</h2>
	<p class="max-w-prose">
		Batches with something hidden in them, in a kitchen of its own that nothing leaves.
		<a href="/practice">Choose an exercise</a>
	</p>
</section>
<section class="border-rule mt-8 border-t pt-4" aria-labelledby="costs-heading">
	<h2 id="costs-heading">Energy, labour and fees</h2>
	<p class="max-w-prose">
		What a batch and a selling day cost beside ingredients, where you want it counted.
		<a href="/kitchen/costs">See and change them</a>
	</p>
</section>
<section class="border-rule mt-8 border-t pt-4" aria-labelledby="spreads-heading">
	<h2 id="spreads-heading">Spreads assumed</h2>
	<p class="max-w-prose">
		How far table values may be off, from which it follows how sure each figure of a label is.
		<a href="/kitchen/spreads">See and change them</a>
	</p>
</section>
<Equipment equipment={data.equipment} />
<StandingRisks risks={data.risks} />

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="families-heading">
	<h2 id="families-heading">Families of your own</h2>
	<p class="text-quiet max-w-prose text-sm">
		A family says what is usual for a bread, in percent of flour. Windows advise and never block.
	</p>
	{#if data.families.length > 0}
		<table class="ledger mt-2 max-w-3xl">
			<thead><tr><th>Family</th><th>Windows</th><td></td></tr></thead>
			<tbody>
				{#each data.families as each (each.id)}
					<tr>
						<td class="font-semibold">{each.name}</td>
						<td class="text-quiet"
							>{keys
								.flatMap((key) => {
									const window = each.windows[key];
									return window
										? [`${SHARE_WORDS[key]} ${plain(window.low, 1)}–${plain(window.high, 1)}`]
										: [];
								})
								.join(', ')}</td
						>
						<td class="py-1! text-right">
							<form method="POST" action="?/removeFamily" use:enhance={remove.enhance}>
								<input type="hidden" name="draft" value={JSON.stringify({ id: each.id })} />
								<button class="min-h-9 px-1 text-sm underline" aria-label="Remove {each.name}">Remove</button>
							</form>
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
	<details class="mt-3">
		<summary class="cursor-pointer font-semibold">Add a family</summary>
		<form method="POST" action="?/family" use:enhance={familyForm.enhance} class="mt-3 max-w-3xl">
			<input type="hidden" name="draft" value={JSON.stringify(family)} />
			<Problems problems={familyForm.problems} />
			<div class="grid gap-3 sm:grid-cols-2">
				<Field
					label="Name of the family"
					bind:value={family.name}
					error={familyForm.at('name')}
					maxlength={60}
				/>
				<Choice
					label="Begin from"
					bind:value={() => '', beginFrom}
					options={[
						{ value: '', text: 'nothing' },
						...FAMILIES.map(({ id, name }) => ({ value: id, text: name }))
					]}
				/>
			</div>
			<Wide label="Windows of the family" class="mt-3">
				<table class="ledger min-w-xl">
					<thead
						><tr><th>Percent of flour</th><th>From</th><th>To</th><th>Too little</th><th>Too much</th></tr
						></thead
					>
					<tbody>
						{#each family.windows as window, index (window.key)}
							{@const word = SHARE_WORDS[window.key]}
							<tr>
								<td class="pt-3!">{word}</td>
								<td class="w-20"
									><Field
										label="{word} from"
										tight
										bind:value={window.low}
										error={familyForm.at(`windows[${index}].low`)}
									/></td
								>
								<td class="w-20"
									><Field
										label="{word} to"
										tight
										bind:value={window.high}
										error={familyForm.at(`windows[${index}].high`)}
									/></td
								>
								<td><Field label="Too little {word}" tight bind:value={window.below} maxlength={120} /></td>
								<td><Field label="Too much {word}" tight bind:value={window.above} maxlength={120} /></td>
							</tr>
						{/each}
					</tbody>
				</table>
			</Wide>
			<button class="button mt-3" disabled={familyForm.saving}>Add the family</button>
		</form>
	</details>
</section>

<OwnMeasures measures={data.ownMeasures} />

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="names-heading">
	<h2 id="names-heading">What names in lines mean here</h2>
	{#if data.remembered.length === 0}
		<p class="text-quiet max-w-prose text-sm">
			Nothing yet. Correct an ingredient in a formula’s line once, and this kitchen remembers what was meant.
		</p>
	{:else}
		<table class="ledger mt-2 max-w-2xl">
			<thead><tr><th>Said</th><th>Means</th><td></td></tr></thead>
			<tbody>
				{#each data.remembered as each (each.name)}
					<tr>
						<td>“{each.name}”</td>
						<td>{each.ingredient}</td>
						<td class="py-1! text-right">
							<form method="POST" action="?/forget" use:enhance={forget.enhance}>
								<input type="hidden" name="draft" value={JSON.stringify({ name: each.name })} />
								<button class="min-h-9 px-1 text-sm underline" aria-label="Forget “{each.name}”"
									>Forget</button
								>
							</form>
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</section>
