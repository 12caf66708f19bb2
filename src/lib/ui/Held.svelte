<script lang="ts">
	/** Why a batch is held: its label says less than what is in it. */
	let { reasons, productId }: { reasons: readonly string[]; productId: string } = $props();
</script>

<div class="border-loss bg-loss-pale border-l-4 px-4 py-2" role="alert" data-testid="held">
	<p class="font-semibold">Held: {reasons.join('; ')}.</p>
	<p class="text-sm">
		An allergen that no label names can make somebody seriously ill. Put no label on it and sell none of it
		until
		<a href="/labels/{productId}">a revision is approved that fits it</a>, or its packs are labelled anew with
		one that does.
	</p>
</div>
