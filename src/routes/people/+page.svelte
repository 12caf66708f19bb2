<script lang="ts">
	import Devices from './Devices.svelte';
	import LetIn from './LetIn.svelte';
	import Invite from './Invite.svelte';
	import Members from './Members.svelte';
	import Open from './Open.svelte';

	let { data } = $props();
</script>

<svelte:head><title>People · Square Batch</title></svelte:head>
<div class="flex flex-wrap items-baseline justify-between gap-x-6">
	<h1>People</h1>
	<a href="/people/did" class="button">Who did what</a>
</div>
<p class="text-quiet max-w-prose">Who comes into {data.kitchen.name}, as what, and on which device.</p>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="members">
	<h2 id="members">Who belongs to it</h2>
	<Members members={data.members} myId={data.myId} />
	<Invite />
</section>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="devices">
	<h2 id="devices">Devices</h2>
	<Devices devices={data.devices} hereId={data.hereId} />
	<LetIn />
</section>

<Open pairings={data.pairings} />
