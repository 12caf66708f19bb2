<script lang="ts">
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { dayText } from '$lib/format.ts';
	import { moment } from '$lib/people/moment.ts';
	import type { Member } from '$lib/people/member.ts';
	import { ROLE_WORDS } from '$lib/people/roles.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import MemberForm from './MemberForm.svelte';

	let { members, myId }: { members: Member[]; myId: string } = $props();
	const ending = draftForm<never>({ saved: 'Put out: their sessions here ended' });
	const kitchen = $derived(page.data.kitchen);
</script>

<ul class="divide-rule border-rule mt-2 divide-y border-y">
	{#each members as member (member.id)}
		<li class="py-2">
			<div class="flex min-h-12 flex-wrap items-center gap-x-4 gap-y-1">
				<span class="min-w-48 flex-1 break-words">
					<b>{member.name}</b>, {member.role}{member.id === myId ? ' (you)' : ''}
					<span class="text-quiet block text-sm"
						>{ROLE_WORDS[member.role]}{#if member.span}: {dayText(member.span.from)} to {dayText(
								member.span.to
							)}, until {dayText(member.span.until)}{/if}</span
					>
				</span>
				<span class="text-quiet text-sm"
					>{member.hasLogin ? 'own password' : 'no password'}{member.hasSecond
						? ', second factor'
						: ''}{member.hasCode ? ', short code' : ''}
					<span class="block"
						>{member.lastSeen ? `last here ${moment(member.lastSeen, kitchen)}` : 'never here yet'}</span
					></span
				>
			</div>
			<div class="flex flex-wrap items-start gap-x-4">
				<details class="flex-1">
					<summary class="min-h-11 cursor-pointer py-2 text-sm font-semibold">Change {member.name}</summary>
					<MemberForm {member} />
				</details>
				{#if member.id !== myId}
					<form method="POST" action="?/end" use:enhance={ending.enhance}>
						<input type="hidden" name="draft" value={JSON.stringify({ id: member.id })} />
						<button class="button" disabled={ending.saving} aria-label="Put {member.name} out">Put out</button
						>
					</form>
				{/if}
			</div>
		</li>
	{/each}
</ul>
<Problems problems={ending.problems} />
