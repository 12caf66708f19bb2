<script lang="ts">
	import { dayText } from '$lib/format.ts';
	import Field from '$lib/ui/control/Field.svelte';

	let { data } = $props();
	let code = $derived(data.code);
</script>

<svelte:head><title>Trace a code · Square Batch</title></svelte:head>

<h1>Trace a code</h1>
<p class="mt-1 max-w-prose">
	The code on a pack leads back to every lot, weighing and word of its label. The code on a bag of flour leads
	to every batch it went into, where their packs were sold, and what is still here.
</p>
<form method="GET" class="mt-4 flex max-w-lg items-start gap-3">
	<Field
		label="Batch code, lot code, or the code the supplier printed"
		name="code"
		bind:value={code}
		maxlength={80}
		autocomplete="off"
		class="flex-1"
	/>
	<button class="button button-main mt-6">Trace it</button>
</form>
{#if data.code.trim() !== ''}
	<div class="mt-6" data-testid="found">
		{#if data.found.length === 0}
			<p>
				Nothing here carries “{data.code.trim()}”. Codes of batches look like
				<span class="figure">261124-2</span>, lots like <span class="figure">L-0042</span>; a part from the
				beginning is enough.
			</p>
		{:else}
			<ul class="divide-rule max-w-2xl divide-y">
				{#each data.found as each (each.id)}
					<li class="py-2">
						<a href="/trace/{each.kind}/{each.id}" class="figure font-semibold underline">{each.code}</a>
						{each.name}
						<span class="text-quiet text-sm"
							>{each.kind === 'lot' ? 'lot received' : 'batch made'} {dayText(each.day)}</span
						>
					</li>
				{/each}
			</ul>
		{/if}
	</div>
{/if}
