<script lang="ts">
	import { enhance } from '$app/forms';
	import { readGrams } from '$core/measure/reading.ts';
	import { settled } from '$core/measure/round.ts';
	import { fixed, plain, plural } from '$lib/format.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
	/** What was typed, by lot id. */
	let typed = $state<Record<string, { counted: string; reason: string }>>({});
	const form = draftForm<never>({ saved: 'Counted', onsaved: () => (typed = {}) });
	const rows = $derived(
		data.lots.map((lot) => {
			const { counted = '', reason = '' } = typed[lot.id] ?? {};
			const read = readGrams(counted);
			const isTyped = counted.trim() !== '';
			const difference = isTyped && read.ok ? settled(read.value - lot.onHand) : null;
			return {
				lot,
				counted,
				reason,
				difference,
				error: isTyped && !read.ok ? read.message : '',
				isTyped
			};
		})
	);
	const sent = $derived(rows.filter((row) => row.isTyped));
	/** A problem of the server is at the place in what was sent. */
	const problemAt = (lotId: string, field: string) => {
		const index = sent.findIndex((row) => row.lot.id === lotId);
		return index < 0 ? '' : form.at(`counts[${index}].${field}`);
	};
	const set = (lotId: string, more: Partial<{ counted: string; reason: string }>) =>
		(typed[lotId] = { ...{ counted: '', reason: '' }, ...typed[lotId], ...more });
	const REASONS = [
		'spilled',
		'spoiled, thrown away',
		'used and not recorded',
		'given away',
		'weighed wrongly before'
	];
	const unit = (of: 'g' | 'pieces') => (of === 'g' ? 'g' : '');
</script>

<svelte:head><title>Count the stock · Square Batch</title></svelte:head>

<p class="text-quiet"><a href="/shelf/lots">Stock</a></p>
<h1>Count the stock</h1>
<p class="mt-1 max-w-prose">
	Put on the scale what is left of each lot, without its container. What is left empty stays as it is; where a
	count is other than expected, say why. The difference is kept with its reason.
</p>

{#if data.lots.length === 0}
	<p class="mt-4">There is nothing on hand. <a href="/shelf/lots">Receive a lot</a> first.</p>
{:else}
	<form method="POST" action="?/count" use:enhance={form.enhance} class="mt-4 max-w-5xl">
		<input
			type="hidden"
			name="draft"
			value={JSON.stringify({
				counts: sent.map(({ lot, counted, reason }) => ({
					lotId: lot.id,
					expected: lot.onHand,
					counted,
					reason
				}))
			})}
		/>
		<Problems problems={form.problems} />
		<datalist id="reasons"
			>{#each REASONS as reason (reason)}<option value={reason}></option>{/each}</datalist
		>
		<Wide label="Lots on hand">
			<table class="ledger">
				<thead
					><tr
						><th>Lot</th><th class="number">Expected</th><th class="number w-36">Counted</th><th
							class="number">Difference</th
						><th class="w-64">Why</th></tr
					></thead
				>
				<tbody>
					{#each rows as { lot, counted, reason, difference, error } (lot.id)}
						<tr>
							<td>
								<span class="font-semibold">{lot.name}</span>
								<span class="block text-sm"
									><a href="/shelf/lots/{lot.id}" class="figure underline">{lot.code}</a>
									<span class="text-quiet">{lot.supplierCode}</span></span
								>
							</td>
							<td class="number"
								>{fixed(lot.onHand, lot.unit === 'g' ? 1 : 0)}<span class="unit">{unit(lot.unit)}</span></td
							>
							<td class="py-1!">
								<Field
									label="Counted of {lot.name}, {lot.code}"
									tight
									bind:value={() => counted, (value) => set(lot.id, { counted: value })}
									error={error || problemAt(lot.id, 'counted')}
									inputmode="decimal"
									class="figure [&_input]:text-right"
								/>
							</td>
							<td
								class={[
									'number',
									difference !== null && difference !== 0 && 'text-attention-ink font-semibold'
								]}
								>{difference === null
									? ''
									: difference === 0
										? 'as expected'
										: `${difference > 0 ? '+' : '−'}${plain(Math.abs(difference), 1)}`}</td
							>
							<td class="py-1!">
								{#if difference !== null && difference !== 0}
									<Field
										label="Why {lot.name}, {lot.code} is other than expected"
										tight
										bind:value={() => reason, (value) => set(lot.id, { reason: value })}
										error={problemAt(lot.id, 'reason')}
										list="reasons"
										maxlength={300}
									/>
								{/if}
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
		<button
			class="button button-main mt-3"
			disabled={form.saving || sent.length === 0 || sent.some((row) => row.error !== '')}
			>{sent.length === 0 ? 'Nothing counted yet' : `Keep the count of ${plural(sent.length, 'lot')}`}</button
		>
	</form>
{/if}
