<script lang="ts">
	import type { RulesName } from '$core/formula/types.ts';
	import { rulesOf } from '$core/rules/index.ts';
	import type { PackCheck } from '$core/netquantity/check.ts';
	import { fixed, plain, plural } from '$lib/format.ts';

	/** What a check of packs comes to, with its arithmetic. */
	interface Props {
		rules: RulesName;
		check: PackCheck;
		declared_g: number;
	}
	let { rules, check, declared_g }: Props = $props();
	const rule = $derived(rulesOf(rules).packs);
	const signed = (value: number) => (value > 0 ? `+${fixed(value, 2)}` : fixed(value, 2).replace('-', '−'));
	const packs = $derived(check.errors_g.length);
</script>

<div class="mt-3" data-testid="verdict" role="status">
	{#if check.passes === null}
		<p class="text-attention-ink font-semibold">
			The table of limits does not reach {plain(declared_g)} g: ask your authority.
		</p>
	{:else}
		<p
			class={[
				'text-lg font-semibold',
				!check.passes ? 'text-loss' : check.passesOwn ? 'text-squared' : 'text-attention-ink'
			]}
		>
			{check.passes ? 'Passes' : 'Fails'}
			{rule.test}{check.passes && !check.passesOwn
				? ', but not yours: the mean is under what is declared'
				: ''}
		</p>
	{/if}
	<ul class="mt-1 space-y-1 text-sm">
		<li>
			Mean of {plural(packs, 'pack')} less declared:
			<b class="figure">{signed(check.meanError_g)} g</b
			>{#if check.sampleLimit_g > 0 && check.spread_g !== null}; the sample grants t · s ÷ √{packs} =
				<span class="figure">{fixed(check.sampleLimit_g, 2)} g</span>
				(s = {fixed(check.spread_g, 2)} g), together
				<span class="figure">{signed(check.meanError_g + check.sampleLimit_g)} g</span>{/if}:
			{check.meanHolds ? 'not under 0, holds' : 'under 0, does not hold'}.
		</li>
		{#if check.allowedShort_g !== null}
			<li>
				One pack may be short by {fixed(check.allowedShort_g, 1)} g: {check.tooShort.length === 0
					? 'none is short by more'
					: `${plural(check.tooShort.length, 'pack')} short by more, ${check.mayBeTooShort} may be`}{check
					.farTooShort.length > 0
					? `, ${plural(check.farTooShort.length, 'pack')} by more than twice that`
					: ''}.
			</li>
		{/if}
	</ul>
	<p class="text-quiet mt-1 text-xs">
		{rule.source}; your weights and measures authority decides.
	</p>
</div>
