<script lang="ts">
	import { provedFirst } from '$lib/people/proving.svelte.ts';
	import { goto } from '$app/navigation';
	import Choice from '$lib/ui/control/Choice.svelte';
	import DayField from '$lib/ui/control/DayField.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import { moment } from '$lib/people/moment.ts';
	import Wide from '$lib/ui/Wide.svelte';
	import { untrack } from 'svelte';

	let { data } = $props();
	let draft = $state(untrack(() => ({ ...data.asked })));
	const query = $derived(
		new URLSearchParams(Object.entries(draft).filter(([, value]) => value !== '')).toString()
	);
	const shownQuery = $derived(
		new URLSearchParams(Object.entries(data.asked).filter(([, value]) => value !== '')).toString()
	);
	/** Addresses where something can be seen: what a form or a script was sent to is not one. */
	const isSeen = (path: string) => !/\.json$|^\/door|\/restore$|\/draft$/.test(path);
	const seenAt = (path: string) => path.replace(/\/entries\.json$/, '');
</script>

<svelte:head><title>Who did what · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/people">People</a></p>
<h1>Who did what</h1>
<p class="text-quiet max-w-prose">Nothing here is ever changed or removed.</p>
<form
	class="mt-3 flex flex-wrap items-end gap-3"
	onsubmit={(event) => {
		event.preventDefault();
		void goto(`/people/did?${query}`, { keepFocus: true });
	}}
>
	<Choice
		compact
		label="Who"
		bind:value={draft.by}
		options={[
			{ value: '', text: 'everybody' },
			...data.people.map(({ id, name }) => ({ value: id, text: name }))
		]}
	/>
	<Choice
		compact
		label="On"
		bind:value={draft.device}
		options={[
			{ value: '', text: 'every device' },
			...data.devices.map(({ id, name }) => ({ value: id, text: name }))
		]}
	/>
	<DayField compact label="From" bind:value={draft.from} class="w-44" />
	<DayField compact label="To" bind:value={draft.to} class="w-44" />
	<Field compact label="Words" bind:value={draft.words} maxlength={80} class="w-48" />
	<button class="button button-main">Show</button>
	<a class="button" href="/people/did/csv?{shownQuery}" download use:provedFirst>As CSV</a>
</form>

{#if data.deeds.length === 0}
	<p class="mt-6 text-lg">Nobody did such a thing.</p>
{:else}
	<Wide label="Who did what">
		<table class="ledger mt-4 w-full">
			<thead>
				<tr><th>When</th><th>Who</th><th>Did</th><th>On</th></tr>
			</thead>
			<tbody>
				{#each data.deeds as deed (deed.id)}
					<tr>
						<td class="figure whitespace-nowrap">{moment(deed.at, data.kitchen)}</td>
						<td class="break-words">{deed.name}</td>
						<td class="break-words"
							>{deed.what}{#if deed.ofWhat !== ''}:
								{#if isSeen(seenAt(deed.path))}<a href={seenAt(deed.path)}>{deed.ofWhat}</a
									>{:else}{deed.ofWhat}{/if}{/if}</td
						>
						<td class="text-quiet break-words"
							>{deed.device}{#if deed.fromWhere !== ''}
								<span class="figure block text-sm">from {deed.fromWhere}</span>{/if}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
	{#if data.more !== null}
		<p class="mt-3"><a class="button" href="/people/did?{shownQuery}&before={data.more}">Earlier</a></p>
	{/if}
{/if}
