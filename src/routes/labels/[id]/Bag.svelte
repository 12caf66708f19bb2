<script lang="ts">
	import type { PackFace } from '$core/rules/pack-room.ts';
	import type { LaidOut } from '$core/label/layout.ts';
	import type { LabelPartName } from '$core/label/parts.ts';
	import PanelDrawing from '$lib/ui/facts/PanelDrawing.svelte';
	import { PART_WORDS } from './parts.ts';

	/**
	 * The front of the pack with the label on it, to scale; on a narrow screen the label alone. Each part is pressed to be
	 * changed, each line of the panel to be asked why.
	 */
	interface Props {
		laid: LaidOut;
		/** All of the label in words. */
		text: string;
		size: { width_mm: number; height_mm: number };
		/** Of the front of the pack; null while nobody said. */
		face: PackFace | null;
		/** What is missing of the pack, and what does not fit on the label. */
		packMissing: readonly string[];
		/** What a line of the panel is called, by its key. */
		names: Record<string, string>;
		open: LabelPartName | null;
		asked: string;
		onpart: (part: LabelPartName) => void;
		onask: (key: string) => void;
	}
	let { laid, text, size, face, packMissing, names, open, asked, onpart, onask }: Props = $props();
	/** CSS has 96 pixels to the inch of 25.4 mm. */
	const PX_PER_MM = 96 / 25.4;
	/** Room around a label while nobody said how large the pack is. */
	const AROUND_MM = 8;
	const pack = $derived({
		width_mm: Math.max(face?.width_mm ?? size.width_mm + 2 * AROUND_MM, size.width_mm),
		height_mm: Math.max(face?.height_mm ?? size.height_mm + 2 * AROUND_MM, size.height_mm)
	});
	/** A share of the pack's width: what CSS takes every percentage of padding from. */
	const aside = (around_mm: number) => `${(100 * around_mm) / 2 / pack.width_mm}%`;
</script>

<p class="text-quiet mb-2 text-sm">
	{#if face}<span class="hidden sm:inline"
			>The front of the pack, {face.width_mm} × {face.height_mm} mm, to scale.</span
		>{/if}
	Press a part to change it, a figure to see why.
</p>
{#each packMissing as words, index (index)}
	<button
		type="button"
		class="border-attention bg-attention-pale text-attention-ink mb-2 block w-full border-2 border-dashed p-2 text-left text-sm font-semibold"
		aria-label="{words}: change it"
		onclick={() => onpart('pack')}>{words}</button
	>
{/each}
<div
	class={[
		'max-w-full sm:border-2 sm:bg-white sm:p-[var(--above)_var(--aside)]',
		face ? 'sm:border-ink sm:rounded-md' : 'sm:border-attention sm:border-dashed'
	]}
	style="width: {pack.width_mm * PX_PER_MM}px; --above: {aside(
		pack.height_mm - size.height_mm
	)}; --aside: {aside(pack.width_mm - size.width_mm)}"
	data-testid="bag"
>
	<div class="border-edge border border-dashed">
		<PanelDrawing
			drawing={laid.drawing}
			{text}
			{names}
			{asked}
			{onask}
			parts={laid.parts.map(({ part, missing, ...at }) => ({
				key: part,
				name: missing === null ? `Change: ${PART_WORDS[part].toLowerCase()}` : `${missing}: change it`,
				isMissing: missing !== null,
				isOpen: open === part,
				...at
			}))}
			onpart={(part) => onpart(part as LabelPartName)}
		/>
	</div>
</div>
