<script lang="ts">
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { enhance } from '$app/forms';
	import type { RulesName } from '$core/formula/types.ts';
	import { readCount, readGrams, readGramsList } from '$core/measure/reading.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import { standardDeviation } from '$core/measure/spread.ts';
	import { checkPacks } from '$core/netquantity/check.ts';
	import { boundOfPacks, recommendBallWeight_g, type BallWeightInput } from '$core/netquantity/recommend.ts';
	import { fixed, plain, plural } from '$lib/format.ts';
	import type { PackCheckRecord } from '$lib/label/pack-check.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';
	import PackChart from './PackChart.svelte';
	import Verdict from './Verdict.svelte';

	/** Packs on the scale against what they declare, and the ball weight that a declaration takes. */
	interface Props {
		rules: RulesName;
		declared_g: number | null;
		ballBasis: BallWeightInput | null;
		ballWeight_g: number;
		/** Packs of the newest batch. */
		lotPacks: number | null;
		checks: PackCheckRecord[];
		checkId: string;
		/** The rule set in the address, where it is not the kitchen's. */
		asked: string;
	}
	let { rules, declared_g, ballBasis, ballWeight_g, lotPacks, checks, checkId, asked }: Props = $props();
	const packRule = $derived(rulesOf(rules).packs);
	let packs = $state('');
	let lot = $state(untrack(() => (lotPacks === null ? '' : String(lotPacks))));
	let declared = $state<string>();
	let wanted = $state<string>();
	const form = draftForm<never>({ saved: 'Check recorded', onsaved: () => (packs = '') });

	const shownDeclared = $derived(declared ?? (declared_g === null ? '' : String(declared_g)));
	const shownWanted = $derived(wanted ?? (declared_g === null ? '' : String(declared_g)));
	const grams = $derived(readGrams(shownDeclared));
	const weights = $derived(readGramsList(packs));
	const lotCount = $derived(readCount(lot));
	const inspected = $derived(lotCount.ok ? packRule.sampleSize(lotCount.value) : null);
	const check = $derived(
		grams.ok && grams.value > 0 && weights.ok ? checkPacks(packRule, grams.value, weights.value) : null
	);
	const bearsOut = $derived(weights.ok ? boundOfPacks(weights.value) : null);
	const target = $derived(readGrams(shownWanted));
	const ball = $derived(
		ballBasis && target.ok && target.value > 0 ? recommendBallWeight_g(target.value, ballBasis) : null
	);
	const spread = $derived(ballBasis && standardDeviation(ballBasis.ballsOff_g));
	const passed = (record: PackCheckRecord) => checkPacks(packRule, record.declared_g, record.packs_g)?.passes;
</script>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="check-heading">
	<h2 id="check-heading">Packs on the scale</h2>
	<p class="text-quiet max-w-prose text-sm">
		What a pack declares must hold on average, and none may be short by more than a limit. Weigh packs without
		their bag{inspected === null || !lotCount.ok
			? ''
			: `: of ${plural(lotCount.value, 'pack')} an inspector takes ${inspected}`}.
	</p>
	<form
		method="POST"
		action="?/check{asked}"
		use:enhance={form.enhance}
		class="mt-3 max-w-3xl"
		aria-label="Packs on the scale"
	>
		<input
			type="hidden"
			name="draft"
			value={JSON.stringify({ id: checkId, declared: shownDeclared, lot, packs })}
		/>
		<Problems problems={form.problems} />
		<div class="grid items-start gap-4 sm:grid-cols-[2fr_1fr_1fr]">
			<Field
				label="Net weights, grams with spaces between"
				bind:value={packs}
				error={weights.ok ? form.at('packs') : weights.message}
				inputmode="decimal"
			/>
			<Field
				label="They declare"
				unit="g"
				bind:value={() => shownDeclared, (value) => (declared = value)}
				error={form.at('declared')}
				inputmode="decimal"
			/>
			<Field label="Packs in the lot" bind:value={lot} error={form.at('lot')} inputmode="numeric" />
		</div>
		{#if check && weights.ok && grams.ok}
			<Verdict {rules} {check} declared_g={grams.value} />
			<PackChart packs_g={weights.value} declared_g={grams.value} {check} {rules} />
			{#if bearsOut}
				<p class="mt-2" data-testid="bears-out">
					These packs bear out at most <b>{plain(bearsOut.declared_g)} g</b>: their mean is
					{fixed(bearsOut.meanPack_g, 1)} g, with 95 % confidence not under {fixed(bearsOut.lowerBound_g, 1)} g.
				</p>
			{/if}
			<button class="button mt-3" disabled={form.saving}>Record this check</button>
		{/if}
	</form>
	{#if checks.length > 0}
		<table class="ledger mt-4 max-w-3xl">
			<thead
				><tr><th>Checked</th><th>Packs</th><th class="number">Declared</th><th>Verdict</th><th>By</th></tr
				></thead
			>
			<tbody>
				{#each checks as each (each.id)}
					{@const verdict = passed(each)}
					<tr>
						<td>{dayTextOf(each.checkedAt)}</td>
						<td>{each.packs_g.length} of {each.lotPacks}</td>
						<td class="number figure">{plain(each.declared_g)}<span class="unit">g</span></td>
						<td class={verdict === false ? 'text-loss font-semibold' : ''}
							>{verdict === null ? 'beyond the table' : verdict ? 'passed' : 'failed'}</td
						>
						<td>{each.by || '–'}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
	<h3 class="mt-5">How heavy a ball for a pack</h3>
	{#if ballBasis}
		<div class="mt-1 flex max-w-3xl flex-wrap items-end gap-4">
			<Field
				label="Pack to declare"
				unit="g"
				bind:value={() => shownWanted, (value) => (wanted = value)}
				inputmode="decimal"
				class="w-40"
			/>
			<p class="min-w-0 flex-1" data-testid="ball-for-pack">
				{#if ball === null}
					It takes at least two batches that square, with weighed balls and pieces, to say.
				{:else}
					Balls of <b class="figure">{plain(ball)} g</b> or more hold it in the next batch: {ballBasis.pieces}
					pieces, by how the balls and the cook loss of {plural(
						ballBasis.cookLosses.length,
						'batch',
						'batches'
					)} differed{spread === null ? '' : `, balls by ${fixed(spread, 1)} g`}.
					{ball <= ballWeight_g
						? `Yours are ${plain(ballWeight_g, 1)} g.`
						: `Yours are ${plain(ballWeight_g, 1)} g: too light for it.`}
				{/if}
			</p>
		</div>
	{:else}
		<p class="text-quiet text-sm">
			Weigh some balls in a batch, and the smallest that holds a declaration is worked out.
		</p>
	{/if}
</section>
