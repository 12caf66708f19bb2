<script lang="ts">
	import { mayHere } from '$lib/people/may-here.ts';
	import { nutrientWord } from '$core/composition/nutrients.ts';
	import { readTag, declaredName } from '$core/allergens/tags.ts';
	import Figure from '$lib/ui/Figure.svelte';
	import { money } from '$lib/format.ts';
	import Wide from '$lib/ui/Wide.svelte';

	let { data } = $props();
	let search = $state('');
	const shown = $derived(
		data.ingredients.filter((each) =>
			`${each.name} ${each.kind}`.toLowerCase().includes(search.trim().toLowerCase())
		)
	);
	const unconfirmed = $derived(data.ingredients.filter((each) => each.allergens === null).length);
	const names = (tags: string[]) =>
		tags.flatMap((tag) => {
			const read = readTag(tag);
			return read ? [declaredName(read)] : [];
		});
</script>

<svelte:head><title>Shelf · Square Batch</title></svelte:head>

<div class="mb-4 flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1>Shelf</h1>
		<p class="text-quiet">
			{data.ingredients.length} ingredients{#if unconfirmed > 0}, <span
					class="text-attention-ink font-semibold">{unconfirmed} with allergens nobody has confirmed</span
				>{/if}
		</p>
	</div>
	<div class="flex flex-wrap gap-2">
		<input
			class="input w-52!"
			type="search"
			placeholder="Search the shelf"
			aria-label="Search the shelf"
			bind:value={search}
		/>
		<a href="/shelf/sheet" class="button">Confirm and price</a>
		<a href="/shelf/lots" class="button">Stock</a>
		<a href="/shelf/csv" class="button" download>CSV</a>
		<a href="/shelf/json" class="button" download>JSON</a>
		<a href="/shelf/import" class="button">Bring in</a>
		<a href="/shelf/new" class="button button-main">Add an ingredient</a>
	</div>
</div>

{#if data.ingredients.length === 0}
	<p class="max-w-prose">
		Everything you bake with belongs here: what it holds, which allergens, what it costs. Add your main flour
		first.
	</p>
{:else if shown.length === 0}
	<p>Nothing on the shelf matches “{search}”.</p>
{:else}
	<Wide label="Ingredients">
		<table class="ledger">
			<thead>
				<tr>
					<th>Ingredient</th>
					<th class="hidden sm:table-cell">Kind</th>
					<th>Allergens</th>
					<th class="hidden md:table-cell">Composition</th>
					{#if mayHere('costs')}<th class="number">Price a kg</th>{/if}
				</tr>
			</thead>
			<tbody>
				{#each shown as each (each.id)}
					<tr>
						<td class="min-w-36"
							><a href="/shelf/{each.id}" class="font-semibold hover:underline">{each.name}</a></td
						>
						<td class="text-quiet hidden sm:table-cell">{each.isMix ? 'mix of your own' : each.kind}</td>
						<td>
							{#if each.allergens === null}
								<span class="text-attention-ink font-semibold">not confirmed</span>
							{:else if each.allergens.length === 0}
								<span class="text-quiet">none</span>
							{:else}
								{names(each.allergens).join(', ')}
							{/if}
						</td>
						<td class="hidden md:table-cell">
							<span class="bg-rule mr-2 inline-block h-2 w-16 align-middle" aria-hidden="true"
								><span
									class={['block h-full', each.complete.share === 1 ? 'bg-squared' : 'bg-attention']}
									style="width: {each.complete.share * 100}%"
								></span></span
							><span class={each.source === 'estimate' ? 'text-attention-ink' : 'text-quiet'}
								>{each.isMix ? 'from its lines' : each.source}{each.sourceNote
									? `, ${each.sourceNote}`
									: ''}</span
							>
							{#if each.complete.blocking.length > 0}
								<br /><span class="text-attention-ink"
									>the panel waits for {each.complete.blocking.length > 5
										? `${each.complete.blocking.length} values`
										: each.complete.blocking.map(nutrientWord).join(', ')}</span
								>
							{/if}
						</td>
						{#if mayHere('costs')}
							<td class="number"
								><Figure
									value={each.pricePerKg === null ? null : money(each.pricePerKg, data.kitchen.currency)}
								/></td
							>
						{/if}
					</tr>
				{/each}
			</tbody>
		</table>
	</Wide>
{/if}
