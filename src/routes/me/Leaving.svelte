<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import Problems from '$lib/ui/Problems.svelte';

	/** Taking what is one's own along, leaving a kitchen, and being forgotten. */
	interface Props {
		me: { isDemo: boolean; hasPassword: boolean };
		kitchen: string | null;
	}
	let { me, kitchen }: Props = $props();
	const leaving = draftForm<never>({ saved: 'You left' });
	const erasing = draftForm<never>({ saved: 'Deleted', sends: () => ({}) });
</script>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="leaving">
	<h2 id="leaving">Taking along and leaving</h2>
	<p class="text-quiet max-w-prose">
		What you did at the bench and the stall stays with the kitchen: a recall goes by it. Your name and keys
		are yours.
	</p>
	<div class="mt-3 flex flex-wrap gap-2">
		<a href="/me/data" class="button" download>Take what is mine, JSON</a>
	</div>
	{#if !me.isDemo}
		<div class="mt-3 flex flex-col gap-2">
			{#if kitchen !== null}
				<details>
					<summary class="min-h-11 cursor-pointer py-2 font-semibold">Leave {kitchen}</summary>
					<form method="POST" action="?/leave" use:enhance={leaving.enhance} class="max-w-xl">
						<input type="hidden" name="draft" value={JSON.stringify({})} />
						<p>You do not come into it any more; an owner can invite you again.</p>
						<Problems problems={leaving.problems} />
						<button class="button mt-2" disabled={leaving.saving}>Leave it</button>
					</form>
				</details>
			{/if}
			<details>
				<summary class="min-h-11 cursor-pointer py-2 font-semibold">Delete my account</summary>
				<form method="POST" action="?/erase" class="max-w-xl" use:enhance={erasing.enhance}>
					<p>
						Your name is taken off everything, your keys and sessions are gone. It cannot be undone. Kitchens
						you alone own stay as they are, for who keeps the machine.
					</p>
					<Problems problems={erasing.problems.filter((problem) => problem.path === '')} />
					<button class="button mt-2" disabled={erasing.saving}>Delete it</button>
				</form>
			</details>
		</div>
	{/if}
</section>
