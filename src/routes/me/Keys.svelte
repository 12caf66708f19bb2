<script lang="ts">
	import { enhance } from '$app/forms';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';
	import { plural } from '$lib/format.ts';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import AddPasskey from '$lib/ui/people/AddPasskey.svelte';
	import type { MyPasskey } from '$lib/people/passkey.ts';

	/** By what somebody proves who they are, and how they come back without it. */
	interface Props {
		me: { login: string | null; hasPassword: boolean; hasSecond: boolean; isDemo: boolean };
		passkeys: MyPasskey[];
		codes: number;
		hasPasskeys: boolean;
	}
	let { me, passkeys, codes, hasPasskeys }: Props = $props();
	let now = $state('');
	let password = $state('');
	let appCode = $state('');
	let shown = $state.raw<string[]>([]);
	let begun = $state.raw<{ secret: string; picture: string } | null>(null);

	const changing = draftForm<never>({
		saved: 'Changed: all your other sessions ended',
		sends: () => ({ now, password }),
		onsaved: () => ([now, password] = ['', ''])
	});
	const proving = draftForm<never>({
		saved: 'Done',
		sends: () => ({}),
		onsaved: (data) => {
			shown = (data.codes as string[] | undefined) ?? shown;
			begun = (data.second as typeof begun | undefined) ?? null;
		}
	});
	const taking = draftForm<never>({
		saved: 'A code is asked for from now on',
		sends: () => ({ code: appCode }),
		onsaved: () => ([begun, appCode] = [null, ''])
	});
	const forgetting = draftForm<never>({ saved: 'Removed' });
</script>

<section class="border-rule mt-6 border-t pt-4" aria-labelledby="keys">
	<h2 id="keys">Your keys</h2>
	{#if me.isDemo}
		<p class="text-quiet max-w-prose">
			You are of the demo: you come in by one press, on this machine alone. Keys are of people of your own
			kitchen.
		</p>
	{:else}
		<div class="grid max-w-4xl gap-8 lg:grid-cols-2">
			<form method="POST" action="?/password" use:enhance={changing.enhance}>
				<h3>Password</h3>
				<input type="text" autocomplete="username" value={me.login} hidden readonly />
				<Field
					label="Password of now"
					type="password"
					bind:value={now}
					autocomplete="current-password"
					error={changing.at('now')}
				/>
				<Field
					label="New password"
					type="password"
					bind:value={password}
					autocomplete="new-password"
					hint="At least 12 characters: three or four words are easier than signs"
					error={changing.at('password')}
					class="mt-3"
				/>
				<Problems problems={changing.problems.filter((problem) => problem.path === '')} />
				<button class="button mt-3" disabled={changing.saving}>Change the password</button>
			</form>
			<div>
				<h3>Passkeys</h3>
				{#if hasPasskeys}
					<ul class="divide-rule border-rule mt-2 divide-y border-y">
						{#each passkeys as key (key.id)}
							<li class="flex min-h-12 items-center gap-3 py-1">
								<span class="flex-1 break-words">{key.name}</span>
								<form method="POST" action="?/forgetKey" use:enhance={forgetting.enhance}>
									<input type="hidden" name="draft" value={JSON.stringify({ id: key.id })} />
									<button class="button" aria-label="Remove {key.name}">Remove</button>
								</form>
							</li>
						{:else}
							<li class="text-quiet py-2">None yet: this device's fingerprint, face or screen lock.</li>
						{/each}
					</ul>
					<AddPasskey />
				{:else}
					<p class="text-quiet">
						A browser makes passkeys for a name, not for an address of numbers: open Square Batch by its name.
					</p>
				{/if}
			</div>
			<div>
				<h3>Recovery codes</h3>
				<p class="text-quiet">
					{codes === 0
						? 'None yet. One lets you back in when the password is forgotten.'
						: `${plural(codes, 'code')} left.`}
				</p>
				{#if shown.length > 0}
					<div class="border-attention bg-attention-pale mt-2 border-l-4 p-3" role="status">
						<p class="font-semibold">Write these down now. They are not shown again, and each counts once.</p>
						<ul class="figure mt-2 grid grid-cols-1 gap-1 sm:grid-cols-2" aria-label="Recovery codes">
							{#each shown as code (code)}<li>{code}</li>{/each}
						</ul>
					</div>
				{/if}
			</div>
			<div>
				<h3>Second factor</h3>
				<p class="text-quiet">
					{me.hasSecond
						? 'After the password, the code of your app is asked for.'
						: 'An app on your phone that shows six digits, asked for after the password.'}
				</p>
				{#if begun}
					<form method="POST" action="?/secondOn" class="mt-2" use:enhance={taking.enhance}>
						<p>Point the app's camera here:</p>
						<img src={begun.picture} alt="The secret as a QR code" class="my-2 w-44 border" />
						<p class="text-sm">Or type: <span class="figure break-all">{begun.secret}</span></p>
						<Field
							label="The code it shows now"
							bind:value={appCode}
							inputmode="numeric"
							maxlength={12}
							error={taking.at('code')}
							class="mt-2"
						/>
						<button class="button button-main mt-3" disabled={taking.saving}>Take it up</button>
					</form>
				{/if}
			</div>
		</div>
		<form method="POST" class="mt-6 max-w-xl" use:enhance={proving.enhance}>
			<p class="text-quiet">For these you confirm your password once more.</p>
			<Problems problems={proving.problems.filter((problem) => problem.path === '')} />
			<div class="mt-3 flex flex-wrap gap-2">
				<button class="button" formaction="?/codes" disabled={proving.saving}>Make recovery codes</button>
				{#if me.hasSecond}
					<button class="button" formaction="?/secondOff" disabled={proving.saving}
						>Give up the second factor</button
					>
				{:else}
					<button class="button" formaction="?/second" disabled={proving.saving}>Begin a second factor</button
					>
				{/if}
			</div>
		</form>
	{/if}
</section>
