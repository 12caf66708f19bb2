<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { ROLE_WORDS } from '$lib/people/roles.ts';
	import WithPasskey from '$lib/ui/people/WithPasskey.svelte';

	let { data } = $props();
	let login = $state('');
	let password = $state('');
	let second = $state('');
	let asksSecond = $state(false);
	const form = draftForm<never>({
		saved: 'You are in',
		sends: () => ({ login, password, second, to: data.to })
	});
	// Once the password was right, the code of the app is asked for, and stays asked for.
	$effect(() => {
		if (form.at('second') !== '') asksSecond = true;
	});
	const demo = draftForm<never>({ saved: 'You are in' });
</script>

<svelte:head><title>Come in · Square Batch</title></svelte:head>
<div class="mx-auto max-w-xl">
	<h1>Come in</h1>
	{#if data.who}
		<p class="mt-3">
			You are in as <b>{data.who.name}</b>. <a href={data.to}>Go on</a>, or come in as somebody else.
		</p>
	{/if}
	{#if data.demo.length > 0}
		<section aria-labelledby="demo" class="bg-sheet border-edge mt-4 border p-4">
			<h2 id="demo">The demo, in one press</h2>
			<p class="text-quiet mt-1">
				{data.demo[0]?.kitchen} is made up. Its people come in without a password on this machine alone: where Square
				Batch can be reached from elsewhere, this is not here.
			</p>
			<Problems problems={demo.problems} />
			<ul class="mt-3 grid gap-2 sm:grid-cols-2">
				{#each data.demo as person (person.id)}
					<li>
						<form method="POST" action="?/demo" use:enhance={demo.enhance}>
							<input type="hidden" name="draft" value={JSON.stringify({ id: person.id })} />
							<button
								class="button min-h-16 w-full justify-start text-left whitespace-normal"
								disabled={demo.saving}
								><span
									><b class="block">{person.name}, {person.role}</b>
									<span class="text-sm font-normal">{ROLE_WORDS[person.role]}</span></span
								></button
							>
						</form>
					</li>
				{/each}
			</ul>
		</section>
	{/if}
	{#if data.isNew}
		<section aria-labelledby="new" class="mt-6">
			<h2 id="new">Your own kitchen</h2>
			<p class="text-quiet mt-1">Nobody of your own is here yet: the first makes themselves its owner.</p>
			<a href="/door/first" class="button button-main mt-3">Begin a kitchen of your own</a>
		</section>
	{:else}
		<form method="POST" action="?/in" class="mt-6" use:enhance={form.enhance}>
			<Problems problems={form.problems.filter((problem) => problem.path === '')} />
			<Field
				label="Name you come in by"
				bind:value={login}
				autocomplete="username"
				autocapitalize="none"
				spellcheck={false}
				maxlength={60}
				error={form.at('login')}
			/>
			<Field
				label="Password"
				type="password"
				bind:value={password}
				autocomplete="current-password"
				maxlength={128}
				error={form.at('password')}
				class="mt-3"
			/>
			<div data-second hidden={!asksSecond} class="mt-3">
				<Field
					label="Code of your app"
					bind:value={second}
					inputmode="numeric"
					autocomplete="one-time-code"
					maxlength={12}
					hint="The six digits it shows now"
					error={form.at('second')}
				/>
			</div>
			<div class="mt-4 flex flex-wrap items-center gap-3">
				<button class="button button-main" disabled={form.saving}>Come in</button>
				{#if data.hasPasskeys}<WithPasskey to={data.to} />{/if}
			</div>
		</form>
		<p class="mt-4 text-sm"><a href="/door/again">Forgot the password? Come in by a recovery code.</a></p>
	{/if}
</div>
