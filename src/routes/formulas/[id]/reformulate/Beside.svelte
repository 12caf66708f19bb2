<script lang="ts">
	import { flourShares } from '$core/formula/shares.ts';
	import { ingredientsOf, type Recipe } from '$core/formula/types.ts';
	import { windowFindings, type Windows } from '$core/formula/families.ts';
	import type { Facts } from '$core/facts.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import { fixed, money, plain } from '$lib/format.ts';
	import { SHARE_WORDS } from '$lib/formula/share-words.ts';
	import { allergensMoved, lossMoves } from '$core/reformulate/moved.ts';
	import { panelOf } from '$lib/ui/facts/panel-of.ts';
	import PanelDrawing from '$lib/ui/facts/PanelDrawing.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	/** The formula as it is beside what it becomes: allergens first, then what a piece is, then the panels. */
	interface One {
		recipe: Recipe;
		facts: Facts;
	}
	interface Props {
		now: One;
		then: One;
		windows: Windows | null;
		currency: string;
		/** A line of today’s panel was pressed: it is to be another. */
		onask: (figure: string) => void;
	}
	let { now, then, windows, currency, onask }: Props = $props();
	const rules = $derived(rulesOf(now.recipe.rules));
	const names = $derived(Object.fromEntries(rules.figures.map(({ key, name }) => [key, name])));
	const allergens = $derived(allergensMoved(now.facts, then.facts));
	const panels = $derived([
		{ name: 'Now', panel: panelOf(now.recipe, now.facts) },
		{ name: 'Becomes', panel: panelOf(then.recipe, then.facts) }
	]);
	const energyOf = ({ recipe, facts }: One) => rulesOf(recipe.rules).energy_kcal(facts.energy);
	const kcal = (one: One) => {
		const energy = energyOf(one);
		return energy === null ? 'not known' : `${fixed(energy, 0)} kcal`;
	};
	const price = (amount: string | null, places: number) =>
		amount === null ? 'not known' : money(amount, currency, places);
	const rows = $derived([
		{ name: 'A finished piece', of: (one: One) => `${fixed(one.facts.yield.finishedWeight_g ?? 0, 1)} g` },
		{ name: 'Energy, a piece', of: kcal },
		{ name: 'Ingredients, a piece', of: (one: One) => price(one.facts.cost.perPiece, 4) },
		{ name: 'A pack, with materials', of: (one: One) => price(one.facts.cost.perPack, 2) }
	]);
	const findings = $derived.by(() => {
		if (!windows) return [];
		const of = ({ recipe }: One) =>
			windowFindings(flourShares(recipe.formula.lines, ingredientsOf(recipe)), windows);
		const after = of(then);
		// What is none of it and usually is not says nothing.
		return of(now)
			.map((before, at) => ({ before, after: after[at] ?? before }))
			.filter(
				(each) => each.before.percent !== 0 || each.after.percent !== 0 || each.after.state !== 'inside'
			);
	});
	const share = (percent: number | null) => (percent === null ? 'not known' : `${fixed(percent, 1)} %`);
</script>

{#if allergens.gained.length > 0}<p
		role="alert"
		class="border-loss bg-loss-pale mb-3 border-l-4 px-4 py-2 font-semibold"
	>
		It gains {allergens.gained.join(', ')}: every label of it has to say so.
	</p>{/if}
<p data-testid="contains">
	<span class="text-quiet">Contains</span>
	<b>{then.facts.allergens.contains.join(', ') || 'none of the major allergens'}</b
	>{#if allergens.lost.length > 0}<span
			>; {allergens.lost.join(', ')} no longer. What shared equipment brings along stays a question of cleaning.</span
		>{/if}
	{#if then.facts.allergens.unconfirmed.length > 0}<span class="text-attention-ink font-semibold"
			>What some of it holds nobody has confirmed.</span
		>{/if}
</p>
{#if lossMoves(now.facts, then.facts)}<p class="caution mt-2 max-w-3xl">
		Hydration moves by more than two points: the loss in cooking will move with it. These figures keep the
		loss of the formula as it is; weigh cooled pieces of a trial before any label is printed.
	</p>{/if}
<div class="mt-3 grid gap-6 lg:grid-cols-[minmax(0,1fr)_auto]">
	<Wide label="One piece, now and then">
		<table class="ledger">
			<thead><tr><th>One piece</th><th class="number">Now</th><th class="number">Becomes</th></tr></thead>
			<tbody>
				{#each rows as { name, of } (name)}
					<tr class={of(now) === of(then) ? '' : 'bg-attention-pale'}>
						<td>{name}</td><td class="number">{of(now)}</td><td class="number font-bold">{of(then)}</td>
					</tr>
				{/each}
				{#each findings as { before, after } (before.key)}
					<tr class={share(before.percent) === share(after.percent) ? '' : 'bg-attention-pale'}>
						<td>
							{SHARE_WORDS[before.key]}
							<span class="text-quiet text-sm"
								>usually {plain(after.window.low, 1)} to {plain(after.window.high, 1)} %{after.reason
									? `: ${after.reason}`
									: ''}</span
							>
						</td>
						<td class="number">{share(before.percent)}</td>
						<td class={['number font-bold', after.state === 'inside' ? '' : 'text-attention-ink']}
							>{share(after.percent)}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
	<div class="flex flex-wrap gap-6" data-testid="panels">
		{#each panels as { name, panel } (name)}
			<figure class="min-w-0">
				<figcaption class="text-quiet mb-1 text-sm font-semibold">
					{name}{name === 'Now' ? ': press a line to wish for another figure' : ''}
				</figcaption>
				{#if !panel}<p>No finished piece was weighed yet.</p>
				{:else if name === 'Now'}<PanelDrawing
						{...panel}
						{names}
						{onask}
						asking={(line) => `Wish for another ${line}`}
					/>
				{:else}<PanelDrawing {...panel} />{/if}
			</figure>
		{/each}
	</div>
</div>
