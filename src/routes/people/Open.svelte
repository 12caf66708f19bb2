<script lang="ts">
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { OpenPairing } from '$lib/people/member.ts';
	import { moment } from '$lib/people/moment.ts';
	import Problems from '$lib/ui/Problems.svelte';

	/** Codes that were given out and still count. */
	let { pairings }: { pairings: OpenPairing[] } = $props();
	const form = draftForm<never>({ saved: 'Counts no more' });
</script>

{#if pairings.length > 0}
	<section class="border-rule mt-8 border-t pt-4" aria-labelledby="open">
		<h2 id="open">Codes that still count</h2>
		<ul class="divide-rule border-rule mt-2 max-w-3xl divide-y border-y">
			{#each pairings as pairing (pairing.id)}
				<li class="flex min-h-12 flex-wrap items-center gap-3 py-1">
					<span class="min-w-0 flex-1 break-words"
						>{pairing.name}, {pairing.role ?? 'a device'}
						<span class="text-quiet text-sm">until {moment(pairing.endsAt, page.data.kitchen)}</span></span
					>
					<form method="POST" action="?/withdraw" use:enhance={form.enhance}>
						<input type="hidden" name="draft" value={JSON.stringify({ id: pairing.id })} />
						<button class="button" disabled={form.saving} aria-label="Withdraw the code of {pairing.name}"
							>Withdraw</button
						>
					</form>
				</li>
			{/each}
		</ul>
		<Problems problems={form.problems} />
	</section>
{/if}
