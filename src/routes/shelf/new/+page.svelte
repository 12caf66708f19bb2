<script lang="ts">
	import { enhance } from '$app/forms';
	import { declaredName, readTag } from '$core/allergens/tags.ts';
	import MiniSearch from 'minisearch';

	let { data } = $props();
	let search = $state('');
	const index = $derived.by(() => {
		const made = new MiniSearch<(typeof data.rows)[number]>({
			fields: ['name', 'names', 'kind'],
			extractField: (row, field) =>
				field === 'names' ? row.names.join(' ') : String(row[field as keyof typeof row] ?? ''),
			// `atta` and `āṭā` are the same to whoever types it.
			processTerm: (term) => term.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase(),
			searchOptions: { prefix: true, fuzzy: 0.25, boost: { names: 2, name: 1.5 }, combineWith: 'AND' }
		});
		made.addAll(data.rows);
		return made;
	});
	const found = $derived.by(() => {
		if (search.trim() === '') return data.rows;
		const byId = new Map(data.rows.map((row) => [row.id, row]));
		return index.search(search).flatMap((hit) => byId.get(String(hit.id)) ?? []);
	});
	const allergensOf = (tags: string[]) =>
		tags
			.flatMap((tag) => {
				const read = readTag(tag);
				return read ? [declaredName(read)] : [];
			})
			.join(', ');
	/** The other name that was typed, when the row goes by another. */
	const alsoCalled = (row: (typeof data.rows)[number]) => {
		const typed = search.trim().toLowerCase();
		return typed.length < 3
			? ''
			: (row.names.find((name) => name.includes(typed) && !row.name.toLowerCase().includes(typed)) ?? '');
	};
</script>

<svelte:head><title>Add an ingredient · Square Batch</title></svelte:head>
<p class="text-sm"><a href="/shelf">Shelf</a></p>
<h1>Add an ingredient</h1>
<p class="text-quiet mt-1 max-w-prose">
	Start from a reference row, typical values to be replaced by the pack’s; from nothing, with the pack in
	hand; or from what you have on file.
</p>
<div class="mt-4 flex flex-wrap gap-2">
	<a class="button" href="/shelf/blank">From nothing</a>
	<a class="button" href="/shelf/mix">A mix of your own</a>
	<a class="button" href="/shelf/import">From a file</a>
</div>
<div class="mt-5 max-w-3xl">
	<label for="search" class="mb-1 block text-sm font-medium"
		>Search the {data.rows.length} reference rows</label
	>
	<!-- svelte-ignore a11y_autofocus -->
	<input
		id="search"
		type="search"
		class="input text-lg"
		placeholder="bread flour, atta, besan, ghee…"
		autocomplete="off"
		autofocus
		bind:value={search}
	/>
	<p class="text-quiet mt-1 text-sm" role="status">
		{found.length === 0 ? 'Nothing like it: start from nothing.' : `${found.length} found`}
	</p>
	<ul class="border-ink mt-2 border-t-2">
		{#each found.slice(0, 40) as row (row.id)}
			<li class="border-rule flex flex-wrap items-center justify-between gap-x-4 border-b py-1.5">
				<div class="min-w-0">
					<span class="font-semibold">{row.name}</span>
					{#if alsoCalled(row)}<span class="text-action text-sm">{alsoCalled(row)}</span>{/if}
					<span class="text-quiet block text-sm"
						>{row.kind}{row.allergens.length > 0 ? `, ${allergensOf(row.allergens)}` : ''} · {row.source}</span
					>
				</div>
				{#if row.onShelf}
					<a class="button" href="/shelf/{row.onShelf}">On the shelf</a>
				{:else}
					<form method="POST" use:enhance>
						<input type="hidden" name="reference" value={row.id} />
						<button class="button" aria-label="Start from {row.name}">Start from this</button>
					</form>
				{/if}
			</li>
		{/each}
	</ul>
	{#if found.length > 40}<p class="text-quiet mt-2 text-sm">
			And {found.length - 40} more: type a few letters.
		</p>{/if}
</div>
