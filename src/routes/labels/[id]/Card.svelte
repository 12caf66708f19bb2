<script lang="ts">
	import type { Facts } from '$core/facts.ts';
	import { packRoom, type LabelDesign } from '$core/label/content.ts';
	import type { LabelPartName } from '$core/label/parts.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import type { LabelDraft } from '$lib/label/draft.ts';
	import type { Label } from '$lib/label/types.ts';
	import Proposals from '$lib/ui/contact/Proposals.svelte';
	import List from './fields/List.svelte';
	import Pack from './fields/Pack.svelte';
	import Panel from './fields/Panel.svelte';
	import Quantity from './fields/Quantity.svelte';
	import Words from './fields/Words.svelte';
	import { PART_WORDS } from './parts.ts';
	import WhyLine from './WhyLine.svelte';

	/** Beside the bag: the part that was pressed, to be changed, or the figure that was asked about. */
	interface Props {
		element: HTMLElement | undefined;
		/** The part; null where a figure is asked about. */
		part: LabelPartName | null;
		figure: string;
		draft: LabelDraft;
		at: (path: string) => string;
		label: Label;
		design: LabelDesign;
		facts: Facts | null;
		wordingErrors: Record<string, string>;
		/** The rule set in the address, where it is not the kitchen's. */
		asked: string;
		currency: string;
		saving: boolean;
		onsave: () => void;
		onclose: () => void;
		/** Where it is said how sure the figures are; empty for who may not look. */
		sure: string;
		/** Opens all of the derivation of a figure. */
		onexplain: (figure: string) => void;
	}
	let {
		element = $bindable(),
		part,
		figure,
		draft = $bindable(),
		at,
		label,
		design,
		facts,
		wordingErrors,
		asked,
		currency,
		saving,
		onsave,
		onclose,
		sure,
		onexplain
	}: Props = $props();
	const rules = $derived(label.plainRecipe.rules);
	const firstFigure = $derived(rulesOf(rules).figures[0]?.key ?? '');
	function save(event: SubmitEvent) {
		event.preventDefault();
		onsave();
	}
</script>

<svelte:window
	onkeydown={(event) => {
		// A list or a month that is open beside it is closed by itself.
		const isElsewhere = document.activeElement?.closest('[role="dialog"], [role="listbox"]') ?? false;
		if (event.key === 'Escape' && element && !isElsewhere) onclose();
	}}
/>
<section
	bind:this={element}
	tabindex="-1"
	class="bg-sheet border-ink border p-4"
	aria-labelledby={part ? 'card-heading' : undefined}
	aria-label={part ? undefined : 'Why it says so'}
	data-testid="card"
>
	{#if part}
		<h2 id="card-heading">{PART_WORDS[part]}</h2>
		{#if part === 'contact'}
			<p class="text-quiet mt-1 text-sm">
				From batches of the last weeks that shared equipment, from what is always about in the kitchen, and
				from what packs of ingredients say. What you say on the label stays on it until you take it off. What
				the list itself holds follows from the ticks on the shelf.
			</p>
			<div data-field="contact">
				<Proposals
					{asked}
					contact={label.contact}
					nothing="Nothing is proposed. Note the equipment and the time of each batch, and what packs of ingredients say they may contain, so that something can be."
				/>
			</div>
		{:else}
			<form class="mt-2 space-y-3" onsubmit={save}>
				{#if part === 'list'}
					<List bind:draft {at} {wordingErrors} ingredients={label.plainRecipe.ingredients} {rules} />
				{:else if part === 'quantity'}
					<Quantity
						bind:draft
						{at}
						recommended={label.recommended}
						perPiece={facts?.cost.perPiece ?? null}
						packPieces={label.product.packPieces}
						{currency}
					/>
				{:else if part === 'pack'}
					<Pack bind:draft {at} />
				{:else if part === 'panel'}
					<Panel
						bind:draft
						{rules}
						profile={label.profile}
						isSmall={rulesOf(rules).needsNoPanel(packRoom(design))}
						onwhy={facts
							? () => onexplain(facts.yield.finishedWeight_g === null ? 'cost' : firstFigure)
							: null}
						{sure}
					/>
				{:else}
					<Words {part} bind:draft {at} profile={label.profile} storage={label.choices.storage} />
				{/if}
				<button type="submit" class="button button-main xl:hidden" disabled={saving}>Save</button>
			</form>
		{/if}
	{:else if facts}
		<WhyLine figureKey={figure} {facts} recipe={label.plainRecipe} onall={() => onexplain(figure)} />
	{/if}
	<button type="button" class="button mt-3" onclick={onclose}>Done</button>
</section>
