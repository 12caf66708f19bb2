<script lang="ts">
	import { Dialog } from 'bits-ui';
	import { swapped, SWAPS, type SwapBy } from '$core/reformulate/swap.ts';
	import type { Ingredient, Recipe } from '$core/formula/types.ts';
	import { plain } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Radios from '$lib/ui/control/Radios.svelte';

	/** One ingredient in the place of another: what it gains of allergens is said before anything else. */
	interface Props {
		open: boolean;
		recipe: Recipe;
		line: number;
		shelf: readonly Ingredient[];
		step_g: number;
		ontake: (by: Ingredient, keep: SwapBy) => void;
	}
	let { open = $bindable(), recipe, line, shelf, step_g, ontake }: Props = $props();
	let chosen = $state('');
	let keep = $state<SwapBy>('mass');
	const now = $derived(recipe.ingredients.find(({ id }) => id === recipe.formula.lines[line]?.ingredient));
	const options = $derived(
		shelf
			.filter(({ id }) => id !== now?.id)
			// Of the same kind first: a fat for a fat.
			.toSorted(
				(a, b) => Number(b.kind === now?.kind) - Number(a.kind === now?.kind) || a.name.localeCompare(b.name)
			)
			.map(({ id, name }) => ({ value: id, text: name }))
	);
	const by = $derived(shelf.find(({ id }) => id === chosen) ?? null);
	const outcome = $derived(by && swapped(recipe, line, by, keep, step_g));
	const KEEPS: Record<SwapBy, string> = { mass: 'as many grams', fat: 'as much fat', water: 'as much water' };
	const keeps = SWAPS.map((value) => ({ value, text: KEEPS[value] }));
	function take() {
		if (!by || !outcome?.ok) return;
		ontake(by, keep);
		open = false;
		chosen = '';
	}
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class="bg-ink/40 fixed inset-0 z-20" />
		<Dialog.Content
			class="bg-sheet fixed top-1/2 left-1/2 z-30 max-h-[90vh] w-[min(32rem,92vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto p-5 shadow-xl"
		>
			<Dialog.Title class="text-xl font-extrabold">Instead of {now?.name ?? ''}</Dialog.Title>
			<Dialog.Description class="text-quiet text-sm"
				>Every other line stays; then wishes go on from there.</Dialog.Description
			>
			<div class="mt-3 space-y-3">
				<Choice label="Ingredient of your shelf" bind:value={chosen} {options} />
				<Radios
					label="So that there is"
					bind:value={() => keep, (value) => (keep = value as SwapBy)}
					options={keeps}
				/>
				{#if outcome && !outcome.ok}<p role="alert" class="text-loss">{outcome.problems[0]?.message}</p>{/if}
				{#if outcome?.ok}
					{@const { gained, lost, isUnconfirmed, grams } = outcome.value}
					<div role="status" data-testid="swap">
						{#if gained.length > 0}<p class="border-loss bg-loss-pale border-l-4 px-3 py-2 font-semibold">
								It gains {gained.join(', ')}: every label of it has to say so.
							</p>{/if}
						{#if isUnconfirmed}<p class="border-loss bg-loss-pale mt-1 border-l-4 px-3 py-2 font-semibold">
								Nobody has confirmed what allergens {by?.name} holds: read its pack first.
							</p>{/if}
						{#if lost.length > 0}<p class="mt-1">
								{lost.join(', ')}
								{lost.length === 1 ? 'is' : 'are'} no longer declared for what is in it. What shared equipment brings
								along stays a question of cleaning.
							</p>{/if}
						<p class="mt-1">
							{plain(recipe.formula.lines[line]?.used_g ?? 0, 2)} g become {plain(grams, 2)} g.
						</p>
					</div>
				{/if}
			</div>
			<div class="mt-4 flex gap-2">
				<button type="button" class="button button-main" disabled={!outcome?.ok} onclick={take}>Swap</button>
				<Dialog.Close class="button">Leave it</Dialog.Close>
			</div>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
