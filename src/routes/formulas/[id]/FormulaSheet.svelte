<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import { beforeNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import type { Facts } from '$core/facts.ts';
	import { openedMixes } from '$core/formula/mix.ts';
	import { processOf } from '$core/formula/process.ts';
	import { bakersFigures } from '$core/formula/bakers.ts';
	import { flourShares } from '$core/formula/shares.ts';
	import { asTaken, plannedRange, type FeltLine } from '$core/formula/by-feel.ts';
	import { isDough, type Ingredient, type Line, type Recipe } from '$core/formula/types.ts';
	import { usualCookLoss } from '$core/formula/usual-loss.ts';
	import { readCount, readGrams } from '$core/measure/reading.ts';
	import { readAll } from '$lib/read-again.ts';
	import { isBlank, plainDraft, saidStep, shownGrams } from '$lib/formula/draft.ts';
	import { rememberedName } from '$core/composition/match.ts';
	import { readLine } from '$core/formula/said/read-line.ts';
	import { readFormulaDraft } from '$lib/formula/reading.ts';
	import { shelfContext } from '$lib/formula/line-context.ts';
	import { planFacts, recipeOf } from '$lib/formula/recipe.ts';
	import { plain, plural } from '$lib/format.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import Stale from '$lib/ui/Stale.svelte';
	import { Tabs } from 'bits-ui';
	import { onMount, tick, untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import Lines from './Lines.svelte';
	import OnePiece from './OnePiece.svelte';
	import PieceShape from './PieceShape.svelte';
	import Process from './Process.svelte';
	import ProductFields from './ProductFields.svelte';
	import { act } from './act.ts';
	import { Learned } from './learned.ts';
	import { Proposals } from './proposals.ts';
	import Scale from './Scale.svelte';
	import { Sheet } from './sheet.svelte.ts';
	import SheetHead from './SheetHead.svelte';
	import type { PageData } from './$types';
	import Versions from './Versions.svelte';
	import Windows from './Windows.svelte';
	import { formulaDifferences } from './differences.ts';

	let { data }: { data: PageData } = $props();

	const sheet = new Sheet(untrack(() => data.draft));
	// A version was kept, or what was typed dropped: the server's draft is the sheet's again.
	$effect(() => {
		const fresh = data.draft;
		untrack(() => sheet.take(fresh));
	});
	$effect(() => sheet.follow());
	onMount(() => sheet.takeUpCopy());
	/** Somebody was sent here to weigh a line: it is marked so, and its grams wait to be typed. */
	onMount(async () => {
		const at = page.url.searchParams.get('weigh');
		const line = at === null ? undefined : sheet.draft.lines[Number(at)];
		if (!line) return;
		if (line.note.trim() === '') line.note = 'weigh it';
		sheet.typedOn();
		await tick();
		document.querySelectorAll<HTMLElement>('input[id$="-grams"]')[Number(at)]?.focus();
	});
	beforeNavigate(() => void sheet.flush());

	const context = $derived(shelfContext(data.named, data.remembered, data.measureSet, data.ownMeasures));
	const reading = $derived(readFormulaDraft(sheet.draft, data.ingredients));
	const shelf = $derived(new Map(data.ingredients.map((ingredient) => [ingredient.id, ingredient])));
	const ingredientOf = (id: string) => shelf.get(id) as Ingredient;
	const family = $derived(data.families.find((each) => each.id === sheet.draft.family) ?? null);
	const process = $derived(processOf(family, sheet.draft.choices));
	/** The lines with what batches took of them by feel, and from the least to the most where no batch tells. */
	const felt = $derived.by(() => {
		const lines = reading.lines.flatMap((line, index): FeltLine[] => {
			const typed = sheet.draft.lines[index];
			if (!line || !typed) return [];
			const most = typed.most.trim() === '' || !isDough(line) ? null : readGrams(typed.most);
			return [
				{ ...line, toWeigh: typed.toWeigh && typed.grams.trim() === '', most_g: most?.ok ? most.value : null }
			];
		});
		const { lines: filled, taken } = asTaken(lines, data.byFeel);
		const known = new Set<Line>(taken.map(({ line }) => line));
		const left = filled.map((line) => (known.has(line) ? { ...line, toWeigh: false, most_g: null } : line));
		const range = plannedRange(left, ingredientOf, process.windows.hydration ?? null);
		return { lines: range?.low ?? left, high: range?.high ?? null, taken };
	});
	const partsWith = (lines: readonly Line[]) =>
		reading.parts && { ...reading.parts, lines, rules: data.kitchen.rules, currency: data.kitchen.currency };
	/** Until a batch was weighed, a preview goes by the loss that is usual: of this kitchen's own of the family first. */
	const ofFamily = $derived(data.familyLoss.find(([id]) => id === sheet.draft.family)?.[1] ?? null);
	const cookLoss = $derived(data.cookLoss ?? ofFamily ?? usualCookLoss(sheet.draft.family));
	const current = $derived.by(() => {
		const parts = partsWith(felt.lines);
		return parts && { outcome: planFacts(parts, cookLoss), recipe: recipeOf(parts) };
	});
	/** The facts at the most that is planned; null where nothing is by feel. */
	const atMost = $derived.by(() => {
		const parts = felt.high && partsWith(felt.high);
		const outcome = parts && planFacts(parts, cookLoss);
		return outcome?.ok ? outcome.value : null;
	});
	// While a field is being typed the last sound figures stay, paler, so that nothing jumps.
	let last = $state.raw<{ facts: Facts; recipe: Recipe } | null>(null);
	$effect.pre(() => {
		if (current?.outcome.ok) last = { facts: current.outcome.value, recipe: current.recipe };
	});
	const live = $derived(
		current?.outcome.ok ? { facts: current.outcome.value, recipe: current.recipe } : last
	);
	const waiting = $derived(
		current?.outcome.ok
			? ''
			: current && !current.outcome.ok
				? (current.outcome.problems[0]?.message ?? '')
				: 'The figures wait for the fields that are empty or marked.'
	);
	const errors = $derived(reading.errors);
	const error = (path: string) => errors[path] ?? sheet.at(path);

	const sound = $derived(reading.lines.filter((line): line is Line => line !== null));
	/** What is divided: all that goes into the dough. */
	const dough_g = $derived(
		felt.lines.some(isDough) ? felt.lines.filter(isDough).reduce((sum, line) => sum + line.used_g, 0) : null
	);
	const proposals = new Proposals();
	const propose = () => proposals.follow(sheet.draft, sound, ingredientOf);
	/** Percentages see through a mix of one's own to the flour and water in it. */
	const opened = <L extends Line>(lines: readonly L[]) => openedMixes(lines, (id) => data.mixes[id]);
	const shares = $derived(flourShares(opened(felt.lines), ingredientOf));
	const most = $derived(felt.high && flourShares(opened(felt.high), ingredientOf).hydration);
	const flour_g = $derived(bakersFigures(opened(felt.lines), ingredientOf).flour_g);
	const isTaken = (ingredient: string) => felt.taken.some(({ line }) => line.ingredient === ingredient);
	const toWeigh = $derived(
		sheet.draft.lines.filter(
			(line) => line.toWeigh && line.grams.trim() === '' && !isBlank(line) && !isTaken(line.ingredient)
		)
	);

	/** What is used here and nobody has vouched for, or that has no price. */
	const openOnShelf = $derived(
		[...new Set(sheet.draft.lines.map((line) => line.ingredient))].flatMap((id) => {
			const ingredient = shelf.get(id);
			return ingredient && (ingredient.allergens === null || (ingredient.price === null && mayHere('costs')))
				? [ingredient.name]
				: [];
		})
	);
	const isWaterOpen = $derived(
		toWeigh.length > 0 &&
			felt.high !== null &&
			toWeigh.some((line) => shelf.get(line.ingredient)?.kind === 'water')
	);

	const keptText = $derived(data.kept === null ? null : plainDraft(data.kept));
	// At a pause, not at every keystroke: it reads the whole draft.
	const changed = $derived(sheet.touched || plainDraft(sheet.atPause) !== keptText);
	const differences = $derived(
		sheet.theirs ? formulaDifferences(sheet.draft, sheet.theirs, data.ingredients) : []
	);

	const ballWeight = $derived(readGrams(sheet.draft.product.ballWeight));
	const packPieces = $derived(readCount(sheet.draft.product.packPieces));
	function takeScale(factor: number) {
		sheet.draft.lines.forEach((line, index) => {
			const read = reading.lines[index];
			if (!read) return;
			line.grams = shownGrams(factor * read.used_g);
			if (read.uptake_g !== null) line.uptake = shownGrams(factor * read.uptake_g);
			const upTo = readGrams(line.most);
			if (line.most.trim() !== '' && upTo.ok) line.most = shownGrams(factor * upTo.value);
			line.low_g = line.high_g = null;
		});
		toast.success('The sheet holds the scaled grams. Undo with Ctrl Z.');
	}
	const batchHref = (factor: number) =>
		data.number > 0 && sheet.draft.productId
			? `/batches/new?product=${sheet.draft.productId}&factor=${Math.round(factor * 10000) / 10000}`
			: '';

	const learned = new Learned(
		async (said, ingredient) => (await act(sheet.draft.id, 'remember', { said, ingredient })) !== null
	);
	const rememberedNow = $derived(new Map(data.remembered));
	async function remember(said: string, ingredient: string) {
		const before = rememberedNow.get(rememberedName(said)) ?? null;
		if (!(await learned.remember(said, ingredient, before))) return;
		// Said once the sheet reads lines by it.
		await readAll();
		toast.success(`Remembered: “${said}” is ${ingredientOf(ingredient)?.name ?? 'that'}.`);
	}
	async function relearn() {
		const lines = sheet.draft.lines.map(({ said, ingredient }) => ({
			name: readLine(said, context).name,
			ingredient
		}));
		const forgotten = await learned.follow(lines);
		if (!forgotten) return;
		await readAll();
		for (const said of forgotten) toast(`Forgotten again: what “${said}” is.`);
	}
	function undo() {
		sheet.undo();
		void relearn();
	}
	function redo() {
		sheet.redo();
		void relearn();
	}
	const references = $derived(new Map(data.references));
	async function shelve(asked: string[]): Promise<Map<string, string> | null> {
		const done = await act(sheet.draft.id, 'shelve', { references: asked });
		if (!done || !Array.isArray(done.ingredients)) return null;
		await readAll();
		toast.success(
			`${asked.length === 1 ? 'On the shelf' : `${asked.length} are on the shelf`}. Their allergens wait for somebody to confirm them.`
		);
		const ids = done.ingredients as string[];
		return new Map(asked.map((reference, index) => [reference, ids[index] ?? '']));
	}
	function addSteps(steps: string[]) {
		sheet.draft.steps.push(...steps.map(saidStep));
		toast(`${plural(steps.length, 'step')} of the recipe are under Process.`);
	}

	function onkeydown(event: KeyboardEvent) {
		if (!(event.ctrlKey || event.metaKey)) return;
		const key = event.key.toLowerCase();
		if (key === 's') {
			event.preventDefault();
			void sheet.keep();
		} else if (key === 'z' && !event.shiftKey) {
			event.preventDefault();
			undo();
		} else if (key === 'y' || (key === 'z' && event.shiftKey)) {
			event.preventDefault();
			redo();
		}
	}
	let part = $state('sold');
	const PARTS = [
		{ value: 'sold', text: 'Sold as' },
		{ value: 'process', text: 'Process' },
		{ value: 'scale', text: 'Scale' },
		{ value: 'shape', text: 'Ball and disc' },
		{ value: 'versions', text: 'Versions and files' }
	];
</script>

<svelte:head><title>{sheet.draft.name || 'Formula'} · Square Batch</title></svelte:head>
<svelte:window {onkeydown} oninput={() => sheet.typedOn()} onbeforeunload={() => void sheet.flush()} />

<div class="grid gap-x-6 xl:grid-cols-[minmax(0,1fr)_23rem]">
	<div class="min-w-0">
		<SheetHead {sheet} {changed} {data} onundo={undo} onredo={redo} />
		<Problems problems={sheet.problems} />
		{#if sheet.theirs}<Stale
				{differences}
				ontake={() => sheet.takeTheirs()}
				onkeep={() => void sheet.keepMine()}
			/>{/if}

		<Lines
			bind:lines={sheet.draft.lines}
			read={reading.lines}
			ingredients={data.ingredients}
			{context}
			{opened}
			{error}
			onremember={remember}
			referenceName={(id) => references.get(id) ?? id}
			onshelve={shelve}
			onsteps={addSteps}
			onlines={propose}
		/>
		{#if sheet.at('lines')}<p class="text-loss mt-1 text-sm">{sheet.at('lines')}</p>{/if}
		{#if felt.taken.length > 0}
			<p class="text-quiet mt-2 text-sm" data-testid="taken">
				By feel: {felt.taken
					.map(
						({ line, mean_g, sd_g, batches }) =>
							`${shelf.get(line.ingredient)?.name ?? ''} ${plain(mean_g, 0)} g${sd_g === null ? '' : ` ± ${plain(sd_g, 0)} g`}, of ${plural(batches, 'batch', 'batches')}`
					)
					.join('; ')}. The figures go by what the batches took.
			</p>
		{/if}
		{#if toWeigh.length > 0}
			<p class="text-attention-ink mt-2 text-sm">
				{toWeigh.map((line) => shelf.get(line.ingredient)?.name ?? line.said).join(', ')}: the batch weighs
				it. {isWaterOpen
					? `Until one has, the figures are for the water usual here, ${plain(shares.hydration ?? 0, 0)} to ${plain(most ?? 0, 0)} % of the flour: make a batch, and weigh what you pour.`
					: 'Until then the figures here leave it out, and no batch can be recorded without it.'}
			</p>
		{/if}
		{#if openOnShelf.length > 0}
			<p class="mt-2 text-sm">
				<span class="text-attention-ink">Allergens nobody has confirmed, or no price:</span>
				{openOnShelf.join('; ')}.
				<a href="/shelf/sheet?formula={sheet.draft.id}" class="font-semibold"
					>Confirm and price {openOnShelf.length === 1 ? 'it' : `all ${openOnShelf.length}`}</a
				>
			</p>
		{/if}
		<Windows {shares} windows={process.windows} {flour_g} used={data.hydration} {most} />

		<Tabs.Root bind:value={part} class="mt-8">
			<Tabs.List class="border-rule flex flex-wrap gap-x-1 border-b" aria-label="More of the formula">
				{#each PARTS as each (each.value)}
					<Tabs.Trigger
						value={each.value}
						class="data-[state=active]:border-action data-[state=active]:bg-sheet -mb-px min-h-11 border-b-4 border-transparent px-3 data-[state=active]:font-bold"
						>{each.text}</Tabs.Trigger
					>
				{/each}
			</Tabs.List>
			<Tabs.Content value="sold" class="pt-4 outline-none">
				<ProductFields
					bind:product={sheet.draft.product}
					{error}
					currency={data.kitchen.currency}
					{dough_g}
				/>
			</Tabs.Content>
			<Tabs.Content value="process" class="pt-4 outline-none">
				<Process bind:draft={sheet.draft} families={data.families} {process} {error} />
			</Tabs.Content>
			<Tabs.Content value="scale" class="pt-4 outline-none">
				<Scale
					lines={sound}
					ingredients={data.ingredients}
					ballWeight_g={ballWeight.ok && ballWeight.value > 0 ? ballWeight.value : null}
					packPieces={packPieces.ok && packPieces.value > 0 ? packPieces.value : null}
					pieceMany={sheet.draft.product.pieceMany}
					division_g={data.scaleDivision_g}
					ontake={takeScale}
					{batchHref}
				/>
			</Tabs.Content>
			<Tabs.Content value="shape" class="pt-4 outline-none">
				<PieceShape bind:product={sheet.draft.product} {error} />
			</Tabs.Content>
			<Tabs.Content value="versions" class="pt-4 outline-none">
				<Versions
					id={sheet.draft.id}
					number={data.number}
					versions={data.versions}
					archived={data.archived}
					{changed}
					ondiscard={() => void sheet.discard()}
				/>
			</Tabs.Content>
		</Tabs.Root>
		<p class="caution mt-6">
			Raw flour and raw dough are not for tasting. Figures here come from calculation, not a laboratory; local
			law and your authority decide what a label must say.
		</p>
	</div>
	<OnePiece
		facts={live?.facts ?? null}
		{atMost}
		recipe={live?.recipe ?? null}
		sources={data.sources}
		record={changed || data.cookLoss === null || !sheet.draft.productId
			? ''
			: `/labels/${sheet.draft.productId}/record`}
		sure={data.number > 0 && sheet.draft.productId ? `/sure/formula/${sheet.draft.id}` : ''}
		{waiting}
		price={sheet.draft.product.price}
		currency={data.kitchen.currency}
		loss={data.cookLoss !== null ? 'weighed' : ofFamily !== null ? 'family' : 'usual'}
	/>
</div>
