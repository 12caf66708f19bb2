<script lang="ts" generics="T">
	import type { Snippet } from 'svelte';
	import { handOver } from '$lib/left/hand-over.ts';
	import type { QueueName } from '$lib/left/types.ts';
	import { asWhom } from '$lib/people/here.svelte.ts';
	import type { Refused } from '$lib/queue/answers.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import type { Queue } from '$lib/queue/queue.svelte.ts';

	/**
	 * An entry the server would not keep, and what can be done: send it again, mend its figure, leave it to the owner, or
	 * take it off with a reason. Nothing is gone before the server has it or the reason.
	 */
	interface Props {
		refusal: Refused<T>;
		queue: Queue<T>;
		name: QueueName;
		id: string;
		/** What it is, in words. */
		what: string;
		/** What else can be done about it. */
		children?: Snippet;
		/** Its one figure, where it can be mended, with what it is called. */
		figure?: { label: string; value: number; mended: (value: number) => T } | null;
	}
	let { refusal, queue, name, id, what, figure = null, children }: Props = $props();
	let figureTyped = $state<string | null>(null);
	let reason = $state<string | null>(null);
	let said = $state('');

	const mended = $derived.by(() => {
		const value = Number((figureTyped ?? '').replace(',', '.'));
		return figureTyped !== null && figureTyped.trim() !== '' && Number.isFinite(value) && value >= 0
			? value
			: null;
	});
	async function leave(why: string): Promise<void> {
		const as = asWhom();
		if (as === null) return;
		const { item, message } = refusal;
		said = (await handOver(as, name, [{ id, item, message, reason: why }])) ?? '';
		if (said === '') await queue.takeOff([id]);
	}
</script>

<div class="border-loss bg-loss-pale mb-3 border-l-4 px-4 py-2" role="alert" data-testid="not-kept">
	<p>Not kept, {what}: {refusal.message}.</p>
	<div class="mt-2 flex flex-wrap items-center gap-3">
		{@render children?.()}
		<button type="button" class="button" onclick={() => queue.again(id)}>Send again</button>
		{#if figure && figureTyped === null}
			<button type="button" class="button" onclick={() => (figureTyped = String(figure.value))}>Mend…</button>
		{/if}
		<button type="button" class="button" onclick={() => void leave('')}>Leave it to the owner</button>
		{#if reason === null}
			<button type="button" class="button" onclick={() => (reason = '')}>Take it off…</button>
		{/if}
	</div>
	{#if figure && figureTyped !== null}
		<form
			class="mt-2 flex flex-wrap items-end gap-3"
			onsubmit={(event) => {
				event.preventDefault();
				if (mended !== null) queue.again(id, figure.mended(mended));
			}}
		>
			<Field label={figure.label} class="w-40" inputmode="decimal" bind:value={figureTyped} />
			<button class="button" disabled={mended === null}>Send as mended</button>
		</form>
	{/if}
	{#if reason !== null}
		<form
			class="mt-2 flex flex-wrap items-end gap-3"
			onsubmit={(event) => {
				event.preventDefault();
				if (reason?.trim()) void leave(reason.trim());
			}}
		>
			<Field label="Why it is taken off" class="min-w-48 flex-1" maxlength={300} bind:value={reason} />
			<button class="button" disabled={!reason.trim()}>Take it off</button>
			<button type="button" class="button" onclick={() => (reason = null)}>Keep it</button>
		</form>
	{/if}
	{#if said}<p class="mt-2 font-semibold">{said}</p>{/if}
</div>
