<script lang="ts">
	import Checks from '$lib/ui/control/Checks.svelte';
	import Check from '$lib/ui/control/Check.svelte';
	import { rulesOf } from '$core/rules/index.ts';
	import { NAMED_TAGS, PLAIN_TAGS } from '$core/allergens/tags.ts';
	import type { RulesName } from '$core/formula/types.ts';
	import { dayText } from '$lib/format.ts';
	import type { IngredientDraft } from '$lib/shelf/ingredient-draft.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';

	/** What somebody may react to, and who vouches for the list. */
	interface Props {
		draft: IngredientDraft;
		confirmedOn: string | null;
		rules: RulesName;
		at: (path: string) => string;
	}
	let { draft = $bindable(), confirmedOn, rules, at }: Props = $props();

	const isNamed = (tag: string) => (NAMED_TAGS as readonly string[]).includes(tag.split(':')[0] ?? '');
	const named = $derived(draft.allergens.filter(isNamed));
	const NAMED_OPTIONS = NAMED_TAGS.map((tag) => ({
		value: tag,
		text: tag === 'treenut' ? 'tree nut' : tag
	}));
	let newMay = $state({ group: 'treenut', species: '' });
	let newNamed = $state({ group: 'treenut', species: '' });
	function toggle(tag: string, on: boolean) {
		draft.allergens = on ? [...draft.allergens, tag] : draft.allergens.filter((each) => each !== tag);
		if (!on) draft.refined = draft.refined.filter((each) => each !== tag);
	}
	/** The list with the kind that was typed, once. */
	function withNamed(tags: string[], typed: { group: string; species: string }): string[] {
		const species = typed.species.trim().toLowerCase();
		typed.species = '';
		return species === '' ? tags : [...new Set([...tags, `${typed.group}:${species}`])];
	}
	const addNamed = () => (draft.allergens = withNamed(draft.allergens, newNamed));
	const addMay = () => (draft.mayContain = withNamed(draft.mayContain, newMay));
</script>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="allergens-heading">
	<h2 id="allergens-heading">Allergens</h2>
	{#if !draft.confirmed}
		<p class="border-attention bg-attention-pale text-attention-ink mt-2 border-l-4 px-3 py-2 font-semibold">
			Not confirmed: every label that uses it waits.
		</p>
	{/if}
	<p class="text-quiet mt-1 text-sm">
		A label waits until somebody has confirmed these from the pack or a specification, even when there are
		none.
	</p>
	<div class="mt-3 flex flex-wrap gap-x-5 gap-y-1">
		{#each PLAIN_TAGS as tag (tag)}
			<Check checked={draft.allergens.includes(tag)} oncheck={(is) => toggle(tag, is)}>{tag}</Check>
		{/each}
		{#each named as tag (tag)}
			<Check checked={true} oncheck={() => toggle(tag, false)}>{tag.replace(':', ': ')}</Check>
		{/each}
	</div>
	<div class="mt-2 flex flex-wrap items-end gap-2">
		<Choice label="Nut, fish or shellfish" bind:value={newNamed.group} options={NAMED_OPTIONS} class="w-40" />
		<Field
			label="Which"
			bind:value={newNamed.species}
			class="w-40"
			placeholder="almond"
			onkeydown={(event) => {
				if (event.key !== 'Enter') return;
				event.preventDefault();
				addNamed();
			}}
		/>
		<button type="button" class="button" onclick={addNamed}>Add it</button>
	</div>
	{#if draft.allergens.length > 0}
		<details class="mt-3" open={draft.refined.length > 0}>
			<summary class="cursor-pointer font-semibold">Is it a highly refined oil?</summary>
			<p class="text-quiet mt-1 text-sm">
				Mark what comes from one, as its specification says; cold-pressed oils are not. The tag stays: in the
				US such an oil need not be declared, in the EU and UK only one of soya.
			</p>
			<Checks
				class="mt-1"
				bind:value={draft.refined}
				options={draft.allergens.map((tag) => ({
					value: tag,
					text: tag.replace(':', ': '),
					label: `${tag} from a highly refined oil`
				}))}
			/>
		</details>
	{/if}
	<details class="mt-3" open={draft.mayContain.length > 0}>
		<summary class="cursor-pointer font-semibold">What its pack says it may contain</summary>
		<p class="text-quiet mt-1 text-sm">
			Each is proposed for every label that uses it, and you decide there whether the label says it too.
		</p>
		<Checks
			class="mt-1"
			bind:value={draft.mayContain}
			options={[...PLAIN_TAGS, ...draft.mayContain.filter(isNamed)].map((tag) => ({
				value: tag,
				text: tag.replace(':', ': '),
				label: `may contain ${tag}`
			}))}
		/>
		<div class="mt-2 flex flex-wrap items-end gap-2">
			<Choice
				label="Nut, fish or shellfish it may contain"
				bind:value={newMay.group}
				options={NAMED_OPTIONS}
				class="w-60"
			/>
			<Field label="Which it may contain" bind:value={newMay.species} class="w-40" placeholder="almond" />
			<button type="button" class="button" onclick={addMay}>Add to what it may contain</button>
		</div>
	</details>
	<details class="mt-3 text-sm">
		<summary class="cursor-pointer">What need not be declared</summary>
		<ul class="text-quiet mt-1 list-disc space-y-1 pl-5">
			{#each rulesOf(rules).exemptions as exemption (exemption.what)}
				<li>{exemption.what} <span class="text-xs">({exemption.source})</span></li>
			{/each}
			<li>
				Leave the tag off only when the pack or the specification says it is exempt. When in doubt, declare.
			</li>
		</ul>
	</details>
	<div class="mt-4 grid gap-4 sm:grid-cols-[auto_1fr]">
		<Check bind:checked={draft.confirmed} class="font-semibold">I have confirmed this list</Check>
		<Field
			label="By what"
			bind:value={draft.evidence}
			error={at('evidence')}
			placeholder="pack, supplier specification"
		/>
	</div>
	{#if draft.confirmed && confirmedOn}
		<p class="text-quiet mt-2 text-sm">Confirmed on {dayText(confirmedOn)}.</p>
	{/if}
</section>
