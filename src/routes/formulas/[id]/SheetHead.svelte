<script lang="ts">
	/** Top of a formula's sheet: its name, whether what is typed is kept, and what is done with the whole of it. */
	import type { Sheet } from './sheet.svelte.ts';
	import type { PageData } from './$types';

	interface Props {
		sheet: Sheet;
		/** Whether something was typed that is not in the version kept last. */
		changed: boolean;
		data: PageData;
		onundo: () => void;
		onredo: () => void;
	}
	let { sheet, changed, data, onundo, onredo }: Props = $props();

	const KEEPING = { kept: 'Draft kept', keeping: 'Keeping the draft…', waiting: 'Not kept yet' };
</script>

<header class="mb-2 flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
	<div class="min-w-0 flex-1 basis-64">
		<p class="text-sm">
			<a href="/formulas">Formulas</a>
			<span class="text-quiet ml-2"
				>{data.number === 0
					? 'a draft, no version kept yet'
					: changed
						? `draft of version ${data.number + 1}`
						: `version ${data.number}`}{data.archived ? ', put away' : ''}</span
			>
		</p>
		<h1 class="sr-only">{sheet.draft.name || 'No name'}</h1>
		<label class="sr-only" for="formula-name">Name</label>
		<input
			id="formula-name"
			class="input input-tight w-full px-0! text-2xl font-extrabold"
			bind:value={sheet.draft.name}
			maxlength="160"
			autocomplete="off"
			placeholder="Name of the formula"
			aria-invalid={sheet.at('name') ? 'true' : undefined}
			aria-describedby={sheet.at('name') ? 'formula-name-error' : undefined}
		/>
		{#if sheet.at('name')}<p id="formula-name-error" class="text-loss text-sm">{sheet.at('name')}</p>{/if}
	</div>
	<div class="flex flex-wrap items-center gap-2">
		<span class={['text-sm', sheet.keeping === 'waiting' ? 'text-attention-ink' : 'text-quiet']} role="status"
			>{KEEPING[sheet.keeping]}</span
		>
		<button type="button" class="button px-3!" disabled={!sheet.canUndo} onclick={onundo}>Undo</button>
		<button type="button" class="button px-3!" disabled={!sheet.canRedo} onclick={onredo}>Redo</button>
		{#if data.number > 0 && sheet.draft.productId && data.who?.rights.includes('formulate')}
			<a href="/formulas/{sheet.draft.id}/reformulate" class="button">Reformulate</a>
		{/if}
		{#if data.number > 0 && sheet.draft.productId}
			<a href="/batches/new?product={sheet.draft.productId}" class="button"
				>Make a batch{changed ? ` of version ${data.number}` : ''}</a
			>
		{/if}
		<button
			type="button"
			class="button button-main"
			disabled={sheet.saving || !changed}
			onclick={() => void sheet.keep()}>{changed ? `Keep as version ${data.number + 1}` : 'Kept'}</button
		>
	</div>
</header>
