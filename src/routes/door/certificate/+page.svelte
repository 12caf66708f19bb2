<script lang="ts">
	let { data } = $props();
</script>

<svelte:head><title>The certificate of this machine · Square Batch</title></svelte:head>
<div class="mx-auto max-w-xl">
	<h1>The certificate of this machine</h1>
	<p class="mt-2">
		Square Batch made it for itself. With it, your phone or tablet knows that it speaks with this machine and
		nobody in between.
	</p>
	<p class="border-attention bg-attention-pale mt-4 border-l-4 px-4 py-3">
		Compare first: the window Square Batch was started in shows the same fingerprint. If it does not, somebody
		is in between: take nothing.
		<span class="figure mt-2 block text-sm break-all" data-testid="fingerprint">{data.fingerprint}</span>
	</p>
	<p class="mt-4">
		<a href="/door/certificate/file" class="button button-main" download>Take the certificate</a>
	</p>
	<ol class="mt-6 list-decimal space-y-2 pl-6">
		<li>Take it, and open the file that was loaded.</li>
		<li>
			A device with a settings app asks for what it is: choose “CA certificate” where it is asked. Some ask
			for the screen lock.
		</li>
		<li>
			On some devices it counts only once it is trusted: look for “certificate trust settings” and switch it
			on for Square Batch.
		</li>
		<li>Open <a href="/door">the door</a>: there is no warning any more.</li>
	</ol>
	<p class="text-quiet mt-6 text-sm">
		It vouches for this machine alone, and its key stays here. Remove it from the device when you stop using
		Square Batch.
	</p>
</div>
