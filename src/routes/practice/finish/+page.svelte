<script lang="ts">
	import { enhance } from '$app/forms';
	import { claimText, sameClaim, type Claim, type SlipKind } from '$core/practice/slips.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Problems from '$lib/ui/Problems.svelte';

	let { data } = $props();
	const { basis } = $derived(data);
	const form = draftForm<never>({ saved: 'Finished' });
	let claims = $state.raw<Claim[]>([]);
	let slip = $state<SlipKind | ''>('');
	let subject = $state('');
	let error = $state('');
	const of = $derived(basis.slips.find((each) => each.slip === slip)?.of ?? null);
	const subjects = $derived(of === null ? [] : basis.subjects[of]);
	function add() {
		if (slip === '') error = 'choose what it was';
		else if (of !== null && subject === '') error = 'choose what it was about';
		else {
			const claim: Claim = { slip, subject: of === null ? null : subject };
			if (!claims.some((each) => sameClaim(each, claim))) claims = [...claims, claim];
			[slip, subject, error] = ['', '', ''];
		}
	}
	const drop = (claim: Claim) => (claims = claims.filter((each) => each !== claim));
</script>

<svelte:head><title>Finish the exercise · Square Batch</title></svelte:head>
<h1>What was wrong?</h1>
<p class="max-w-prose">
	Say what you found, and nothing that no figure and no look has shown: a false alarm costs as well. If
	everything was as it should be, say that.
</p>
{#each basis.open as open (open)}
	<p class="caution mt-3 max-w-prose">{open}</p>
{/each}
<div class="mt-4 flex max-w-3xl flex-wrap items-start gap-3">
	<Choice
		label="It was"
		class="w-80"
		bind:value={slip as string}
		onchoose={() => (subject = '')}
		options={basis.slips.map((each) => ({ value: each.slip, text: each.words }))}
	/>
	{#if subjects.length > 0}
		<Choice
			label="About what"
			class="w-56"
			bind:value={subject}
			options={subjects.map((name) => ({ value: name, text: name }))}
		/>
	{/if}
	<button type="button" class="button mt-6" onclick={add}>Say it</button>
</div>
{#if error}<p role="alert" class="text-loss mt-1">{error}</p>{/if}
<ul class="mt-3 max-w-3xl space-y-2" aria-label="What you say">
	{#each claims as claim (claimText(claim))}
		<li class="bg-sheet border-rule flex items-center justify-between gap-3 border px-3 py-1">
			<span>{claimText(claim)}</span>
			<button type="button" class="button px-3!" onclick={() => drop(claim)}
				>Drop<span class="sr-only">: {claimText(claim)}</span></button
			>
		</li>
	{:else}
		<li class="text-quiet">Nothing said yet.</li>
	{/each}
</ul>
<form method="POST" use:enhance={form.enhance} class="mt-4">
	<input type="hidden" name="draft" value={JSON.stringify({ claims })} />
	<Problems problems={form.problems} />
	<button class="button button-main" disabled={form.saving || claims.length === 0}>Finish and see</button>
	<span class="text-quiet ml-3 text-sm"
		>Nothing can be changed afterwards; the exercise can be taken again.</span
	>
</form>
