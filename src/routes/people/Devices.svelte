<script lang="ts">
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import type { Device } from '$lib/people/member.ts';
	import { moment } from '$lib/people/moment.ts';
	import Problems from '$lib/ui/Problems.svelte';
	import DeviceForm from './DeviceForm.svelte';

	let { devices, hereId }: { devices: Device[]; hereId: string | null } = $props();
	const putting = draftForm<never>({ saved: 'Put out: what it keeps is cleared when it next speaks' });
	const kitchen = $derived(page.data.kitchen);
	const inside = $derived(devices.filter((device) => device.putOutAt === null));
	const outside = $derived(devices.filter((device) => device.putOutAt !== null));
</script>

<ul class="divide-rule border-rule mt-2 divide-y border-y" aria-label="Devices that are in">
	{#each inside as device (device.id)}
		<li class="py-2">
			<div class="flex min-h-12 flex-wrap items-center gap-x-4 gap-y-1">
				<span class="min-w-48 flex-1 break-words">
					<b>{device.name}</b>{device.id === hereId ? ' (this one)' : ''}
					<span class="text-quiet block text-sm"
						>{device.kind === 'shared'
							? `shared, let in by ${device.of}, locked after ${device.idle_min} min without a touch`
							: `of ${device.of}`}</span
					>
				</span>
				<span class="text-quiet text-sm"
					>{device.lastSeen
						? `last spoke ${moment(device.lastSeen, kitchen)}${device.lastBy ? `, ${device.lastBy}` : ''}`
						: 'has not spoken yet'}</span
				>
				{#if device.id !== hereId}
					<form method="POST" action="?/putOut" use:enhance={putting.enhance}>
						<input type="hidden" name="draft" value={JSON.stringify({ id: device.id })} />
						<button class="button" disabled={putting.saving} aria-label="Put {device.name} out"
							>Put out</button
						>
					</form>
				{/if}
			</div>
			<details>
				<summary class="min-h-11 cursor-pointer py-2 text-sm font-semibold">Change {device.name}</summary>
				<DeviceForm {device} />
			</details>
		</li>
	{/each}
</ul>
<Problems problems={putting.problems} />
<p class="text-quiet mt-2 max-w-prose text-sm">
	A device that is put out loses what it still kept, entries that were never sent too: have it send them
	first, where it can.
</p>
{#if outside.length > 0}
	<details>
		<summary class="min-h-11 cursor-pointer py-2 text-sm">Put out before: {outside.length}</summary>
		<ul class="text-quiet text-sm">
			{#each outside as device (device.id)}
				<li class="py-1">{device.name}, {device.of}, put out {moment(device.putOutAt ?? '', kitchen)}</li>
			{/each}
		</ul>
	</details>
{/if}
