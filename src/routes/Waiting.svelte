<script lang="ts">
	import { page } from '$app/state';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { till } from '$lib/sales/till.svelte.ts';
	import { plural } from '$lib/format.ts';
	import { entryWords, saleWords } from '$lib/left/words.ts';
	import { isOut } from '$lib/people/here.svelte.ts';
	import NotKept from '$lib/ui/queue/NotKept.svelte';
	import OthersWait from './OthersWait.svelte';

	/** `as`: who is in, by their membership. */
	let { as }: { as: string | null } = $props();
	/** What the server does not have yet, and what it would not take. */
	const waiting = $derived(
		(outbox.reached ? 0 : outbox.waiting.length) + (till.reached ? 0 : till.waiting.length)
	);
	const isUnsafe = $derived(
		(!outbox.isKept && outbox.waiting.length > 0) || (!till.isKept && till.waiting.length > 0)
	);
	/** A server that holds an answer back says nothing of what is wrong: what was sent is kept, and waits. */
	const hangs = $derived(waiting === 0 && (outbox.hangs || till.hangs));
	const failing = $derived([...outbox.failing, ...till.failing]);
	const maySell = $derived(page.data.who?.rights.includes('sell') ?? false);

	/** What of an entry can be mended: its one figure. */
	function figureOf({ item }: (typeof outbox.refused)[number]) {
		const { entry } = item;
		if (entry.kind === 'weighing')
			return entry.grams === null
				? null
				: {
						label: 'Grams',
						value: entry.grams,
						mended: (grams: number) => ({ ...item, entry: { ...entry, grams } })
					};
		const { happening } = entry;
		if (happening.name !== 'counted' || happening.count === null) return null;
		return {
			label: `How many ${happening.of}`,
			value: happening.count,
			mended: (count: number) => ({
				...item,
				entry: { ...entry, happening: { ...happening, count: Math.round(count) } }
			})
		};
	}
	function tryNow(): void {
		outbox.tryNow();
		till.tryNow();
	}
</script>

{#if waiting > 0 || isOut()}
	<p
		class="border-attention bg-attention-pale mb-3 border-l-4 px-4 py-2 font-semibold"
		role="status"
		data-testid="waiting"
	>
		{#if isOut()}
			You are not in any more. {waiting > 0
				? `${plural(waiting, 'entry is', 'entries are')} kept on this device and will be sent once you are back.`
				: 'What stands here stays as long as this page is open.'}
			<a href="/door?to={encodeURIComponent(page.url.pathname)}">Come in again</a>
		{:else}
			The server does not answer: {plural(waiting, 'entry is', 'entries are')} kept on this device and will be sent
			in order. Go on working.
		{/if}
	</p>
{/if}
{#if isUnsafe}
	<p class="border-loss bg-loss-pale mb-3 border-l-4 px-4 py-2 font-semibold" role="alert">
		This browser keeps nothing (its storage is full, or closed to pages): leave this page open until all is
		sent.
	</p>
{/if}
{#if hangs}
	<p class="border-attention bg-attention-pale mb-3 border-l-4 px-4 py-2" role="status" data-testid="hangs">
		Waiting for the server: what you entered is kept on this device. Go on working.
	</p>
{/if}
{#if failing.length > 0}
	<p
		class="border-attention bg-attention-pale mb-3 flex flex-wrap items-center gap-3 border-l-4 px-4 py-2"
		role="status"
		data-testid="failing"
	>
		<span class="flex-1"
			>The server fails on {plural(failing.length, 'entry', 'entries')} ({failing[0]?.message}). {failing.length ===
			1
				? 'It is'
				: 'They are'} kept on this device and tried again by {failing.length === 1 ? 'itself' : 'themselves'};
			everything else goes on.</span
		>
		<button type="button" class="button" onclick={tryNow}>Try now</button>
	</p>
{/if}
{#each outbox.refused as refusal (refusal.item.entry.id)}
	<NotKept
		{refusal}
		queue={outbox}
		name="bench"
		id={refusal.item.entry.id}
		what={entryWords(refusal.item.entry)}
		figure={figureOf(refusal)}
	/>
{/each}
{#if till.refused.length > 0 && page.url.pathname !== '/sales/stall'}
	{#if maySell}
		<p class="border-loss bg-loss-pale mb-3 border-l-4 px-4 py-2" role="alert">
			{till.refused.length === 1 ? 'A sale was' : `${till.refused.length} sales were`} not recorded:
			<a href="/sales/stall">say at the stall which batch it was</a>.
		</p>
	{:else}
		{#each till.refused as refusal (refusal.item.id)}
			<NotKept {refusal} queue={till} name="till" id={refusal.item.id} what={saleWords(refusal.item)} />
		{/each}
	{/if}
{/if}
{#if as !== null}<OthersWait {as} />{/if}
