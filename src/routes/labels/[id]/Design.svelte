<script lang="ts">
	import type { Ingredient, RulesName } from '$core/formula/types.ts';
	import { giveawayPer100Packs, type Recommendation } from '$core/netquantity/recommend.ts';
	import { profileSentence, type LocalProfile } from '$core/profile/profile.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import { labelName } from '$core/formula/naming.ts';
	import { fixed, money, plain } from '$lib/format.ts';
	import { FORMAT_OPTIONS, SIZE_OPTIONS, type LabelDraft } from '$lib/label/draft.ts';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';

	/** The words, the size and the format of a label. */
	interface Props {
		draft: LabelDraft;
		at: (path: string) => string;
		/** What a new wording would lose, by ingredient. */
		wordingErrors: Record<string, string>;
		ingredients: readonly Ingredient[];
		rules: RulesName;
		/** What the kitchen's own authority asks; null while nothing is noted. */
		profile: LocalProfile | null;
		recommended: Recommendation | null;
		/** Ingredients of one piece; null while nothing has a price. */
		perPiece: string | null;
		packPieces: number;
		currency: string;
	}
	let {
		draft = $bindable(),
		at,
		wordingErrors,
		ingredients,
		rules,
		profile,
		recommended,
		perPiece,
		packPieces,
		currency
	}: Props = $props();

	const size = $derived(
		SIZE_OPTIONS.some((option) => option.value === `${draft.width}x${draft.height}`)
			? `${draft.width}x${draft.height}`
			: ''
	);
	let free = $state(false);
	function chooseSize(value: string) {
		free = value === '';
		const [width, height] = value.split('x');
		if (width && height) [draft.width, draft.height] = [width, height];
	}
	const sentence = $derived(profile ? profileSentence(profile) : '');
	const giveaway = $derived(
		recommended && perPiece
			? giveawayPer100Packs(recommended.giveaway_g, recommended.meanPack_g, perPiece, packPieces)
			: null
	);
</script>

<div class="grid items-start gap-4 sm:grid-cols-2">
	<div data-field="name">
		<Field label="Name on the label" bind:value={draft.name} error={at('name')} maxlength={160} />
	</div>
	<div data-field="declared_g">
		<Field
			label="Net quantity"
			unit="g"
			bind:value={draft.declared}
			error={at('declared')}
			inputmode="decimal"
		/>
		{#if recommended}
			<p class="text-quiet mt-1 text-sm" data-testid="recommended">
				Weighed pieces make a pack of {fixed(recommended.meanPack_g, 1)} g on average. The next batch’s, with 95
				% confidence, is not under {fixed(recommended.lowerBound_g, 1)} g: at most
				<b>{plain(recommended.declared_g)} g</b>
				may be declared.
				{#if recommended.widened}
					{recommended.batches === 1 ? 'One batch says' : 'Two batches say'} little of how much the next will differ:
					{fixed(100 * recommended.widened.sd, 1)} points of cook loss are allowed for{recommended.widened
						.from === 'family'
						? ', as your other batches of its family differ'
						: ''}, and a third batch lets you declare more.
				{/if}
				It gives away
				{fixed(recommended.giveaway_g, 1)} g a pack{giveaway === null
					? ''
					: `, ${money(giveaway, currency)} in 100 packs`}.
				<button
					type="button"
					class="underline"
					onclick={() => (draft.declared = String(recommended.declared_g))}
					>Declare {plain(recommended.declared_g)} g</button
				>
			</p>
		{:else}
			<p class="text-quiet mt-1 text-sm">
				Weigh finished pieces of some batches, and what may be declared is worked out.
			</p>
		{/if}
	</div>
	<div data-field="maker">
		<Field label="Maker" bind:value={draft.maker} error={at('maker')} maxlength={160} />
	</div>
	<div data-field="address">
		<Field label="Address" bind:value={draft.address} error={at('address')} maxlength={200} />
	</div>
	<div data-field="storage">
		<Field label="How to keep it" bind:value={draft.storage} error={at('storage')} maxlength={300} />
	</div>
	<div data-field="finishing">
		<Field
			label="How to finish it"
			bind:value={draft.finishing}
			error={at('finishing')}
			maxlength={400}
			hint="Where it is part-cooked: how hot, how long, and that it is not eaten before"
		/>
	</div>
	<div data-field="bestBeforeDays">
		<Field
			label="Best before, days from making"
			bind:value={draft.bestBeforeDays}
			error={at('bestBeforeDays')}
			inputmode="numeric"
			hint="What your own test bears out; empty prints none"
		/>
	</div>
	<div data-field="shelfLifeTest">
		<Field
			label="Your shelf-life test"
			bind:value={draft.shelfLifeTest}
			error={at('shelfLifeTest')}
			maxlength={400}
			hint="When, how it was kept, what you found each day; it stays here, not on the label"
		/>
	</div>
	<div data-field="localSentence">
		<Field
			label="What else your authority asks to stand there"
			bind:value={draft.localSentence}
			error={at('localSentence')}
			maxlength={400}
			hint={sentence === ''
				? 'A sentence for every label belongs in the local profile'
				: `Besides “${sentence}”, from your local profile`}
		/>
	</div>
	{#if profile && profile.foods.length > 0}
		<div data-field="food">
			<Choice
				label="Which of the foods your profile allows"
				bind:value={draft.food}
				options={[
					{ value: '', text: 'choose…' },
					...profile.foods.map((food) => ({ value: food, text: food })),
					...(draft.food === '' || profile.foods.includes(draft.food)
						? []
						: [{ value: draft.food, text: `${draft.food} (no longer listed)` }])
				]}
				error={at('food')}
			/>
		</div>
	{/if}
	<div data-field="price">
		<Field label="Price, if it is to print" bind:value={draft.price} error={at('price')} maxlength={20} />
	</div>
	<div data-field="barcode">
		<Field
			label="Barcode number, if it is to print"
			bind:value={draft.barcode}
			error={at('barcode')}
			inputmode="numeric"
			maxlength={20}
			hint="The 12 or 13 digits you were given; none is made up here"
		/>
	</div>
	<Choice
		label="Size"
		value={free ? '' : size}
		options={SIZE_OPTIONS}
		onchange={(event) => chooseSize(event.currentTarget.value)}
	/>
	<div data-field="face_mm">
		<div class="grid grid-cols-2 items-end gap-2">
			<Field
				label="Front of the pack, wide"
				unit="mm"
				bind:value={draft.faceWidth}
				error={at('faceWidth')}
				inputmode="decimal"
			/>
			<Field
				label="Front of the pack, high"
				unit="mm"
				bind:value={draft.faceHeight}
				error={at('faceHeight')}
				inputmode="decimal"
			/>
		</div>
		<p class="text-quiet mt-1 text-sm">
			The side it is shown by, its largest: the sizes of the type go by it
		</p>
	</div>
	{#if rulesOf(rules).formats.length > 0}
		<div data-field="format">
			<Choice
				label="Panel format"
				bind:value={draft.format}
				options={FORMAT_OPTIONS}
				hint="The small formats are for packs with 258 cm² (40 square inches) to label or less, where the upright one does not fit"
			/>
		</div>
		{#if draft.format !== 'vertical' || draft.packArea !== ''}
			<div data-field="packArea_cm2">
				<Field
					label="What of the pack a label could take up"
					unit="cm²"
					bind:value={draft.packArea}
					error={at('packArea')}
					inputmode="decimal"
					hint="Front and back together, seams aside"
				/>
			</div>
		{/if}
	{/if}
	{#if profile?.panelExempt || draft.leavePanelOut}
		<div data-field="leavePanelOut">
			<label class="flex min-h-11 items-center gap-2">
				<input type="checkbox" class="accent-action size-5" bind:checked={draft.leavePanelOut} />
				Leave the nutrition panel out
			</label>
			<p class="text-quiet text-sm">
				{profile?.panelExempt
					? `Your local profile lets it be left out${profile.panelCondition === '' ? '' : `, ${profile.panelCondition}`}. Allergens are never left out.`
					: 'Your local profile does not let it be left out.'}
			</p>
		</div>
	{/if}
	{#if free || size === ''}
		<Field label="Width" unit="mm" bind:value={draft.width} error={at('width')} inputmode="decimal" />
		<Field label="Height" unit="mm" bind:value={draft.height} error={at('height')} inputmode="decimal" />
	{/if}
</div>
<details class="mt-5" data-field="wording" open={Object.keys(draft.wording).length > 0}>
	<summary class="cursor-pointer font-semibold">Ingredients in your own words</summary>
	<p class="text-quiet mt-1 max-w-prose text-sm">
		Empty takes the name on the shelf. No ingredient can be left out, and a wording that loses an allergen’s
		word is refused.
	</p>
	<div class="mt-2 grid gap-3">
		{#each ingredients as ingredient (ingredient.id)}
			<div data-field="wording.{ingredient.id}">
				<Field
					label={ingredient.name}
					bind:value={
						() => draft.wording[ingredient.id] ?? '', (said) => (draft.wording[ingredient.id] = said)
					}
					placeholder={labelName(ingredient, rules)}
					error={wordingErrors[ingredient.id] || at(`wording.${ingredient.id}`)}
					maxlength={300}
				/>
			</div>
		{/each}
	</div>
</details>
