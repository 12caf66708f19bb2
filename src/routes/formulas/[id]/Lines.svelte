<script lang="ts">
	import { controlIn } from '$lib/form/control.ts';
	import { lineCosts } from '$core/cost/cost.ts';
	import { mayHere } from '$lib/people/may-here.ts';
	import { bakersFigures } from '$core/formula/bakers.ts';
	import type { Ingredient, Line } from '$core/formula/types.ts';
	import type { LineContext } from '$core/formula/said/read-line.ts';
	import { emptyLine, isBlank, type LineDraft } from '$lib/formula/draft.ts';
	import { tick, untrack } from 'svelte';
	import { dragHandleZone } from 'svelte-dnd-action';
	import LineDetail from './LineDetail.svelte';
	import LineRow from './LineRow.svelte';
	import { ReadingCache } from './reading-cache.ts';
	import { readPaste } from '$lib/formula/paste.ts';
	import { applySaid, splitSaid } from '$lib/formula/said.ts';
	import { referencesFor } from './doubts.ts';
	import { grouped, moved, type DragItem, type StageGroup } from './stages.ts';

	interface Props {
		lines: LineDraft[];
		/** The line each draft line says, null where it is blank or unread. */
		read: (Line | null)[];
		ingredients: readonly Ingredient[];
		context: LineContext;
		error: (path: string) => string;
		/** Tells the kitchen what a name means. */
		onremember: (said: string, ingredient: string) => void;
		/** Name of a shipped row by its id. */
		referenceName: (id: string) => string;
		/** Puts shipped rows on the shelf; gives each one's new ingredient, by the row. */
		onshelve: (references: string[]) => Promise<Map<string, string> | null>;
		/** What a pasted recipe says is to be done. */
		onsteps: (steps: string[]) => void;
		/** The lines with each mix of one's own opened into what it is made of. */
		opened: (lines: readonly Line[]) => Line[];
		/** The lines say something else than before. */
		onlines: () => void;
	}
	let {
		lines = $bindable(),
		read,
		ingredients,
		context,
		error,
		onremember,
		referenceName,
		onshelve,
		onsteps,
		opened,
		onlines
	}: Props = $props();

	const nameOf = (id: string) => ingredients.find((ingredient) => ingredient.id === id)?.name ?? '';
	const options = $derived(ingredients.map(({ id, name }) => ({ value: id, text: name })));
	const stages = $derived([...new Set(lines.map((line) => line.stage.trim()).filter(Boolean))]);
	let active = $state<string | null>(null);
	const activeIndex = $derived(lines.findIndex((line) => line.key === active));
	// What says more of a line lies over the end of the sheet: the line itself stays above it.
	$effect(() => {
		if (activeIndex < 0) return;
		const index = activeIndex;
		void tick().then(() => {
			const row = document.querySelector(`[data-line="${index}"]`)?.getBoundingClientRect();
			const over = document.querySelector('[data-detail]')?.getBoundingClientRect();
			if (row && over && row.bottom > over.top && row.top < over.bottom) scrollBy(0, row.bottom - over.top);
		});
	});

	const readings = $derived(new ReadingCache(context));
	const readingOf = (said: string) => readings.of(said);

	/** Baker's percent and share of the cost of each line. */
	const figures = $derived.by(() => {
		const shelf = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient]));
		const ingredientOf = (id: string) => shelf.get(id) as Ingredient;
		const sound = read.filter((line) => line !== null);
		const bakers = bakersFigures(opened(sound), ingredientOf);
		const costs = lineCosts(sound, ingredientOf).map((cost) => cost?.toNumber() ?? null);
		const total = costs.reduce<number>((sum, cost) => sum + (cost ?? 0), 0);
		let at = 0;
		return read.map((line) => {
			if (!line) return null;
			const cost = costs[at++] ?? null;
			return {
				percent: bakers.flour_g > 0 ? (line.used_g / bakers.flour_g) * 100 : null,
				share: total > 0 ? (cost ?? 0) / total : 0,
				priced: cost !== null
			};
		});
	});

	/** While a line is dragged the groups are the drag's own; they become the lines when it is let go. */
	let dragged = $state.raw<StageGroup[] | null>(null);
	const groups = $derived(dragged ?? grouped(lines));
	function drag(index: number, items: DragItem[], isDone: boolean) {
		dragged = groups.map((group, at) => (at === index ? { ...group, items } : group));
		if (!isDone) return;
		const flat = dragged.flatMap((group) => group.items.map(({ line }) => ({ ...line, stage: group.stage })));
		// The zone a line left is told after the zone it came to.
		if (flat.length !== lines.length || new Set(flat.map((line) => line.key)).size !== lines.length) return;
		lines = flat;
		dragged = null;
	}

	const CELLS = ['said', 'ingredient', 'grams'] as const;
	async function focusCell(index: number, cell: string) {
		await tick();
		document.querySelector<HTMLElement>(`[data-line="${index}"] [name="${cell}"]`)?.focus();
	}
	function addLine(after = lines.length - 1) {
		const stage = lines[after]?.stage ?? lines.at(-1)?.stage ?? 'Dry';
		lines.splice(after + 1, 0, emptyLine(stage));
		void focusCell(after + 1, 'said');
	}
	function remove(index: number) {
		lines.splice(index, 1);
		void focusCell(Math.min(index, lines.length - 1), 'said');
	}
	function move(index: number, by: -1 | 1, cell: string) {
		const result = moved(lines, index, by);
		if (!result) return;
		lines = result.lines;
		void focusCell(result.index, cell);
	}

	/** At the edge of what is typed, left and right go on to the next cell. */
	function isAtEdge(target: HTMLElement, key: string): boolean {
		if (!(target instanceof HTMLInputElement)) return true;
		if (target.selectionStart !== target.selectionEnd) return false;
		return key === 'ArrowLeft' ? target.selectionStart === 0 : target.selectionStart === target.value.length;
	}
	function onkeydown(event: KeyboardEvent, index: number) {
		const target = event.target as HTMLElement;
		const cell = target.getAttribute('name') ?? '';
		const column = CELLS.indexOf(cell as (typeof CELLS)[number]);
		if (column < 0) return;
		const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
		if (event.altKey && by !== 0) {
			event.preventDefault();
			move(index, by, cell);
		} else if (event.altKey && event.key === 'Enter') {
			event.preventDefault();
			controlIn(document.querySelector('[data-detail]'))?.focus();
		} else if (event.key === 'Enter') {
			event.preventDefault();
			const last = cell === 'said' ? split(index) : index;
			if (last === lines.length - 1) addLine();
			else void focusCell(last + 1, cell);
		} else if ((event.ctrlKey || event.metaKey) && event.key === 'Backspace') {
			event.preventDefault();
			remove(index);
		} else if (by !== 0 && !event.shiftKey) {
			event.preventDefault();
			void focusCell(index + by, cell);
		} else if ((event.key === 'ArrowLeft' || event.key === 'ArrowRight') && isAtEdge(target, event.key)) {
			const next = CELLS[column + (event.key === 'ArrowLeft' ? -1 : 1)];
			if (!next) return;
			event.preventDefault();
			void focusCell(index, next);
		}
	}

	function say(line: LineDraft, said: string) {
		const before = readingOf(line.said);
		line.said = said;
		applySaid(line, readingOf(said), before);
		onlines();
	}
	/** One sentence that says several lines becomes them. */
	function split(index: number): number {
		const line = lines[index];
		const reading = line ? readingOf(line.said) : null;
		if (!line || !reading || reading.lines.length === 0) return index;
		const parts = splitSaid(line, reading);
		lines.splice(index, 1, ...parts);
		return index + parts.length - 1;
	}
	// What the kitchen has learnt since, lines that were not understood are read again by.
	$effect(() => {
		const known = readings;
		untrack(() => {
			for (const line of lines)
				if (line.ingredient === '' && known.of(line.said)?.ingredient) applySaid(line, readingOf(line.said));
		});
	});
	/** Another ingredient for what was said is remembered, and its measures count. */
	function choose(line: LineDraft, ingredient: string) {
		line.ingredient = ingredient;
		onlines();
		const reading = readingOf(line.said);
		if (!reading || ingredient === '' || reading.ingredient === ingredient || !reading.name) return;
		onremember(reading.name, ingredient);
	}
	function paste(event: ClipboardEvent, index: number) {
		const text = event.clipboardData?.getData('text/plain') ?? '';
		const line = lines[index];
		if (!line || !/[\n\t]/.test(text.trim())) return;
		event.preventDefault();
		const pasted = readPaste(text, line.stage, readingOf, ingredients);
		lines.splice(index, isBlank(line) ? 1 : 0, ...pasted.lines);
		if (pasted.steps.length > 0) onsteps(pasted.steps);
		onlines();
		void focusCell(index + pasted.lines.length - 1, 'said');
	}
	/** What lines name that the shelf does not have and one shipped row is for certain. */
	const unshelved = $derived(
		lines.flatMap((line) => {
			const reading = line.ingredient === '' ? readingOf(line.said) : null;
			if (!reading || reading.candidates.length > 0 || !reading.doubts.includes('unknown-ingredient'))
				return [];
			const { ids, isSure } = referencesFor(reading.name);
			return isSure && ids[0] !== undefined ? [{ line, reference: ids[0] }] : [];
		})
	);
	async function shelve(each: { line: LineDraft; reference: string }[]) {
		const ids = await onshelve([...new Set(each.map(({ reference }) => reference))]);
		if (!ids) return;
		for (const { line, reference } of each) {
			// A name that could be several of the shipped rows is this one from now on.
			if (readingOf(line.said)?.ingredient !== ids.get(reference)) choose(line, ids.get(reference) ?? '');
			line.ingredient = ids.get(reference) ?? '';
			if (line.grams === '') applySaid(line, readingOf(line.said));
			line.ingredient = ids.get(reference) ?? '';
		}
		onlines();
	}
	const stays = (index: number) => {
		const line = read[index];
		return line && line.use !== 'dough' ? line : null;
	};
	const GRID = 'lines-grid';
</script>

<section aria-label="Lines" class="mt-4">
	<h2 class="sr-only">Lines</h2>
	<div class={['border-ink text-quiet border-b-2 pb-1 text-sm max-lg:hidden!', GRID]} aria-hidden="true">
		<span></span><span>As said</span><span>Ingredient</span><span class="text-right">Grams</span>
		<span class="text-right">Range</span><span class="text-right">Baker’s&nbsp;%</span><span
			>{mayHere('costs') ? 'Cost' : ''}</span
		>
	</div>
	{#each groups as group, groupIndex (group.key)}
		<h3 class="text-action border-rule border-b pt-3 pb-1 text-sm font-bold">{group.stage || 'Other'}</h3>
		<ol
			use:dragHandleZone={{
				items: group.items,
				type: 'line',
				flipDurationMs: 0,
				dropTargetStyle: {},
				zoneTabIndex: -1,
				zoneItemTabIndex: -1,
				autoAriaDisabled: true
			}}
			onconsider={(event) => drag(groupIndex, event.detail.items, false)}
			onfinalize={(event) => drag(groupIndex, event.detail.items, true)}
		>
			{#each group.items as item (item.id)}
				{@const index = dragged ? -1 : lines.findIndex((line) => line.key === item.id)}
				{@const line = lines[index]}
				{#if line}
					<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
					<li
						data-line={index}
						class={[
							'border-rule border-b py-1',
							GRID,
							active === line.key && 'bg-action-pale max-lg:bg-action-pale'
						]}
						onkeydown={(event) => onkeydown(event, index)}
						onfocusin={() => (active = line.key)}
					>
						<LineRow
							bind:line={() => line, (value) => (lines[index] = value)}
							{index}
							isActive={active === line.key}
							{options}
							figure={figures[index] ?? null}
							reading={readingOf(line.said)}
							surface={stays(index)}
							error={(name) =>
								error(`lines[${index}].${name}`) || (name === 'grams' ? error(`lines[${index}]`) : '')}
							{referenceName}
							onsay={(said) => say(line, said)}
							onsaid={() => split(index)}
							onchoose={(ingredient) => choose(line, ingredient)}
							onpaste={(event) => paste(event, index)}
							onshelve={(reference) => void shelve([{ line, reference }])}
						/>
					</li>
				{:else}
					<li class="border-rule bg-action-pale border-b px-2 py-2">
						{item.line.said || nameOf(item.line.ingredient)}
					</li>
				{/if}
			{/each}
		</ol>
	{/each}
	<button
		type="button"
		class="text-quiet hover:text-ink border-rule w-full border-b py-3 text-left"
		onclick={() => addLine()}>Type the next line as you would say it: “2 tbsp sesame seeds on top”</button
	>
	{#if unshelved.length > 1}
		<p class="border-rule border-b py-2 text-sm">
			{unshelved.length} of these are not on the shelf yet.
			<button type="button" class="button ml-2" onclick={() => void shelve(unshelved)}
				>Put all {unshelved.length} on the shelf</button
			>
		</p>
	{/if}
	{#if lines[activeIndex]}
		<LineDetail
			bind:line={lines[activeIndex]}
			index={activeIndex}
			count={lines.length}
			{stages}
			error={(name) => error(`lines[${activeIndex}].${name}`)}
			onmove={(by) => move(activeIndex, by, 'said')}
			onremove={() => remove(activeIndex)}
			onleave={() => void focusCell(activeIndex, 'said')}
		/>
	{/if}
</section>
