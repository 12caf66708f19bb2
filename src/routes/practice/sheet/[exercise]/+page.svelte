<script lang="ts">
	import { plain } from '$lib/format.ts';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
	const { exercise, key } = $derived(data);
	const blank = '______';
</script>

<svelte:head><title>Sheet: {exercise.name} · Square Batch</title></svelte:head>
<p class="text-sm print:hidden">
	<a href="/practice">Practice</a> · for a class: everybody begins the exercise with the same seed, on paper or
	on a device. The second page is the key: keep it back.
</p>
<button type="button" class="button my-2 print:hidden" onclick={() => window.print()}>Print</button>

<article class="sheet bg-sheet border-rule border p-6 print:border-0 print:p-0">
	<h1>{exercise.name}</h1>
	<p class="text-quiet">
		Practice sheet, seed <span class="figure">{data.seed}</span>, {exercise.minutes} minutes of the story
	</p>
	<p class="mt-3 max-w-prose">{exercise.story}</p>
	<p class="mt-2 max-w-prose"><b>Goal:</b> {exercise.goal}</p>
	<h2 class="mt-4">{data.formula}, balls of {data.ballWeight_g} g</h2>
	<Wide label="Lines"
		><table class="ledger mt-2 max-w-2xl">
			<thead>
				<tr
					><th>Line</th><th class="number">Planned, g</th><th class="number">Written down, g</th><th>Yours</th
					></tr
				>
			</thead>
			<tbody>
				{#each data.lines as line, at (at)}
					<tr>
						<td>{line.name}{line.isDough ? '' : ', on the board'}</td>
						<td class="number">{plain(line.planned_g, 1)}</td>
						<td class="number">{line.noted_g?.kind === 'weighed' ? plain(line.noted_g.grams, 1) : '–'}</td>
						<td>{blank}</td>
					</tr>
				{/each}
			</tbody>
		</table></Wide
	>
	<dl class="mt-4 grid max-w-2xl gap-2 sm:grid-cols-2 print:grid-cols-2">
		{#each ['Dough weighs', 'Balls counted', 'Left over', 'A cooled piece weighs', 'Packs, and loose pieces', 'Minutes'] as what (what)}
			<div class="flex justify-between gap-3">
				<dt>{what}</dt>
				<dd>{blank}</dd>
			</div>
		{/each}
	</dl>
	<h2 class="mt-4">What was wrong? Tick one, and say of what.</h2>
	<ul class="mt-1 text-sm sm:columns-2 print:columns-2">
		{#each data.slips as words (words)}<li>☐ {words}</li>{/each}
	</ul>
	<p class="mt-3">Name {blank}{blank} &nbsp; How do you know? {blank}{blank}{blank}</p>
	<p class="caution mt-4 max-w-prose text-sm">
		On paper as at the bench: hot plates and boiling dough burn, raw flour and raw dough are not eaten, and
		your authority’s rules come first.
	</p>
</article>

{#if key}
	<article
		class="key bg-sheet border-rule mt-6 border p-6 print:mt-0 print:border-0 print:p-0"
		data-testid="key"
	>
		<h1>Key: {exercise.name}</h1>
		<p class="text-quiet">Seed <span class="figure">{data.seed}</span>. For whoever teaches.</p>
		<p class="mt-3 text-lg font-semibold">{key.hidden}.</p>
		<ul class="mt-1 list-disc pl-5">
			{#each key.moments as moment (moment)}<li>{moment}</li>{/each}
		</ul>
		<Wide label="Lines of the key"
			><table class="ledger mt-3 max-w-2xl">
				<thead>
					<tr
						><th>Line</th><th class="number">Planned, g</th><th class="number">Written down, g</th><th
							class="number">In the bowl, g</th
						></tr
					>
				</thead>
				<tbody>
					{#each key.lines as line (line.name)}
						<tr>
							<td>{line.name}</td>
							<td class="number">{plain(line.planned_g, 1)}</td>
							<td class="number">{line.recorded_g === null ? '–' : plain(line.recorded_g, 1)}</td>
							<td class="number"
								>{line.went_g === 0 && line.recorded_g === null
									? 'as it is poured'
									: plain(line.went_g, 1)}</td
							>
						</tr>
					{/each}
				</tbody>
			</table></Wide
		>
		{#if key.made}
			<p class="mt-3 max-w-prose">
				The dough weighs {plain(key.made.dough_g, 1)} g and makes {key.made.balls} balls, with {plain(
					key.made.leftover_g,
					1
				)} g left over. A cooled piece weighs {plain(key.made.piece_g, 1)} g. Packs of {key.made.packs.join(
					', '
				)},
				{key.made.loose} loose.
			</p>
		{/if}
		{#if key.uneven.length > 0}<p class="mt-2">
				Off: {key.uneven.map(({ ball, off_g }) => `ball ${ball} by ${plain(off_g, 1)} g`).join(', ')}.
			</p>{/if}
		{#if key.lot}<p class="mt-2">Lot {key.lot} is in {key.batches.join(' and ').toLowerCase()}.</p>{/if}
		<h2 class="mt-3">Marks</h2>
		<ul class="mt-1 list-disc pl-5">
			{#each key.marks as mark (mark.words)}<li>{mark.words}: {mark.weight}</li>{/each}
		</ul>
		<p class="mt-1 max-w-prose">
			Weighed to a hundred; 70 pass, where what was hidden is named and no figure that a bag states is false.
			Hints take off 4, 8 and 12:
		</p>
		<ol class="mt-1 list-decimal pl-5">
			{#each key.hints as hint (hint)}<li>{hint}</li>{/each}
		</ol>
	</article>
{:else}
	<p class="mt-4">The key is kept back while you are in an exercise.</p>
{/if}

<style>
	@media print {
		.key {
			break-before: page;
		}
	}
</style>
