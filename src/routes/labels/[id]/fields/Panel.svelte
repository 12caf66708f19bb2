<script lang="ts">
	import Check from '$lib/ui/control/Check.svelte';
	import type { RulesName } from '$core/formula/types.ts';
	import type { LocalProfile } from '$core/profile/profile.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import { FORMAT_OPTIONS, type LabelDraft } from '$lib/label/draft.ts';
	import Choice from '$lib/ui/control/Choice.svelte';

	/** The format of the panel, and whether there is one. */
	interface Props {
		draft: LabelDraft;
		rules: RulesName;
		profile: LocalProfile | null;
		/** Whether the pack is so small that no panel is asked for. */
		isSmall: boolean;
		/** Opens the dialog in which every figure is explained. */
		onwhy: (() => void) | null;
		/** Where it is said how sure they are; empty for who may not look. */
		sure: string;
	}
	let { draft = $bindable(), rules, profile, isSmall, onwhy, sure }: Props = $props();
</script>

{#if rulesOf(rules).formats.length > 0}
	<div data-field="format">
		<Choice
			label="Panel format"
			bind:value={draft.format}
			options={FORMAT_OPTIONS}
			hint="The small formats are for packs with 258 cm² (40 square inches) to label or less, where the upright one does not fit"
		/>
	</div>
{/if}
{#if profile?.panelExempt || isSmall || draft.leavePanelOut}
	<div data-field="leavePanelOut">
		<Check bind:checked={draft.leavePanelOut}>Leave the nutrition panel out</Check>
		<p class="text-quiet text-sm">
			{profile?.panelExempt
				? `Your local profile lets it be left out${profile.panelCondition === '' ? '' : `, ${profile.panelCondition}`}. Allergens are never left out.`
				: isSmall
					? 'The pack is so small that none is asked for, as long as nothing is claimed of what is in it.'
					: 'Your local profile does not let it be left out.'}
		</p>
	</div>
{/if}
<p class="text-sm">Its figures are derived: press a line of it to see why it says what it says.</p>
{#if onwhy}<button type="button" class="button" onclick={onwhy}>Why these figures</button>{/if}
{#if sure}<a href={sure} class="button">How sure</a>{/if}
