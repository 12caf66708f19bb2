<script lang="ts">
	import { enhance } from '$app/forms';
	import OnceKey from '$lib/form/OnceKey.svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { dayText, plain, plural } from '$lib/format.ts';
	import type { Lot } from '$lib/shelf/lots.ts';
	import DayField from '$lib/ui/control/DayField.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';

	/** Jars of a mix: those that were filled, what is left of them, and the way to sell them. */
	interface Props {
		/** What one jar holds, as it was saved; null while nobody said. */
		portion_g: number | null;
		lots: readonly Lot[];
		today: string;
	}
	let { portion_g, lots, today }: Props = $props();
	const blank = () => ({ madeOn: today, jars: '', bestBefore: '' });
	let draft = $state(untrack(blank));
	const form = draftForm<never>({ saved: 'Noted', onsaved: () => (draft = blank()) });
	const jarsOf = (grams: number) => (portion_g ? Math.floor(grams / portion_g + 1e-9) : 0);
	const all = $derived(jarsOf(lots.reduce((sum, lot) => sum + lot.onHand, 0)));
</script>

<section class="border-rule mt-6 max-w-4xl border-t pt-4" aria-labelledby="jars-heading">
	<h2 id="jars-heading">Jars</h2>
	{#if portion_g === null}
		<p class="text-quiet mt-1">Say above what goes into one jar, and save: then jars are counted here.</p>
	{:else}
		<p class="mt-1" data-testid="jars-left">
			{#if lots.length === 0}None are noted.{:else}<b class="figure">{plain(all)}</b>
				full {all === 1 ? 'jar' : 'jars'} of {plain(portion_g, 1)} g left.{/if}
			A line of a formula takes them by weight, by the cup once a cup of it was weighed, or by the jar.
		</p>
		{#if lots.length > 0}
			<table class="ledger mt-2 max-w-2xl">
				<thead><tr><th>Lot</th><th>Made</th><th>Best before</th><th class="number">Left</th></tr></thead>
				<tbody>
					{#each lots as lot (lot.id)}
						<tr>
							<td><a href="/shelf/lots/{lot.id}" class="figure">{lot.code}</a></td>
							<td>{dayText(lot.receivedOn)}</td>
							<td class={lot.bestBefore && lot.bestBefore < today ? 'text-loss font-semibold' : ''}
								>{lot.bestBefore ? dayText(lot.bestBefore) : 'no date'}</td
							>
							<td class="number"
								>{plural(jarsOf(lot.onHand), 'jar')} <span class="unit">{plain(lot.onHand)} g</span></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		{/if}
		<form method="POST" action="?/jars" use:enhance={form.enhance} class="mt-3">
			<input type="hidden" name="draft" value={JSON.stringify({ id: form.key, ...draft })} />
			<Problems problems={form.problems.filter(({ path }) => path === '')} />
			<div class="flex flex-wrap items-start gap-3">
				<DayField label="Made on" bind:value={draft.madeOn} error={form.at('madeOn')} class="w-44" />
				<Field
					label="Jars filled"
					bind:value={draft.jars}
					error={form.at('jars')}
					inputmode="numeric"
					class="w-32"
				/>
				<DayField
					label="Best before"
					bind:value={draft.bestBefore}
					error={form.at('bestBefore')}
					hint="Empty: the earliest of what goes in"
					class="w-56"
				/>
				<button class="button button-main mt-6" disabled={form.saving}>Note the jars</button>
			</div>
		</form>
		<p class="text-quiet mt-1 text-sm">
			What goes in is taken from the lots of its parts, the oldest first; the jars are a lot of their own.
		</p>
		<form method="POST" action="?/sell" class="mt-4">
			<OnceKey />
			<button class="button">Sell it by the jar…</button>
			<span class="text-quiet ml-2 text-sm">Makes a formula of it whose piece is one jar</span>
		</form>
	{/if}
	<p class="caution mt-3 max-w-prose">
		A dry mix holds raw flour: whoever buys it has to cook it, and its label says so. A mix to sell may be
		another kind of food than bread: ask your local authority.
	</p>
</section>
