<script module lang="ts">
	const fixedPlain = (value: number) => String(Math.round(value * 10) / 10);
</script>

<script lang="ts">
	import { readLength } from '$core/measure/length.ts';
	import {
		calibratedDensity,
		discDiameter_cm,
		discThickness_mm,
		discWeight_g,
		type WeighedDisc
	} from '$core/formula/piece.ts';
	import { readGrams, readNumber } from '$core/measure/reading.ts';
	import type { ProductDraft } from '$lib/formula/draft.ts';
	import { fixed } from '$lib/format.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import X from '@lucide/svelte/icons/x';

	/** A ball and the disc it opens into: any side is solved for, with the density of the maker's own discs. */
	let { product = $bindable(), error }: { product: ProductDraft; error: (path: string) => string } = $props();

	const positive = (read: ReturnType<typeof readNumber>) => (read.ok && read.value > 0 ? read.value : null);
	const discs = $derived(
		product.discs.flatMap((disc): WeighedDisc[] => {
			const [diameter_cm, thickness_mm, weight_g] = [
				positive(readLength(disc.diameter, 'cm')),
				positive(readLength(disc.thickness, 'mm')),
				positive(readGrams(disc.weight))
			];
			return diameter_cm && thickness_mm && weight_g ? [{ diameter_cm, thickness_mm, weight_g }] : [];
		})
	);
	const density = $derived(calibratedDensity(discs));
	const ball = $derived(positive(readGrams(product.ballWeight)));
	const diameter = $derived(positive(readLength(product.diameter, 'cm')));
	const thickness = $derived(positive(readLength(product.thickness, 'mm')));
	const weight = $derived(
		diameter && thickness ? discWeight_g({ diameter_cm: diameter, thickness_mm: thickness }, density) : null
	);
	const opensTo = $derived(ball && thickness ? discDiameter_cm(ball, thickness, density) : null);
	const asThick = $derived(ball && diameter ? discThickness_mm(ball, diameter, density) : null);
</script>

<div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
	<Field
		label="Opened to, across"
		unit="cm"
		bind:value={product.diameter}
		inputmode="decimal"
		error={error('product.diameter')}
	/>
	<Field
		label="Thick"
		unit="mm"
		bind:value={product.thickness}
		inputmode="decimal"
		error={error('product.thickness')}
	/>
</div>
<div class="mt-3 space-y-2" data-testid="shape">
	{#if weight !== null}
		<p>
			A disc like that takes a ball of <b class="figure">{fixed(weight, 1)}<span class="unit">g</span></b>.
			<button type="button" class="button ml-2" onclick={() => (product.ballWeight = fixedPlain(weight))}
				>Make it the ball weight</button
			>
		</p>
	{/if}
	{#if opensTo !== null}<p>
			The ball of {product.ballWeight} at that thickness opens to
			<b class="figure">{fixed(opensTo, 1)}<span class="unit">cm</span></b>.
		</p>{/if}
	{#if asThick !== null}<p>
			Opened that wide, the ball is <b class="figure">{fixed(asThick, 2)}<span class="unit">mm</span></b> thick.
		</p>{/if}
	<p class="text-quiet text-sm">
		Density <span class="figure">{fixed(density, 3)}</span> g/mL, {discs.length === 0
			? 'the usual one: weigh and measure some discs of yours to know it'
			: `by ${discs.length} of your own discs`}.
	</p>
</div>
<h3 class="mt-4">Discs measured and weighed</h3>
{#each product.discs as disc, index (index)}
	<div class="mt-1 grid max-w-md grid-cols-[1fr_1fr_1fr_2.75rem] items-start gap-2">
		<Field
			label="Across, disc {index + 1}, cm"
			tight
			placeholder="cm"
			bind:value={disc.diameter}
			error={error(`product.discs[${index}].diameter`)}
		/>
		<Field
			label="Thick, disc {index + 1}, mm"
			tight
			placeholder="mm"
			bind:value={disc.thickness}
			error={error(`product.discs[${index}].thickness`)}
		/>
		<Field
			label="Weight, disc {index + 1}, g"
			tight
			placeholder="g"
			bind:value={disc.weight}
			error={error(`product.discs[${index}].weight`)}
		/>
		<button
			type="button"
			class="p-2"
			aria-label="Remove disc {index + 1}"
			onclick={() => product.discs.splice(index, 1)}><X size={16} /></button
		>
	</div>
{/each}
<button
	type="button"
	class="button mt-2"
	onclick={() => product.discs.push({ diameter: '', thickness: '', weight: '' })}>Add a disc</button
>
