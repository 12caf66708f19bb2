<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm, type DraftForm } from '$lib/form/draft-form.svelte.ts';
	import Problems from '$lib/ui/Problems.svelte';

	/** What there is nothing left of at this place today: such a day shows less than was wanted. */
	interface Props {
		products: readonly { id: string; name: string }[];
		soldOut: readonly { place: string; productId: string }[];
		place: string;
	}
	let { products, soldOut, place }: Props = $props();
	let asked = $state('');
	const isOut = (id: string) => soldOut.some((each) => each.place === place && each.productId === id);
	const form: DraftForm<never> = draftForm<never>({
		saved: () => 'Noted',
		sends: () => ({ id: form.key, place, productId: asked, is: !isOut(asked) })
	});
</script>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="sold-out">
	<h2 id="sold-out">Sold out here</h2>
	<p class="text-quiet max-w-prose text-sm">
		Press what has nothing left at this place, when it happens: the next plan then knows that more was wanted.
		Once the last pack of all is sold it is known by itself.
	</p>
	<form
		method="POST"
		action="/sales/stall?/soldOut"
		use:enhance={form.enhance}
		class="mt-2 flex flex-wrap gap-2"
	>
		{#each products as { id, name } (id)}
			<button
				class={['button button-name', isOut(id) && 'button-main']}
				aria-pressed={isOut(id)}
				disabled={form.saving}
				onclick={() => (asked = id)}>{name}{isOut(id) ? ', sold out' : ''}</button
			>
		{/each}
	</form>
	<Problems problems={form.problems} />
</section>
