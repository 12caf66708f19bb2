<script lang="ts">
	import { Dialog } from 'bits-ui';
	import { onMount, untrack } from 'svelte';
	import { page } from '$app/state';
	import { outbox } from '$lib/batch/bench/outbox.svelte.ts';
	import { asHeader, isOut } from '$lib/people/here.svelte.ts';
	import { readAll } from '$lib/read-again.ts';
	import { till } from '$lib/sales/till.svelte.ts';
	import ByCode from '$lib/ui/people/ByCode.svelte';
	import type { AtDevice } from '$lib/ui/people/at-device.ts';
	import { lock } from './lock.svelte.ts';

	/**
	 * Locks a shared device that nobody touches for a while, over whatever is open: a reading in hand, a basket and
	 * what is typed stay as they are for who comes next.
	 */
	let { who }: { who: { as: string | null; idle_min: number | null } } = $props();
	const idle_ms = $derived((who.idle_min ?? 10) * 60_000);
	const LOOK_MS = 5000;
	let touched = Date.now();
	let content = $state<HTMLElement | null>(null);
	let people = $state.raw<AtDevice['people']>([]);

	onMount(() => {
		const touch = () => (touched = Date.now());
		const EVENTS = ['pointerdown', 'keydown', 'input'] as const;
		for (const name of EVENTS) window.addEventListener(name, touch, { capture: true, passive: true });
		const looking = setInterval(() => {
			if (Date.now() - touched > idle_ms) lock.now();
		}, LOOK_MS);
		return () => {
			for (const name of EVENTS) window.removeEventListener(name, touch, { capture: true });
			clearInterval(looking);
			lock.open();
		};
	});
	// The server counts the minutes too: what it would not take any more waits for a code.
	$effect(() => {
		if (isOut()) lock.now();
	});
	$effect(() => {
		// Once a lock, whatever is sent or waits meanwhile.
		if (lock.isLocked) untrack(() => void whoMay());
	});
	async function whoMay(): Promise<void> {
		// Whoever comes in meanwhile is not locked with who was in before.
		const headers = asHeader();
		// What is on its way is sent as who made it.
		await Promise.race([
			Promise.all([outbox.sent(), till.sent()]),
			new Promise((resolve) => setTimeout(resolve, 2000))
		]);
		// From now on the server lets nobody in as them either, by whatever key or address.
		await fetch('/door/who.json', { method: 'PUT', headers }).catch(() => null);
		const answer = await fetch('/door/who.json').catch(() => null);
		if (answer?.ok) ({ people } = (await answer.json()) as AtDevice);
	}
	/** Keys that do something on the page beneath do nothing while it is locked: they may save, or take a reading. */
	function keepFromPage(event: KeyboardEvent): void {
		const isHere = event.target instanceof Node && content?.contains(event.target);
		if (lock.isLocked && !isHere) event.stopImmediatePropagation();
	}
	async function come(): Promise<void> {
		touched = Date.now();
		await readAll();
		lock.open();
	}
</script>

<svelte:window onkeydowncapture={keepFromPage} />

<Dialog.Root open={lock.isLocked}>
	<Dialog.Portal>
		<Dialog.Overlay class="bg-ground fixed inset-0 z-40" />
		<Dialog.Content
			bind:ref={content}
			onkeydown={(event) => event.stopPropagation()}
			class="fixed inset-0 z-50 overflow-auto p-6 outline-none"
			escapeKeydownBehavior="ignore"
			interactOutsideBehavior="ignore"
		>
			<div class="mx-auto max-w-xl">
				<Dialog.Title class="text-2xl font-bold">Who is at it?</Dialog.Title>
				<Dialog.Description class="text-quiet mt-1"
					>What was open stays open. Every reading says who took it.</Dialog.Description
				>
				<ByCode {people} oncome={come} />
				<p class="mt-6">
					<a href="/door?to={encodeURIComponent(page.url.pathname + page.url.search)}" data-sveltekit-reload
						>Come in by a name and password</a
					>
				</p>
			</div>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
