<script lang="ts">
	import type { Family } from '$core/formula/families.ts';
	import { CHOICES, processOf, STEP_KINDS, type ChoiceKey, type Process } from '$core/formula/process.ts';
	import { saidStep, stepDraft, type FormulaDraft } from '$lib/formula/draft.ts';
	import { isAboutHeat, readHeat } from '$core/measure/heat.ts';
	import { plain } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import X from '@lucide/svelte/icons/x';

	/** How it is made: the family, the choices where makers disagree, and the steps with their cues. */
	interface Props {
		draft: FormulaDraft;
		families: readonly Family[];
		process: Process;
		error: (path: string) => string;
	}
	let { draft = $bindable(), families, process, error }: Props = $props();

	const CHOICE_WORDS: Record<ChoiceKey, string> = {
		leavening: 'Leavening',
		fat: 'Fat in the dough',
		water: 'Water goes in',
		ferment: 'Sponge or direct',
		kneading: 'Kneaded',
		held: 'Dough is baked',
		balls: 'Balls rest',
		opening: 'Opened',
		griddle: 'Griddle',
		cooking: 'Cooked on',
		sold: 'Sold',
		storage: 'Kept'
	};
	const keys = Object.keys(CHOICES) as ChoiceKey[];
	/** A choice decides between residue and steam; steps follow only while none was changed by hand. */
	function chosen(before: Process) {
		const untouched =
			draft.steps.length === 0 ||
			JSON.stringify(draft.steps.map(bare)) === JSON.stringify(before.steps.map(stepDraft).map(bare));
		const family = families.find((each) => each.id === draft.family) ?? null;
		const after = processOf(family, draft.choices);
		if (after.mixGap !== before.mixGap) draft.mixGap = after.mixGap;
		if (untouched && draft.steps.length > 0) draft.steps = after.steps.map(stepDraft);
	}
	const bare = ({ key: _key, ...step }: FormulaDraft['steps'][number]) => step;
	function choose(key: ChoiceKey, value: string) {
		const before = process;
		draft.choices = { ...draft.choices, [key]: value };
		chosen(before);
	}
	function moveStep(index: number, by: -1 | 1) {
		const [step] = draft.steps.splice(index, 1);
		if (step) draft.steps.splice(index + by, 0, step);
	}
	function addStep() {
		draft.steps.push(saidStep());
	}
	/** What a temperature in °F or in words comes to. */
	const heatSaid = (typed: string): string => {
		const read = readHeat(typed);
		if (!read.ok || !/\p{L}/u.test(typed)) return '';
		return `${isAboutHeat(typed) ? 'about ' : ''}${plain(read.value)} °C`;
	};
	const kinds = STEP_KINDS.map((kind) => ({ value: kind, text: kind }));
</script>

<div class="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
	<Choice
		label="Family"
		bind:value={
			() => draft.family,
			(value) => {
				const before = process;
				draft.family = value;
				chosen(before);
			}
		}
		options={[
			{ value: '', text: 'none: no windows' },
			...families.map(({ id, name }) => ({ value: id, text: name }))
		]}
		class="sm:col-span-2"
	/>
	<Choice
		label="Between bowl and dough, weight is"
		bind:value={draft.mixGap}
		options={[
			{ value: 'residue', text: 'stuck to bowl and hands' },
			{ value: 'evaporation', text: 'steamed off (boiling water)' }
		]}
		class="sm:col-span-2"
	/>
	{#each keys as key (key)}
		<Choice
			label={CHOICE_WORDS[key]}
			bind:value={() => draft.choices[key] ?? CHOICES[key][0], (value) => choose(key, value)}
			options={CHOICES[key].map((value) => ({ value, text: value }))}
		/>
	{/each}
</div>
<ul class="mt-4 space-y-1" aria-label="Cautions">
	{#each process.cautions as caution, nth (nth)}<li class="caution">{caution}</li>{/each}
</ul>

<div class="mt-5 flex flex-wrap items-center justify-between gap-2">
	<h3>Steps</h3>
	{#if draft.steps.length === 0}
		<button type="button" class="button" onclick={() => (draft.steps = process.steps.map(stepDraft))}
			>Start from the usual steps</button
		>
	{/if}
</div>
{#if draft.steps.length === 0}
	<p class="text-quiet mt-1">
		No steps yet. They drive the batch’s timers: what is done, how long, how hot, and the cue to look for.
	</p>
{/if}
<ol class="mt-2">
	{#each draft.steps as step, index (step.key)}
		{@const number = index + 1}
		<li
			class="border-rule grid grid-cols-[6rem_1fr_1fr] items-start gap-x-2 gap-y-1 border-b py-2 lg:grid-cols-[7.5rem_minmax(9rem,2fr)_4rem_4rem_4.5rem_minmax(8rem,1.5fr)_6.5rem]"
		>
			<Choice label="Kind of step {number}" tight bind:value={step.kind} options={kinds} />
			<Field
				label="What is done in step {number}"
				tight
				bind:value={step.text}
				maxlength={200}
				error={error(`steps[${index}].text`)}
				class="max-lg:col-span-2"
			/>
			<Field
				label="Least minutes of step {number}"
				tight
				bind:value={step.low}
				placeholder="min"
				inputmode="decimal"
				error={error(`steps[${index}].low`)}
			/>
			<Field
				label="Most minutes of step {number}"
				tight
				bind:value={step.high}
				placeholder="max"
				inputmode="decimal"
				error={error(`steps[${index}].high`) || error(`steps[${index}]`)}
			/>
			<Field
				label="Temperature of step {number}, °C"
				tight
				bind:value={step.temperature}
				placeholder="°C"
				hint={heatSaid(step.temperature)}
				error={error(`steps[${index}].temperature`)}
			/>
			<Field
				label="Cue of step {number}"
				tight
				bind:value={step.cue}
				placeholder="look for…"
				maxlength={200}
				class="max-lg:col-span-2"
			/>
			<span class="flex justify-end">
				<button
					type="button"
					class="p-2 disabled:opacity-30"
					aria-label="Move step {number} up"
					disabled={index === 0}
					onclick={() => moveStep(index, -1)}><ArrowUp size={16} /></button
				>
				<button
					type="button"
					class="p-2 disabled:opacity-30"
					aria-label="Move step {number} down"
					disabled={index === draft.steps.length - 1}
					onclick={() => moveStep(index, 1)}><ArrowDown size={16} /></button
				>
				<button
					type="button"
					class="p-2"
					aria-label="Remove step {number}"
					onclick={() => draft.steps.splice(index, 1)}><X size={16} /></button
				>
			</span>
		</li>
	{/each}
</ol>
<button type="button" class="button mt-3" onclick={addStep}>Add a step</button>
