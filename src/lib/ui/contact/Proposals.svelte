<script lang="ts">
	import { dayTextOf } from '$lib/kitchen/day.ts';
	import { sourceKey } from '$core/allergens/contact.ts';
	import { allergenName, sourceWords } from '$core/allergens/contact-words.ts';
	import type { Contact } from '$lib/batch/contact.ts';
	import Answer from './Answer.svelte';

	/** What may have come along, each to be accepted or declined with a reason; and what was decided. */
	interface Props {
		contact: Contact;
		/** What is said when nothing is proposed. */
		nothing: string;
		/** What the address of the form carries besides the action. */
		asked?: string;
	}
	let { contact, nothing, asked = '' }: Props = $props();
	const nameOf = (id: string) => contact.equipment[id] ?? 'equipment';
	const ANSWER = { accepted: 'said on the label', declined: 'declined', withdrawn: 'taken off the label' };
	const ACCEPT = {
		answer: 'accepted' as const,
		text: 'Say it on the label',
		hint: 'The label says from now on that it may contain this'
	};
	const DECLINE = {
		answer: 'declined' as const,
		text: 'It cannot have',
		hint: 'Nothing came along this way; it is asked again next time'
	};
</script>

<p class="caution mt-2">
	A may-contain line never takes the place of cleaning. Wash, rinse and dry what is shared before you make
	what has to be free of something, and ask your authority how. Nothing here can say that a food is free of an
	allergen.
</p>
{#each contact.unconfirmed as name, nth (nth)}
	<p class="text-attention-ink mt-2 font-semibold">
		{name} was handled before it on the same equipment, and nobody has confirmed its allergens:
		<a href="/shelf">confirm them on the shelf</a>.
	</p>
{/each}
{#if contact.accepted.length > 0}
	<ul class="mt-3 max-w-3xl space-y-3">
		{#each contact.accepted as tag (tag)}
			<li>
				The label says it may contain <b>{allergenName(tag)}</b>.
				<details>
					<summary class="cursor-pointer text-sm underline">Take it off the label</summary>
					<Answer
						{asked}
						allergen={tag}
						about="taking {allergenName(tag)} off"
						source=""
						answers={[
							{ answer: 'withdrawn', text: 'Take it off', hint: 'Whatever proposes it is asked again' }
						]}
					/>
				</details>
			</li>
		{/each}
	</ul>
{/if}
{#if contact.open.length > 0}
	<ul class="mt-3 max-w-3xl space-y-4" data-testid="proposals">
		{#each contact.open as proposal (`${sourceKey(proposal.source)} ${proposal.allergen}`)}
			{@const name = allergenName(proposal.allergen)}
			<li class="border-attention border-l-4 pl-3">
				<b>May it contain {name}?</b>
				<span class="block text-sm">{sourceWords(proposal, nameOf)}.</span>
				<Answer
					{asked}
					allergen={proposal.allergen}
					about="{name} {proposal.source.kind === 'day' ? proposal.source.from.code : ''}"
					source={sourceKey(proposal.source)}
					answers={[ACCEPT, DECLINE]}
				/>
			</li>
		{/each}
	</ul>
{:else if contact.accepted.length === 0 && contact.unconfirmed.length === 0}
	<p class="mt-2 max-w-prose">{nothing}</p>
{/if}
{#if contact.declined.length > 0}
	<details class="mt-3 max-w-3xl">
		<summary class="cursor-pointer text-sm underline"
			>{contact.declined.length} declined: say one on the label after all</summary
		>
		<ul class="mt-2 space-y-3">
			{#each contact.declined as proposal (`${sourceKey(proposal.source)} ${proposal.allergen}`)}
				<li>
					<span class="text-sm">{sourceWords(proposal, nameOf)}.</span>
					<Answer
						{asked}
						allergen={proposal.allergen}
						about={allergenName(proposal.allergen)}
						source={sourceKey(proposal.source)}
						answers={[ACCEPT]}
					/>
				</li>
			{/each}
		</ul>
	</details>
{/if}
{#if contact.decisions.length > 0}
	<details class="mt-3 max-w-3xl">
		<summary class="cursor-pointer text-sm underline">What was decided, and why</summary>
		<table class="ledger mt-2 text-sm">
			<thead><tr><th>Day</th><th>Allergen</th><th>Decided</th><th>Why</th></tr></thead>
			<tbody>
				{#each contact.decisions as decision (decision.id)}
					<tr>
						<td class="text-quiet whitespace-nowrap"
							>{dayTextOf(decision.decidedAt)}{#if decision.by}<span class="block">{decision.by}</span
								>{/if}</td
						>
						<td class="font-semibold">{allergenName(decision.allergen)}</td>
						<td>{ANSWER[decision.answer]}</td>
						<td>{decision.reason} <span class="text-quiet block">{decision.sourceWords}</span></td>
					</tr>
				{/each}
			</tbody>
		</table>
	</details>
{/if}
