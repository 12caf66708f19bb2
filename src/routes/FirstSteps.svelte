<script lang="ts">
	import type { FirstStep } from '$lib/kitchen/today.ts';
	import Check from '@lucide/svelte/icons/check';

	/** Where a kitchen that has sold nothing yet begins, and how far it is. */
	let { steps }: { steps: readonly FirstStep[] } = $props();
	const next = $derived(steps.findIndex((step) => !step.done));
</script>

<section aria-labelledby="first-steps" class="mb-8 max-w-prose" data-testid="first-steps">
	<h2 id="first-steps">To begin with</h2>
	<ol class="mt-1">
		{#each steps as step, index (step.href)}
			<li class="border-rule flex items-center gap-3 border-b">
				<span class={['figure w-6 text-center', step.done ? 'text-squared' : 'text-quiet']}>
					{#if step.done}<Check class="mx-auto size-5" aria-label="done" />{:else}{index + 1}{/if}
				</span>
				<a
					href={step.href}
					class={['flex min-h-11 flex-1 items-center', step.done ? 'text-quiet no-underline' : 'underline']}
					><span class={[index === next && 'font-bold']}>{step.words}</span></a
				>
			</li>
		{/each}
	</ol>
</section>
