<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import { CATEGORY_OPTIONS, type ProductDraft } from '$lib/formula/draft.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import X from '@lucide/svelte/icons/x';
	import DivideInto from './DivideInto.svelte';

	interface Props {
		product: ProductDraft;
		error: (path: string) => string;
		currency: string;
		/** What there is to divide; null while the lines do not tell. */
		dough_g: number | null;
	}
	let { product = $bindable(), error, currency, dough_g }: Props = $props();
</script>

<section aria-label="Sold as">
	<div class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
		<Field
			label="Ball weight"
			unit="g"
			bind:value={product.ballWeight}
			error={error('product.ballWeight')}
			inputmode="decimal"
		/>
		<DivideInto {dough_g} bind:ballWeight={product.ballWeight} />
		<Field
			label="Pieces in a pack"
			bind:value={product.packPieces}
			error={error('product.packPieces')}
			inputmode="numeric"
		/>
		<Field
			label="One piece is a"
			bind:value={product.pieceOne}
			error={error('product.pieceOne')}
			placeholder="roti"
		/>
		<Field
			label="Several are"
			bind:value={product.pieceMany}
			error={error('product.pieceMany')}
			placeholder="roti"
		/>
		<Choice
			label="Kind of bread (reference amount)"
			bind:value={product.category}
			options={CATEGORY_OPTIONS}
			class="col-span-2"
		/>
		<Choice
			label="Pieces in a serving, where there is a choice"
			bind:value={product.servingPieces}
			options={[
				{ value: '', text: 'as the rule has it' },
				{ value: '1', text: 'one' },
				{ value: '2', text: 'two' }
			]}
		/>
		<Field
			label="Price of a pack, {currency}"
			bind:value={product.price}
			error={error('product.price')}
			inputmode="decimal"
		/>
	</div>
	{#if mayHere('costs')}
		<h3 class="mt-4">Materials of one pack</h3>
		{#each product.materials as material, index (index)}
			<div class="mt-2 grid max-w-md grid-cols-[1fr_7rem_2.75rem] items-start gap-2">
				<Field
					label="Material {index + 1}"
					tight
					bind:value={material.name}
					error={error(`product.materials[${index}].name`)}
					placeholder="bag"
				/>
				<Field
					label="Cost of material {index + 1}"
					tight
					bind:value={material.cost}
					error={error(`product.materials[${index}].cost`)}
					inputmode="decimal"
					placeholder="0.11"
				/>
				<button
					type="button"
					class="p-2"
					aria-label="Remove material {index + 1}"
					onclick={() => product.materials.splice(index, 1)}><X size={16} /></button
				>
			</div>
		{/each}
		<button type="button" class="button mt-2" onclick={() => product.materials.push({ name: '', cost: '' })}
			>Add a material</button
		>
	{/if}
</section>
