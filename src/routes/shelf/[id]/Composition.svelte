<script lang="ts">
	import DayField from '$lib/ui/control/DayField.svelte';
	import { rulesOf } from '$core/rules/index.ts';
	import { compositionWarnings } from '$core/composition/checks.ts';
	import { completeness } from '$core/rules/completeness.ts';
	import {
		COMPOSITION_KEYS,
		nutrientUnit,
		nutrientWord,
		type Composition,
		type CompositionKey
	} from '$core/composition/nutrients.ts';
	import type { RulesName } from '$core/formula/types.ts';
	import { readNumber } from '$core/measure/reading.ts';
	import { plain } from '$lib/format.ts';
	import type { IngredientDraft } from '$lib/shelf/ingredient-draft.ts';
	import { readLabelDraft } from '$lib/shelf/pack-label.ts';
	import { SOURCE_WORDS } from '$lib/shelf/sources.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';

	/** What 100 g hold, how that is known, and what is doubtful or unknown of it. */
	interface Props {
		draft: IngredientDraft;
		rules: RulesName;
		at: (path: string) => string;
	}
	let { draft = $bindable(), rules, at }: Props = $props();

	const LABEL_WORDS = [
		{ value: '', text: 'per 100 g, as typed' },
		{ value: 'us', text: 'a US panel, per serving' },
		{ value: 'eu', text: 'an EU or UK table' }
	];
	/** How the pack prints; null where it is typed per 100 g. */
	const packLabel = $derived(draft.label.kind === '' ? null : rulesOf(draft.label.kind).packLabel);
	const isLabel = $derived(draft.source === 'pack' && draft.label.kind !== '');
	const label = $derived(
		isLabel ? readLabelDraft(draft.label) : { reading: null, serving_g: null, errors: [] }
	);
	const fromLabel = $derived(label.reading?.per100g ?? {});
	const intervals = $derived(label.reading?.intervals ?? {});

	const composition = $derived(
		Object.fromEntries(
			COMPOSITION_KEYS.map((key) => {
				const read = readNumber(draft.per100g[key]);
				return [key, fromLabel[key] ?? (read.ok ? read.value : null)];
			})
		) as Composition
	);
	const warnings = $derived(compositionWarnings(composition, draft.kind));
	const complete = $derived(completeness(composition, rulesOf(rules)));
	const warning = (key: CompositionKey) => warnings.find((each) => each.key === key)?.message ?? '';
	function fieldError(key: CompositionKey) {
		const typed = draft.per100g[key];
		if (typed.trim() === '') return at(`per100g.${key}`);
		const read = readNumber(typed);
		return read.ok ? at(`per100g.${key}`) : read.message;
	}
	const labelError = (path: string) => {
		const typed = path === 'label.serving' ? draft.label.serving : 'typed';
		const live = label.errors.find((problem) => problem.path === path)?.message ?? '';
		return typed.trim() === '' ? at(path) : live || at(path);
	};
	const labelDoubt = (line: string) =>
		label.reading?.problems.find((problem) => problem.path === line)?.message ?? '';
	const lineWord = (line: string) => (line === 'salt_g' ? 'salt' : nutrientWord(line as CompositionKey));
	const lineUnit = (line: string) => (line === 'salt_g' ? 'g' : nutrientUnit(line as CompositionKey));
	const per100gOf = (line: string) => (line === 'salt_g' ? 'sodium_mg' : line) as CompositionKey;
	/** Values the label gives are shown, the rest are typed. */
	const typedKeys = $derived(COMPOSITION_KEYS.filter((key) => fromLabel[key] == null));
</script>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="composition-heading">
	<div class="flex flex-wrap items-baseline justify-between gap-2">
		<h2 id="composition-heading">In 100 g</h2>
		<p class="text-sm" data-testid="completeness">
			<span class="bg-rule mr-2 inline-block h-2 w-24 align-middle" aria-hidden="true"
				><span class="bg-squared block h-full" style="width: {complete.share * 100}%"></span></span
			>
			{#if complete.blocking.length === 0}everything the panel needs is known
			{:else}<span class="text-attention-ink font-semibold"
					>the panel waits for {complete.blocking.map(nutrientWord).join(', ')}</span
				>{/if}
		</p>
	</div>
	<p class="text-quiet mt-1 text-sm">
		Leave a field empty when the value is unknown: empty is never taken for zero.
		{#if draft.source === 'reference'}Reference values are typical ones; honest tables differ by 5 to 40 % on
			minerals and fibre. Put the pack’s or the supplier’s in their place when you have them.{/if}
	</p>
	<div class="mt-3 grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
		<Choice
			label="Where these values come from"
			bind:value={draft.source}
			options={Object.entries(SOURCE_WORDS).map(([value, text]) => ({ value, text }))}
			error={at('source')}
		/>
		{#if draft.source === 'pack'}
			<Choice label="The label gives them" bind:value={draft.label.kind} options={LABEL_WORDS} />
		{/if}
		<Field
			label="Which one exactly"
			bind:value={draft.sourceNote}
			error={at('sourceNote')}
			placeholder="brand line, document, row"
		/>
		<DayField label="Of which day" bind:value={draft.sourceOn} error={at('sourceOn')} />
		{#if draft.source === 'laboratory'}
			<Field
				label="Its uncertainty"
				unit="%"
				bind:value={draft.uncertainty}
				error={at('uncertainty')}
				inputmode="decimal"
				hint="Expanded (k = 2), as the report says; empty: 10 %"
			/>
		{/if}
	</div>

	{#if isLabel && packLabel}
		<div class="bg-sheet border-rule mt-4 border p-4">
			<h3>As printed on the pack{packLabel.perServing ? '' : ', per 100 g'}</h3>
			<p class="text-quiet text-sm">
				Type what the pack prints, “&lt;1” and “less than 5mg” too. It was rounded, so beside each stands what
				it can have been in 100 g.
			</p>
			{#if packLabel.perServing}
				<Field
					label="Serving"
					unit="g"
					bind:value={draft.label.serving}
					error={labelError('label.serving')}
					class="mt-3 w-40"
					placeholder="30"
				/>
			{/if}
			<div class="mt-3 grid grid-cols-2 gap-x-5 gap-y-3 sm:grid-cols-3 lg:grid-cols-4">
				{#each packLabel.lines as line, nth (nth)}
					{@const interval = intervals[per100gOf(line)]}
					{@const value = fromLabel[per100gOf(line)]}
					<Field
						label="{lineWord(line)}, as printed"
						unit={lineUnit(line)}
						bind:value={() => draft.label.printed[line] ?? '', (typed) => (draft.label.printed[line] = typed)}
						error={labelError(`label.printed.${line}`)}
						warning={labelDoubt(line)}
						hint={value != null && interval
							? `${plain(value, 2)} in 100 g, ${plain(interval[0], 2)} to ${plain(interval[1], 2)}`
							: ''}
					/>
				{/each}
			</div>
		</div>
		<h3 class="mt-4">What the pack does not print</h3>
	{/if}
	<div class="mt-3 grid grid-cols-2 gap-x-5 gap-y-3 sm:grid-cols-3 lg:grid-cols-4">
		{#each typedKeys as key (key)}
			<Field
				label={nutrientWord(key)}
				bind:value={draft.per100g[key]}
				unit={nutrientUnit(key)}
				error={fieldError(key)}
				warning={warning(key)}
				hint={draft.per100g[key].trim() === '' ? 'unknown' : ''}
				inputmode="decimal"
			/>
		{/each}
	</div>
	{#if warnings.some((each) => !typedKeys.includes(each.key))}
		<ul class="text-attention-ink mt-3 list-disc pl-5" aria-label="Doubts about these values">
			{#each warnings.filter((each) => !typedKeys.includes(each.key)) as each, nth (nth)}<li>
					{each.message}
				</li>{/each}
		</ul>
	{/if}
</section>
