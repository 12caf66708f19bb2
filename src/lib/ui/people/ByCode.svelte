<script lang="ts">
	import { tick } from 'svelte';
	import Field from '../control/Field.svelte';
	import Problems from '../Problems.svelte';
	import type { AtDevice } from './at-device.ts';

	/** Choose who you are and type a short code: by touch or by keys. */
	interface Props {
		people: AtDevice['people'];
		oncome: () => Promise<void>;
	}
	let { people, oncome }: Props = $props();
	let chosen = $state<string | null>(null);
	let code = $state('');
	let problem = $state('');
	let sending = $state(false);
	let field = $state<HTMLElement>();
	const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'];

	async function choose(id: string): Promise<void> {
		chosen = id;
		[code, problem] = ['', ''];
		await tick();
		field?.querySelector('input')?.focus();
	}
	async function send(event?: SubmitEvent): Promise<void> {
		event?.preventDefault();
		if (sending || code === '') return;
		sending = true;
		const answer = await fetch('/door/who.json', {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ id: chosen, code })
		}).catch(() => null);
		const said = (await answer?.json().catch(() => null)) as { message?: string } | null;
		sending = false;
		code = '';
		if (answer?.ok) return oncome();
		problem = said?.message ?? 'the server does not answer: a code can be taken once it does';
	}
</script>

<ul class="mt-4 grid grid-cols-2 gap-3 sm:grid-cols-3" aria-label="People">
	{#each people as person (person.id)}
		<li>
			<button
				type="button"
				class={[
					'button button-name min-h-16 w-full text-center text-lg',
					chosen === person.id && 'button-main'
				]}
				aria-pressed={chosen === person.id}
				onclick={() => choose(person.id)}
				>{person.name} <span class="block text-sm font-normal">{person.role}</span></button
			>
		</li>
	{/each}
</ul>
{#if people.length === 0}
	<p class="mt-4">Nobody has a short code yet: the owner gives one under People.</p>
{/if}
{#if chosen !== null}
	<form onsubmit={send} class="mt-4 max-w-xs" bind:this={field}>
		<Problems problems={problem ? [{ path: '', message: problem }] : []} />
		<Field
			label="Short code"
			bind:value={code}
			type="password"
			inputmode="numeric"
			autocomplete="off"
			maxlength={8}
		/>
		<div class="mt-3 grid grid-cols-3 gap-2" role="group" aria-label="Digits">
			{#each DIGITS as digit (digit)}
				<button
					type="button"
					class="button min-h-14 text-xl"
					onclick={() => (code = (code + digit).slice(0, 8))}>{digit}</button
				>
			{/each}
			<button type="button" class="button min-h-14" onclick={() => (code = '')}>Clear</button>
			<button class="button button-main min-h-14" disabled={sending || code === ''}>Come in</button>
		</div>
	</form>
{/if}
