<script lang="ts">
	import { enhance } from '$app/forms';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { plural } from '$lib/format.ts';
	import { till } from '$lib/sales/till.svelte.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { untrack } from 'svelte';
	import { moment } from '$lib/people/moment.ts';
	import Keys from './Keys.svelte';
	import Leaving from './Leaving.svelte';
	import StillLetsIn from './StillLetsIn.svelte';

	let { data } = $props();
	const open = draftForm<never>({ saved: 'Opened on this device' });
	const session = draftForm<never>({ saved: 'Ended' });
	const naming = draftForm<never>({ saved: 'Saved', sends: () => ({ name }) });
	const coding = draftForm<never>({
		saved: 'Saved',
		sends: () => ({ code }),
		onsaved: () => (code = '')
	});
	let name = $state(untrack(() => data.me.name));
	let code = $state('');
	const waiting = $derived(outbox.waiting.length + till.waiting.length);
	const others = $derived(data.sessions.filter((each) => !each.isThis));
</script>

<svelte:head><title>{data.me.name} · Square Batch</title></svelte:head>
<h1>{data.me.name}</h1>
{#if data.isNew}
	<p class="border-squared bg-sheet mt-3 max-w-prose border-l-4 px-4 py-2" role="status">
		You are in. Make recovery codes below now: without one, a forgotten password is only mended at the machine
		itself.
		{#if data.kitchens.length > 0}<a href="/">Go on to the kitchen</a>{/if}
	</p>
{/if}

{#if data.isChanged}<StillLetsIn passkeys={data.passkeys} shortCodes={data.shortCodes} />{/if}

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="kitchens">
	<h2 id="kitchens">Your kitchens</h2>
	<p class="text-quiet max-w-prose">The one you open is open on this device alone.</p>
	<ul class="divide-rule border-rule mt-2 max-w-3xl divide-y border-y">
		{#each data.kitchens as kitchen (kitchen.id)}
			<li class="flex min-h-14 flex-wrap items-center gap-3 py-1">
				<span class="min-w-0 flex-1 break-words"><b>{kitchen.name}</b>, {kitchen.role}</span>
				{#if kitchen.id === data.openId}
					<span class="text-squared font-semibold">open here</span>
				{:else}
					<form method="POST" action="?/open" use:enhance={open.enhance}>
						<input type="hidden" name="draft" value={JSON.stringify({ id: kitchen.id })} />
						<button class="button" disabled={open.saving} aria-label="Open {kitchen.name}">Open</button>
					</form>
				{/if}
			</li>
		{:else}
			<li class="py-3">You belong to no kitchen now. An owner can invite you.</li>
		{/each}
	</ul>
	<Problems problems={open.problems} />
	{#each data.deleted as gone (gone.id)}
		<p class="mt-2">
			You deleted <b class="break-words">{gone.name}</b>, {moment(gone.deletedAt, data.kitchen)}:
			<a href="/me/deleted/{gone.id}">what went with it</a>
		</p>
	{/each}
	{#if waiting > 0}
		<p class="text-attention-ink mt-2 font-semibold" role="status">
			{plural(waiting, 'entry', 'entries')} of the open kitchen wait to be sent: they are kept, and sent once it
			is open here again.
		</p>
	{/if}
</section>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="called">
	<h2 id="called">What you are called</h2>
	<form
		method="POST"
		action="?/name"
		class="mt-2 flex max-w-xl flex-wrap items-end gap-3"
		use:enhance={naming.enhance}
	>
		<Field label="Name" bind:value={name} error={naming.at('name')} maxlength={80} class="min-w-60 flex-1" />
		<button class="button" disabled={naming.saving}>Save the name</button>
	</form>
	{#if data.openId !== null}
		<form
			method="POST"
			action="?/code"
			class="mt-4 flex max-w-xl flex-wrap items-start gap-3"
			use:enhance={coding.enhance}
		>
			<Field
				label="Short code for shared devices"
				bind:value={code}
				type="password"
				inputmode="numeric"
				maxlength={8}
				error={coding.at('code')}
				hint="4 to 8 digits, for the tablet of {data.kitchen.name}; empty takes it away"
				class="min-w-60 flex-1"
			/>
			<button class="button mt-6" disabled={coding.saving}>Save the code</button>
		</form>
		<Problems problems={coding.problems.filter((problem) => problem.path === '')} />
	{/if}
</section>

<Keys me={data.me} passkeys={data.passkeys} codes={data.codes} hasPasskeys={data.hasPasskeys} />

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="sessions">
	<h2 id="sessions">Where you are in</h2>
	<ul class="divide-rule border-rule mt-2 max-w-3xl divide-y border-y">
		{#each data.sessions as each (each.id)}
			<li class="flex min-h-14 flex-wrap items-center gap-3 py-1">
				<span class="min-w-0 flex-1 break-words"
					><b>{each.device}</b>{each.kitchen ? `, ${each.kitchen}` : ''}
					<span class="text-quiet block text-sm"
						>by {each.cameBy}, since {moment(each.createdAt, data.kitchen)}, last seen {moment(
							each.usedAt,
							data.kitchen
						)}</span
					></span
				>
				{#if each.isThis}<span class="text-squared font-semibold">here</span>{:else}
					<form method="POST" action="?/end" use:enhance={session.enhance}>
						<input type="hidden" name="draft" value={JSON.stringify({ id: each.id })} />
						<button class="button" disabled={session.saving} aria-label="End {each.device}">End</button>
					</form>
				{/if}
			</li>
		{/each}
	</ul>
	<Problems problems={session.problems} />
	{#if others.length > 1}
		<form method="POST" action="?/endOthers" use:enhance={session.enhance} class="mt-3">
			<input type="hidden" name="draft" value={JSON.stringify({})} />
			<button class="button" disabled={session.saving}>End all but this</button>
		</form>
	{/if}
</section>

<Leaving me={data.me} kitchen={data.openId === null ? null : data.kitchen.name} />
