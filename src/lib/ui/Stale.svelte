<script lang="ts">
	/** Somebody saved the record meanwhile: both values of what differs, and the choice. */
	interface Props {
		differences: { what: string; yours: string; theirs: string }[];
		ontake: () => void;
		onkeep: () => void;
	}
	let { differences, ontake, onkeep }: Props = $props();
</script>

<div role="alert" class="border-attention bg-attention-pale my-3 border-l-4 px-4 py-3">
	<p class="font-semibold">Somebody saved this after you opened it. Nothing is lost: choose which to keep.</p>
	<table class="ledger mt-2 max-w-2xl">
		<thead><tr><th>What differs</th><th>Yours</th><th>Theirs</th></tr></thead>
		<tbody>
			{#each differences as row, nth (nth)}
				<tr
					><td>{row.what}</td><td class="figure">{row.yours || 'empty'}</td><td class="figure"
						>{row.theirs || 'empty'}</td
					></tr
				>
			{:else}
				<tr><td colspan="3">Both say the same.</td></tr>
			{/each}
		</tbody>
	</table>
	<div class="mt-3 flex flex-wrap gap-2">
		<button type="button" class="button" onclick={ontake}>Take theirs</button>
		<button type="button" class="button" onclick={onkeep}>Save mine over it</button>
	</div>
</div>
