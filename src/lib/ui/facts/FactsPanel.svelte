<script lang="ts">
	import type { Facts } from '$core/facts.ts';
	import type { Recipe } from '$core/formula/types.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import type { ValueSource } from '$lib/shelf/sources.ts';
	import { panelOf } from './panel-of.ts';
	import PanelDrawing from './PanelDrawing.svelte';
	import Why from './Why.svelte';

	/** The panel or table of the facts as it prints; each line of it, cost and weight can be asked about. */
	interface Props {
		facts: Facts;
		recipe: Recipe;
		sources: Record<string, ValueSource>;
		currency: string;
		/** Address of the one-page record of a figure; empty while what is shown is not saved. */
		record: string;
		/** Where it is said how sure the figures are; empty where it is not. */
		sure?: string;
	}
	let { facts, recipe, sources, currency, record, sure = '' }: Props = $props();
	let asked = $state('');
	let open = $state(false);

	const rules = $derived(rulesOf(recipe.rules));
	const names = $derived(Object.fromEntries(rules.figures.map((figure) => [figure.key, figure.name])));
	const panel = $derived(panelOf(recipe, facts));
	const reason = $derived(rules.servingReason(facts, recipe.product));
	function ask(key: string) {
		asked = key;
		open = true;
	}
</script>

{#if panel}
	<PanelDrawing {...panel} {names} onask={ask} />
{/if}
{#if reason}<p class="text-quiet mt-2 text-sm" data-testid="serving-reason">{reason}</p>{/if}
<button type="button" class="button mt-3" onclick={() => ask(panel ? (Object.keys(names)[0] ?? '') : 'cost')}
	>Why these figures</button
>
{#if sure}<a href={sure} class="button mt-3">How sure</a>{/if}
<Why bind:open bind:asked {facts} {recipe} {sources} {currency} {record} />
