<script lang="ts">
	import { goto } from '$app/navigation';
	import { Command, Dialog } from 'bits-ui';
	import type { Found } from '$lib/found.ts';

	/** Ctrl/⌘K: goes to any ingredient, formula, batch or place, or starts something new. */
	let { open = $bindable() }: { open: boolean } = $props();

	let found = $state.raw<Found[]>([]);
	let failed = $state(false);
	$effect(() => {
		if (!open) return;
		failed = false;
		fetch('/find.json')
			.then(async (response) => (found = (await response.json()) as Found[]))
			.catch(() => (failed = true));
	});
	const groups = $derived([...new Set(found.map((each) => each.group))]);

	function choose(href: string) {
		open = false;
		void goto(href);
	}
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class="bg-ink/30 fixed inset-0 z-20" />
		<Dialog.Content
			class="bg-sheet border-ink fixed top-[12vh] left-1/2 z-20 w-[min(36rem,94vw)] -translate-x-1/2 border"
		>
			<Dialog.Title class="sr-only">Find anything</Dialog.Title>
			<Dialog.Description class="sr-only"
				>Type a few letters, choose with the arrow keys, go with Enter.</Dialog.Description
			>
			<Command.Root label="Find">
				<Command.Input
					class="border-rule w-full border-b px-4 py-3 text-lg outline-none"
					placeholder="Find an ingredient, formula, batch…"
				/>
				<!-- What scrolls is reached by keyboard, however many are found. -->
				<Command.List class="max-h-[50vh] overflow-y-auto p-2" tabindex={0}>
					<Command.Viewport>
						{#if failed}
							<p class="text-loss px-3 py-4">The server does not answer. See that Square Batch runs.</p>
						{:else}
							<Command.Empty class="text-quiet px-3 py-4">Nothing by that name.</Command.Empty>
						{/if}
						{#each groups as group (group)}
							<Command.Group>
								<Command.GroupHeading class="text-quiet px-3 pt-2 pb-1 text-xs">{group}</Command.GroupHeading>
								<Command.GroupItems>
									{#each found.filter((each) => each.group === group) as each, nth (nth)}
										<Command.Item
											value="{each.text} {each.href}"
											keywords={[group]}
											onSelect={() => choose(each.href)}
											class="data-selected:bg-action-pale flex min-h-10 cursor-pointer items-center px-3"
										>
											{each.text}
										</Command.Item>
									{/each}
								</Command.GroupItems>
							</Command.Group>
						{/each}
					</Command.Viewport>
				</Command.List>
			</Command.Root>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
