<script lang="ts">
	import Field from '../control/Field.svelte';

	/** Who somebody is and how they come in from now on. */
	interface Props {
		draft: { name: string; login: string; password: string };
		at: (path: string) => string;
	}
	let { draft = $bindable(), at }: Props = $props();
</script>

<Field label="Your name" bind:value={draft.name} error={at('name')} maxlength={80} autocomplete="name" />
<Field
	label="Name you come in by"
	bind:value={draft.login}
	error={at('login')}
	maxlength={60}
	autocomplete="username"
	autocapitalize="none"
	spellcheck={false}
	hint="One word, such as wren"
	class="mt-3"
/>
<Field
	label="Password"
	type="password"
	bind:value={draft.password}
	error={at('password')}
	maxlength={128}
	autocomplete="new-password"
	hint="At least 12 characters: three or four words are easier than signs"
	class="mt-3"
/>
