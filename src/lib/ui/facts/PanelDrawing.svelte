<script lang="ts">
	import '@fontsource/arimo/latin-400.css';
	import '@fontsource/arimo/latin-400-italic.css';
	import '@fontsource/arimo/latin-700.css';
	import { FONT_FAMILY } from '$core/drawing/svg.ts';
	import type { DrawnLine, Drawing } from '$core/drawing/shapes.ts';

	/** A drawing of the core at its true size, narrower where there is less room; its lines can be asked about. */
	interface Props {
		drawing: Drawing;
		/** All of it in words, for who does not see it. */
		text: string;
		/** What a line is called, by its key; lines without a name cannot be asked about. */
		names?: Record<string, string>;
		onask?: (key: string) => void;
		/** What pressing a line of a name is called. */
		asking?: (name: string) => string;
		/** The line that is asked about. */
		asked?: string;
		/** Parts that can be changed, each with what pressing it is called; what is missing has a dashed box. */
		parts?: (Required<Omit<DrawnLine, 'key'>> & {
			key: string;
			name: string;
			isMissing: boolean;
			isOpen: boolean;
		})[];
		onpart?: (key: string) => void;
	}
	let {
		drawing,
		text,
		names = {},
		onask,
		asking = (name) => `Why ${name} is what it is`,
		asked = '',
		parts = [],
		onpart
	}: Props = $props();
	/** CSS has 96 pixels to the inch, a drawing 72 points. */
	const PX_PER_PT = 96 / 72;
	const percent = (part_pt: number, of_pt: number) => `${(100 * part_pt) / of_pt}%`;
	const placeOf = (line: Omit<DrawnLine, 'key'>) =>
		[
			`top: ${percent(line.y_pt, drawing.height_pt)}`,
			`height: ${percent(line.height_pt, drawing.height_pt)}`,
			`left: ${percent(line.x_pt ?? 0, drawing.width_pt)}`,
			`width: ${percent(line.width_pt ?? drawing.width_pt, drawing.width_pt)}`
		].join('; ');
</script>

<div class="relative max-w-full bg-white" style="width: {drawing.width_pt * PX_PER_PT}px">
	<svg
		viewBox="0 0 {drawing.width_pt} {drawing.height_pt}"
		role="img"
		aria-label={text}
		class="block w-full"
		font-family="{FONT_FAMILY}, Arial, sans-serif"
		style="font-kerning: none"
	>
		{#each parts as part, index (index)}
			{#if part.isMissing}
				<rect
					x={part.x_pt}
					y={part.y_pt}
					width={part.width_pt}
					height={part.height_pt}
					class="fill-attention-pale stroke-attention"
					stroke-dasharray="3 2"
				/>
			{/if}
		{/each}
		{#each drawing.shapes as shape, index (index)}
			{#if shape.kind === 'bar'}
				<rect x={shape.x_pt} y={shape.y_pt} width={shape.width_pt} height={shape.height_pt} />
			{:else}
				<text
					x={shape.x_pt}
					y={shape.baseline_pt}
					font-size={shape.size_pt}
					font-weight={shape.weight}
					font-style={shape.italic ? 'italic' : 'normal'}
					class={shape.waits ? 'fill-attention-ink' : ''}
					xml:space="preserve">{shape.text}</text
				>
			{/if}
		{/each}
	</svg>
	{#each parts as part, index (index)}
		<button
			type="button"
			class={[
				'hover:bg-action/10 focus-visible:bg-action/10 absolute',
				part.isOpen && 'outline-action outline-2'
			]}
			style={placeOf(part)}
			aria-label={part.name}
			aria-pressed={part.isOpen}
			data-part={part.key}
			onclick={() => onpart?.(part.key)}
		></button>
	{/each}
	{#if onask}
		{#each drawing.lines as line (line.key)}
			{#if names[line.key]}
				<button
					type="button"
					class={['hover:bg-action/10 absolute', asked === line.key && 'outline-action outline-2']}
					style={placeOf(line)}
					aria-label={asking(names[line.key] ?? '')}
					onclick={() => onask(line.key)}
				></button>
			{/if}
		{/each}
	{/if}
</div>
