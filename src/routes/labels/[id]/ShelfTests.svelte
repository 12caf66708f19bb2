<script lang="ts">
	import DayField from '$lib/ui/control/DayField.svelte';
	import { enhance } from '$app/forms';
	import { borneOut, daysOf, TESTED, type Tested } from '$core/label/shelf-life.ts';
	import { parseDate } from '@internationalized/date';
	import { draftForm } from '$lib/form/draft-form.svelte.ts';

	import type { ShelfTestRecord } from '$lib/label/shelf-test.ts';
	import { dayText, plural } from '$lib/format.ts';
	import Choice from '$lib/ui/control/Choice.svelte';
	import Field from '$lib/ui/control/Field.svelte';
	import Problems from '$lib/ui/Problems.svelte';
	import { smallPicture } from '$lib/label/small-picture.ts';
	import { untrack } from 'svelte';

	/** The maker's own tests of how long it keeps, each day as it was found; the days on the label come from them. */
	interface Props {
		tests: readonly ShelfTestRecord[];
		today: string;
		/** The rule set in the address, where it is not the kitchen's. */
		asked: string;
		/** Puts the days on the label. */
		ontake: (days: number) => void;
	}
	let { tests, today, asked, ontake }: Props = $props();

	const WHAT: Record<Tested, string> = {
		baked: 'baked and packed',
		dough: 'its dough, chilled or frozen',
		premix: 'its dry premix'
	};
	const days = $derived(borneOut(tests, 'baked'));
	let begun = $state(untrack(() => ({ of: 'baked' as Tested, madeOn: today, keptHow: '' })));
	let noted = $state({ test: '', day: '', isGood: true, found: '', picture: '' });
	let pictureTrouble = $state('');
	let chooser = $state<HTMLInputElement>();
	const begin = draftForm<never>({ saved: 'Test begun', onsaved: () => (begun.keptHow = '') });
	const note = draftForm<never>({
		saved: 'Noted',
		onsaved: () => {
			noted = { ...noted, day: '', found: '', picture: '' };
			if (chooser) chooser.value = '';
		}
	});
	async function take(file: File | undefined) {
		[noted.picture, pictureTrouble] = ['', ''];
		if (!file) return;
		try {
			noted.picture = await smallPicture(file);
		} catch {
			pictureTrouble = 'this is not a picture that can be read: choose another';
		}
	}
	/** What of it is not sold has its own days, which no label says: by when to use it is said here. */
	const unsold = $derived(
		TESTED.flatMap((of) => {
			const days = of === 'baked' ? null : borneOut(tests, of);
			return days === null ? [] : { of, days };
		})
	);
	const chosen = $derived(tests.some(({ id }) => id === noted.test) ? noted.test : (tests[0]?.id ?? ''));
	const nameOf = ({ of, madeOn, keptHow }: ShelfTestRecord) =>
		`${WHAT[of]}, made ${dayText(madeOn)}, ${keptHow}`;
</script>

<section class="border-rule mt-8 border-t pt-4" aria-labelledby="shelf-life-heading" id="shelf-tests">
	<h2 id="shelf-life-heading">How long it keeps</h2>
	<p class="text-quiet max-w-prose text-sm">
		Your own tests, each day as you found it. Keep more than one pack, as your customers keep it, and go on
		until it is no longer good.
	</p>
	{#if days !== null}
		<p class="mt-2" data-testid="borne-out">
			Your tests bear out <b>{plural(days, 'day')}</b> from making: up to then every one was good.
			{#if days > 0}<button type="button" class="underline" onclick={() => ontake(days)}
					>Print {plural(days, 'day')}</button
				>{/if}
		</p>
	{/if}
	{#each unsold as { of, days } (of)}
		<p class="mt-1" data-testid="borne-out-{of}">
			For {WHAT[of]}, your tests bear out <b>{plural(days, 'day')}</b>: what is made today is used by
			<b>{dayText(parseDate(today).add({ days }).toString())}</b>. Write it on the tub.
		</p>
	{/each}
	{#each tests as test (test.id)}
		<div class="mt-3 max-w-3xl">
			<h3 class="font-semibold">{nameOf(test)}</h3>
			{#if test.days.length === 0}
				<p class="text-quiet text-sm">Nothing was noted yet.</p>
			{:else}
				<ul class="text-sm">
					{#each test.days as each, index (index)}
						<li>
							<span class="figure">day {each.day}</span>:
							<b class={each.isGood ? 'text-squared' : 'text-loss'}>{each.isGood ? 'good' : 'not good'}</b
							>{each.found ? `, ${each.found}` : ''}
							{#if each.pictureId}
								<a href="/labels/{test.productId}/pictures/{each.pictureId}" class="mt-1 block w-fit">
									<img
										src="/labels/{test.productId}/pictures/{each.pictureId}"
										alt="Day {each.day}: {each.found || (each.isGood ? 'good' : 'not good')}"
										class="border-edge max-h-32 border"
										loading="lazy"
									/>
								</a>
							{/if}
						</li>
					{/each}
				</ul>
				<p class="text-quiet text-sm">Bears out {plural(daysOf(test) ?? 0, 'day')}.</p>
			{/if}
		</div>
	{/each}
	{#if tests.length > 0}
		<form
			method="POST"
			action="?/shelfDay{asked}"
			use:enhance={note.enhance}
			class="mt-3 max-w-3xl"
			aria-label="What was found"
		>
			<input type="hidden" name="draft" value={JSON.stringify({ id: note.key, ...noted, test: chosen })} />
			<Problems problems={note.problems} />
			<div class="grid items-start gap-4 sm:grid-cols-[2fr_1fr_1fr_2fr]">
				<Choice
					label="Of the test"
					bind:value={() => chosen, (value) => (noted.test = value)}
					options={tests.map((test) => ({ value: test.id, text: nameOf(test) }))}
				/>
				<Field label="Days after making" bind:value={noted.day} error={note.at('day')} inputmode="numeric" />
				<Choice
					label="It was"
					bind:value={
						() => (noted.isGood ? 'good' : 'not good'), (value) => (noted.isGood = value === 'good')
					}
					options={[
						{ value: 'good', text: 'good' },
						{ value: 'not good', text: 'not good' }
					]}
				/>
				<Field label="What you found" bind:value={noted.found} error={note.at('found')} maxlength={400} />
			</div>
			<label class="mt-3 block text-sm">
				<span class="font-medium">A picture of it</span>
				<input
					bind:this={chooser}
					type="file"
					accept="image/*"
					class="mt-1 block"
					aria-describedby="picture-hint"
					onchange={(event) => take(event.currentTarget.files?.[0])}
				/>
			</label>
			<p id="picture-hint" class={['text-sm', pictureTrouble ? 'text-loss' : 'text-quiet']} role="status">
				{pictureTrouble ||
					note.at('picture') ||
					(noted.picture ? 'ready to be noted' : 'Made small here; where it was taken is not kept')}
			</p>
			<button class="button mt-3" disabled={note.saving}>Note it</button>
		</form>
	{/if}
	<details class="mt-3 max-w-3xl" open={tests.length === 0}>
		<summary class="cursor-pointer font-semibold">Begin a test</summary>
		<form
			method="POST"
			action="?/shelfTest{asked}"
			use:enhance={begin.enhance}
			class="mt-2"
			aria-label="A shelf-life test"
		>
			<input type="hidden" name="draft" value={JSON.stringify({ id: begin.key, ...begun })} />
			<Problems problems={begin.problems} />
			<div class="grid items-start gap-4 sm:grid-cols-[3fr_2fr_3fr]">
				<Choice
					label="Of"
					bind:value={begun.of}
					options={Object.entries(WHAT).map(([value, text]) => ({ value: value as Tested, text }))}
				/>
				<DayField label="Made on" bind:value={begun.madeOn} error={begin.at('madeOn')} />
				<Field
					label="How it is kept"
					bind:value={begun.keptHow}
					error={begin.at('keptHow')}
					maxlength={200}
					hint="In which bag, where, how warm"
				/>
			</div>
			<button class="button mt-3" disabled={begin.saving}>Begin this test</button>
		</form>
	</details>
	<p class="caution mt-3">
		A shelf life is what you have tested and your authority accepts: nothing here predicts safety. What
		smells, looks or feels wrong is thrown away, not tasted.
	</p>
</section>
