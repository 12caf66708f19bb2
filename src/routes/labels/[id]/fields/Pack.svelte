<script lang="ts">
	import { SIZE_OPTIONS, type LabelDraft } from '$lib/label/draft.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';

	/** How large the label is, and the pack it goes on. */
	interface Props {
		draft: LabelDraft;
		at: (path: string) => string;
	}
	let { draft = $bindable(), at }: Props = $props();
	const size = $derived(
		SIZE_OPTIONS.some((option) => option.value === `${draft.width}x${draft.height}`)
			? `${draft.width}x${draft.height}`
			: ''
	);
	let free = $state(false);
	function chooseSize(value: string) {
		free = value === '';
		const [width, height] = value.split('x');
		if (width && height) [draft.width, draft.height] = [width, height];
	}
</script>

<div data-field="face_mm">
	<div class="grid grid-cols-2 items-end gap-2">
		<Field
			label="Front of the pack, wide"
			unit="mm"
			bind:value={draft.faceWidth}
			error={at('faceWidth')}
			inputmode="decimal"
		/>
		<Field
			label="Front of the pack, high"
			unit="mm"
			bind:value={draft.faceHeight}
			error={at('faceHeight')}
			inputmode="decimal"
		/>
	</div>
	<p class="text-quiet mt-1 text-sm">The side it is shown by, its largest: the sizes of the type go by it</p>
</div>
<div data-field="size">
	<Choice label="Size" value={free ? '' : size} options={SIZE_OPTIONS} onchoose={chooseSize} />
	{#if free || size === ''}
		<div class="mt-2 grid grid-cols-2 items-end gap-2">
			<Field label="Width" unit="mm" bind:value={draft.width} error={at('width')} inputmode="decimal" />
			<Field label="Height" unit="mm" bind:value={draft.height} error={at('height')} inputmode="decimal" />
		</div>
	{/if}
</div>
<div data-field="packArea_cm2">
	<Field
		label="What of the pack a label could take up"
		unit="cm²"
		bind:value={draft.packArea}
		error={at('packArea')}
		inputmode="decimal"
		hint="Front and back together, seams aside; only a small panel format or none goes by it"
	/>
</div>
