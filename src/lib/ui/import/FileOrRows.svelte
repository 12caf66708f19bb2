<script lang="ts">
	/** A file to be looked at, or its rows pasted: what comes in by a preview begins with it. */
	interface Props {
		/** Kinds of file, `.csv,.txt`. */
		accept: string;
		text: string;
		placeholder?: string;
	}
	let { accept, text = $bindable(), placeholder = '' }: Props = $props();
</script>

<div>
	<label for="file" class="mb-1 block text-sm font-medium">File</label>
	<input id="file" name="file" type="file" {accept} class="input pt-2!" />
</div>
<div>
	<label for="text" class="mb-1 block text-sm font-medium">Or its rows</label>
	<textarea id="text" name="text" rows="7" class="input figure text-sm" {placeholder} bind:value={text}
	></textarea>
</div>
