<script lang="ts">
	let { href }: { href: string } = $props();
</script>

<a {href} class="flex items-center gap-2 px-4 py-3 no-underline md:block md:py-5">
	<span class="border-ink block size-4 border-[3px] md:size-5.5 md:border-4" aria-hidden="true"></span>
	<span class="leading-tight font-extrabold md:mt-1.5 md:block"
		>Square <br class="hidden md:inline" />Batch</span
	>
</a>
