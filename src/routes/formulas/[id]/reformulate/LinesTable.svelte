<script lang="ts">
	import { isDough, type Recipe } from '$core/formula/types.ts';
	import type { WishSheet } from '$lib/reformulate/asking.svelte.ts';
	import { USE_WORDS } from '$lib/formula/draft.ts';
	import { plain } from '$lib/format.ts';
	import Check from '$lib/ui/control/Check.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	/** The lines: what each is now, whether it may change and between what, and what it becomes. */
	interface Props {
		sheet: WishSheet;
		/** Before anything was swapped. */
		before: Recipe;
		recipe: Recipe;
		/** Of every line, what it becomes; null while nothing grants the wish. */
		grams: readonly number[] | null;
		onswap: (line: number) => void;
	}
	let { sheet, before, recipe, grams, onswap }: Props = $props();
	const nameOf = (id: string) => recipe.ingredients.find((each) => each.id === id)?.name ?? id;
	const excluded = $derived(new Set(sheet.excluded));
	const isFree = (line: number) => sheet.asked.free.includes(line);
	function toggle(line: number, free: boolean) {
		sheet.change({
			free: free ? [...sheet.asked.free, line] : sheet.asked.free.filter((each) => each !== line)
		});
	}
	function bound(line: number, part: Partial<{ low: string; high: string }>) {
		const { low = '', high = '' } = sheet.asked.bounds[line] ?? {};
		const bounds = { ...sheet.asked.bounds, [line]: { low, high, ...part } };
		sheet.change({ bounds }, `${Object.keys(part).join()} ${line}`);
	}
	const changeText = (now: number, then: number) => {
		if (Math.abs(then - now) < 1e-9) return 'as it is';
		if (now === 0) return 'new';
		if (then === 0) return 'gone';
		const percent = ((then - now) / now) * 100;
		return `${percent > 0 ? '+' : '−'}${plain(Math.abs(percent), Math.abs(percent) < 10 ? 1 : 0)} %`;
	};
</script>

<Wide label="Lines">
	<table class="ledger">
		<thead>
			<tr>
				<th>Ingredient</th>
				<th class="number">Now, g</th>
				<th>May change</th>
				<th>At least</th>
				<th>At most</th>
				<th class="number">Becomes, g</th>
				<th class="number">Change</th>
				<td></td>
			</tr>
		</thead>
		<tbody>
			{#each recipe.formula.lines as line, at (at)}
				{@const was = before.formula.lines[at]}
				{@const now = was?.used_g ?? 0}
				{@const then = grams?.[at] ?? null}
				{@const isSwapped = was?.ingredient !== line.ingredient}
				<tr data-testid="line" class="[&>td]:align-middle">
					<td>
						{nameOf(line.ingredient)}
						{#if isSwapped}<span class="text-attention-ink text-sm"
								>instead of {nameOf(was?.ingredient ?? '')}</span
							>{/if}
						{#if !isDough(line)}<span class="text-quiet text-sm">{USE_WORDS[line.use]}</span>{/if}
					</td>
					<td class="number">{plain(now, 2)}</td>
					<td>
						{#if excluded.has(at)}<span class="text-attention-ink text-sm">shall not be in it</span>
						{:else}<Check
								checked={isFree(at)}
								label="{nameOf(line.ingredient)} may change"
								oncheck={(checked) => toggle(at, checked)}
							/>{/if}
					</td>
					<td>
						{#if isFree(at) && !excluded.has(at)}<Field
								tight
								label="{nameOf(line.ingredient)}, at least"
								class="w-24"
								inputmode="decimal"
								bind:value={() => sheet.asked.bounds[at]?.low ?? '', (low) => bound(at, { low })}
								error={sheet.errors[`low ${at}`] ?? ''}
							/>{/if}
					</td>
					<td>
						{#if isFree(at) && !excluded.has(at)}<Field
								tight
								label="{nameOf(line.ingredient)}, at most"
								class="w-24"
								inputmode="decimal"
								bind:value={() => sheet.asked.bounds[at]?.high ?? '', (high) => bound(at, { high })}
								error={sheet.errors[`high ${at}`] ?? ''}
							/>{/if}
					</td>
					<td class="number font-bold" data-testid="becomes">{then === null ? '–' : plain(then, 2)}</td>
					<td class="number text-sm">{then === null ? '' : isSwapped ? 'swapped' : changeText(now, then)}</td>
					<td
						><button type="button" class="min-h-9 underline" onclick={() => onswap(at)}
							>Swap<span class="sr-only"> {nameOf(line.ingredient)}</span></button
						></td
					>
				</tr>
			{/each}
		</tbody>
	</table>
</Wide>
