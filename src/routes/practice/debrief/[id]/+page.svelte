<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import Ribbon from '$lib/ui/Ribbon.svelte';
	import { plural } from '$lib/format.ts';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
	const { finished, said } = $derived(data);
	const { outcome } = $derived(finished);
	const { grade } = $derived(outcome);
	const form = draftForm<never>({ saved: 'Begun' });
	const again = (exercise: string, seed: number | null) =>
		JSON.stringify({
			id: data.nextId,
			exercise,
			seed,
			batchId: exercise === 'own' ? (finished.ofBatch ?? '') : ''
		});
</script>

<svelte:head><title>Debrief: {finished.name} · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/practice">Practice</a></p>
<div class="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
	<div class="min-w-0">
		<h1>{finished.name}</h1>
		<p class="text-quiet">
			Seed <span class="figure">{finished.seed}</span>, {plural(Math.round(outcome.minutes), 'minute')} of the story{outcome.hints >
			0
				? `, ${outcome.hints === 1 ? 'one hint' : `${outcome.hints} hints`}`
				: ''}
		</p>
	</div>
	<p class="text-right" role="status" data-testid="grade">
		<span class="figure text-4xl">{grade.score}</span>
		<span class="text-quiet">of 100,</span>
		<b class={grade.isPassed ? 'text-squared' : 'text-loss'}>{grade.isPassed ? 'passed' : 'not passed'}</b>
	</p>
</div>

<section class="mt-4" aria-labelledby="hidden">
	<h2 id="hidden">What was hidden</h2>
	<p class="mt-1 text-lg font-semibold" data-testid="hidden">{outcome.hidden}.</p>
	<p class="text-quiet mt-1">You said: {said.join('; ')}.</p>
	<h3 class="mt-3">When it could have been seen</h3>
	<ul class="mt-1 list-disc pl-5">
		{#each outcome.moments as moment (moment)}<li>{moment}</li>{/each}
	</ul>
</section>

{#if outcome.ribbons}
	<section class="mt-6" aria-labelledby="ribbons">
		<h2 id="ribbons" class="mb-3">What was, faintly behind what you wrote down</h2>
		<Ribbon actual={outcome.ribbons.theirs} plan={outcome.ribbons.really} batchId={null} behind="what was" />
	</section>
{/if}

{#if outcome.lies.length > 0}
	<section class="mt-6" aria-labelledby="lies">
		<h2 id="lies">What a bag would have lied by</h2>
		<Wide label="Figures of the bag" class="mt-2 max-w-3xl">
			<table class="ledger">
				<thead
					><tr><th>Figure</th><th class="number">It would have said</th><th class="number">It is</th></tr
					></thead
				>
				<tbody>
					{#each outcome.lies as lie (lie.what)}
						<tr>
							<td>{lie.what}</td>
							<td class="number">{lie.said}</td>
							<td class="number font-bold">{lie.really}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
	</section>
{/if}

<section class="mt-6" aria-labelledby="points">
	<h2 id="points">Your points, and why</h2>
	<Wide label="Points" class="mt-2 max-w-4xl">
		<table class="ledger">
			<thead><tr><th>What</th><th class="number">Points</th><th>Why</th></tr></thead>
			<tbody>
				{#each grade.points as point (point.id)}
					<tr class={point.share < 1 ? 'bg-attention-pale' : ''} data-testid="point">
						<td class="font-semibold">{point.words}</td>
						<td class="number whitespace-nowrap"
							>{Math.round(point.weight * point.share)} of {point.weight}</td
						>
						<td>
							{point.why}
							{#if point.share < 1 && point.id !== 'named'}
								{#each point.moments.filter((moment) => !point.why.includes(moment)) as moment (moment)}
									<span class="text-quiet block text-sm">{moment}</span>
								{/each}
							{/if}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
	<p class="text-quiet mt-2 text-sm">
		Weighed to a hundred: {grade.earned}{grade.hintsCost > 0 ? `, less ${grade.hintsCost} for hints` : ''}. To
		pass it takes 70, what was hidden named, and no figure of a bag that is false.
	</p>
</section>

<section class="mt-6" aria-labelledby="next">
	<h2 id="next">What to try next</h2>
	<Problems problems={form.problems} />
	<div class="mt-2 flex flex-wrap gap-3">
		<form method="POST" action="/practice?/begin" use:enhance={form.enhance}>
			<input type="hidden" name="draft" value={again(finished.exercise, null)} />
			<button class="button" disabled={form.saving}>This one again, otherwise hidden</button>
		</form>
		<form method="POST" action="/practice?/begin" use:enhance={form.enhance}>
			<input type="hidden" name="draft" value={again(outcome.next.id, null)} />
			<button class="button button-main" disabled={form.saving}>{outcome.next.name}</button>
		</form>
	</div>
</section>
