<script lang="ts">
	import { enhance } from '$app/forms';
	import { untrack } from 'svelte';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
	const form = draftForm<never>({ saved: 'Begun' });
	/** Of a class that takes the same exercise; empty draws one. */
	let seed = $state('');
	const seedOf = (text: string) => (text.trim() === '' ? null : Number(text.replace(/\s/g, '')));
	const draftFor = (exercise: string, batchId = '') =>
		JSON.stringify({ id: data.nextId, exercise, seed: seedOf(seed), batchId });
	const batchId = untrack(() => data.batchId);
</script>

<svelte:head><title>Practice · Square Batch</title></svelte:head>
<h1>Practice</h1>
<p class="max-w-prose">
	A batch with something hidden in it, worked at the real stations on a simulated scale, in a kitchen of its
	own that nothing leaves. Afterwards: what it was, when it could have been seen, and what a bag would have
	lied by.
</p>
{#if data.current}
	<p class="mt-3" role="status">
		You are in an exercise.
		{#if data.current.isFinished}<a href="/practice/debrief/{data.current.id}">Its debrief</a>{:else}<a
				href="/practice/finish">Finish it</a
			>{/if}, or begin another: the one before stays as it is.
	</p>
{/if}
<Problems problems={form.problems} />
{#if batchId}
	<form method="POST" action="?/begin" use:enhance={form.enhance} class="mt-4">
		<input type="hidden" name="draft" value={draftFor('own', batchId)} />
		<p class="max-w-prose">Your own batch, as it was planned, with what went wrong in it hidden again.</p>
		<button class="button button-main mt-2" disabled={form.saving}>Practise on this batch</button>
	</form>
{/if}

<section class="mt-6" aria-labelledby="skills">
	<h2 id="skills">How far you are</h2>
	<dl class="mt-2 flex flex-wrap gap-x-8 gap-y-2">
		{#each data.progress as { skill, passed, of, best } (skill)}
			<div data-testid="skill">
				<dt class="text-quiet text-sm capitalize">{skill}</dt>
				<dd>
					<span class="figure">{passed}</span> of <span class="figure">{of}</span>
					{best === null ? '' : `, best ${best}`}
				</dd>
			</div>
		{/each}
	</dl>
</section>

<section class="mt-6" aria-labelledby="exercises">
	<div class="flex flex-wrap items-end justify-between gap-3">
		<h2 id="exercises">Exercises</h2>
		<Field
			label="Seed of a class"
			bind:value={seed}
			inputmode="numeric"
			class="w-44"
			hint="empty: another each time"
			error={seed.trim() !== '' && !/^[1-9]\d{0,8}$/.test(seed.trim()) ? 'a whole number' : form.at('seed')}
		/>
	</div>
	<ul class="mt-2 grid gap-3 lg:grid-cols-2">
		{#each data.exercises as exercise (exercise.id)}
			<li class="bg-sheet border-rule flex flex-col border p-3" data-testid="exercise">
				<div class="flex items-baseline justify-between gap-3">
					<h3>{exercise.name}</h3>
					<span class="text-quiet text-sm whitespace-nowrap"
						><span class="capitalize">{exercise.skill}</span>, {exercise.minutes} min of the story</span
					>
				</div>
				<p class="mt-1">{exercise.story}</p>
				<p class="text-quiet mt-1 text-sm">{exercise.goal}</p>
				<div class="mt-auto flex flex-wrap items-center gap-3 pt-2">
					<form method="POST" action="?/begin" use:enhance={form.enhance}>
						<input type="hidden" name="draft" value={draftFor(exercise.id)} />
						<button class="button" disabled={form.saving}
							>Begin<span class="sr-only"> {exercise.name}</span></button
						>
					</form>
					<a class="text-sm" href="/practice/sheet/{exercise.id}{seed.trim() ? `?seed=${seed.trim()}` : ''}"
						>Sheet<span class="sr-only"> of {exercise.name}</span> for a class</a
					>
					{#if exercise.best}<span class="ml-auto text-sm"
							>{exercise.best.isPassed ? 'passed' : 'not passed yet'}, best
							<b class="figure">{exercise.best.score}</b>{exercise.tries > 1
								? ` of ${exercise.tries} tries`
								: ''}</span
						>{/if}
				</div>
			</li>
		{/each}
	</ul>
</section>

{#if data.finished.length > 0}
	<section class="mt-6" aria-labelledby="tries">
		<h2 id="tries">What you tried</h2>
		<Wide label="Tries" class="mt-2 max-w-3xl">
			<table class="ledger">
				<thead
					><tr><th>Exercise</th><th class="number">Seed</th><th class="number">Points</th><th>Came to</th></tr
					></thead
				>
				<tbody>
					{#each data.finished as tried (tried.id)}
						<tr>
							<td><a href="/practice/debrief/{tried.id}">{tried.name}</a></td>
							<td class="number">{tried.seed}</td>
							<td class="number">{tried.score}</td>
							<td>{tried.isPassed ? 'passed' : 'not passed'}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</Wide>
	</section>
{/if}
