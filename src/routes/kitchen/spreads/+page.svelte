<script lang="ts">
	import { enhance } from '$app/forms';
	import { untrack } from 'svelte';
	import { nutrientWord, type CompositionKey } from '$core/composition/nutrients.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { CALIBRATION, SPREAD_INPUTS, UNWEIGHED, USUAL_SPREADS } from '$lib/sure/spreads.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	let { data } = $props();
	let spreads = $state(untrack(() => ({ ...data.spreads })));
	let notes = $state(untrack(() => ({ ...data.notes })));
	const form = draftForm<never>({
		saved: 'Spreads saved',
		sends: () => ({ spreads: { ...spreads }, notes: { ...notes } })
	});
	const TABLE = 'composition tables beside analyses of the same food';
	const wordsOf = (input: string): { name: string; source: string } => {
		if (input === CALIBRATION)
			return { name: 'The scale’s own error', source: 'where nobody had it calibrated' };
		if (input === UNWEIGHED)
			return {
				name: 'A line of a batch nobody weighed, either way',
				source: 'where no measure says how far it may be off'
			};
		return {
			name: nutrientWord(input as CompositionKey).replace(/^./, (first) => first.toUpperCase()),
			source: TABLE
		};
	};
	const usual = (input: keyof typeof USUAL_SPREADS) =>
		`${Number((USUAL_SPREADS[input] * 100).toPrecision(3))} %`;
</script>

<svelte:head><title>Spreads assumed · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/kitchen">Kitchen</a></p>
<h1>Spreads assumed</h1>
<p class="text-quiet max-w-prose">
	How far a value from a reference table may be from that of your own sack, as one standard deviation in
	percent. How sure a label’s figures are is worked out from these. A pack’s own figures have half of it, an
	estimate twice; a laboratory’s have what its report states.
</p>
<p class="caution mt-3 max-w-3xl">
	These are assumptions, not measurements. Change one where you know better, and say from where: the folder an
	inspector sees names it.
</p>
<form method="POST" action="?/save" use:enhance={form.enhance} class="mt-4" aria-label="Spreads assumed">
	<Problems problems={form.problems.filter(({ path }) => path === '')} />
	<div class="overflow-x-auto">
		<table class="ledger max-w-4xl">
			<thead>
				<tr><th>Of</th><th class="number">Usual</th><th>Yours</th><th>Where yours comes from</th></tr>
			</thead>
			<tbody>
				{#each SPREAD_INPUTS as input (input)}
					{@const { name, source } = wordsOf(input)}
					<tr>
						<td>{name}<span class="text-quiet block text-xs">{source}</span></td>
						<td class="number figure">{usual(input)}</td>
						<td class="w-32">
							<Field
								tight
								label="Yours, of {name}"
								unit="%"
								bind:value={() => spreads[input] ?? '', (value) => (spreads[input] = value)}
								error={form.at(`spreads.${input}`)}
								inputmode="decimal"
								placeholder="as usual"
							/>
						</td>
						<td>
							<Field
								tight
								label="Where yours of {name} comes from"
								bind:value={() => notes[input] ?? '', (value) => (notes[input] = value)}
								error={form.at(`notes.${input}`)}
								maxlength={300}
								disabled={(spreads[input] ?? '').trim() === ''}
							/>
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
	<button class="button button-main mt-4" disabled={form.saving}>Save</button>
</form>
<section class="border-rule mt-8 border-t pt-4" aria-labelledby="else">
	<h2 id="else">What else is uncertain</h2>
	<ul class="max-w-prose list-disc pl-5">
		<li>A weight read off the scale: its step, twice where a tare was taken.</li>
		<li>A line said by the spoon or the cup: the range of its measure.</li>
		<li>Balls and finished pieces: as their samples differ.</li>
		<li>How much of a surface material stays on, where nobody weighed it: all of it or none.</li>
		<li>
			From batch to batch: cook loss, the mean ball and water by feel, as the batches of the formula that
			square differ; with fewer than three, twice as its family’s do.
		</li>
		<li>A value from a pack: all that rounds to what is printed.</li>
		<li>
			Salt’s sodium, a pure sugar’s sugars and a pure fat’s fat: 1 %, for there is hardly anything else in
			them.
		</li>
	</ul>
</section>
