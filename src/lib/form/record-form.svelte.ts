import { tick, untrack } from 'svelte';
import { draftForm, type DraftForm } from './draft-form.svelte.ts';

/** A draft form over a versioned record that more than one person may have open. */
export interface RecordForm<Record, Draft> extends Omit<DraftForm<Record>, 'stale' | 'dismissStale'> {
	/** What is typed. */
	draft: Draft;
	/** What somebody else saved meanwhile, as a draft; null unless the last save was stale. */
	readonly theirs: Draft | null;
	takeTheirs(): void;
	saveMine(): Promise<void>;
	/** Sends this draft in the place of what is typed, which stays. */
	saveOnly(draft: Draft): Promise<void>;
	/** The form's element, for saving by key. */
	element: HTMLFormElement | undefined;
	saveByKey(event: KeyboardEvent): void;
}

/**
 * The state of a record's form. The draft follows `fresh` when another record is opened, when the save of
 * this one was answered, and as long as nothing was typed; whatever else arrives leaves what is typed alone.
 */
export function recordForm<Record, Draft extends { id: string; version: number }>(options: {
	saved: string;
	fresh: () => Draft;
	draftOf: (record: Record) => Draft;
}): RecordForm<Record, Draft> {
	let draft = $state(untrack(() => copy(options.fresh())));
	/** The draft as it came, for telling whether anything was typed into it. */
	let came = untrack(() => JSON.stringify(draft));
	let element = $state<HTMLFormElement>();
	let answered = false;
	/** The draft as it was sent, for telling what was typed while the answer was on its way. */
	let sent = '';
	/** What is sent in the place of what is typed. */
	let instead: Draft | null = null;
	const form = draftForm<Record>({
		saved: options.saved,
		onsaved: () => (answered = true),
		typed: () => $state.snapshot(draft)
	});
	$effect(() => {
		const fresh = options.fresh();
		const untouched = untrack(() => JSON.stringify(draft)) === came;
		if (!answered && !untouched && fresh.id === untrack(() => draft.id)) return;
		const typedMeanwhile = answered && untrack(() => JSON.stringify(draft)) !== sent;
		answered = false;
		if (typedMeanwhile) draft.version = fresh.version;
		else {
			draft = copy(fresh);
			came = untrack(() => JSON.stringify(draft));
		}
	});
	const theirs = $derived(form.stale ? options.draftOf(form.stale) : null);
	return {
		get draft() {
			return draft;
		},
		set draft(value) {
			draft = value;
		},
		get theirs() {
			return theirs;
		},
		get element() {
			return element;
		},
		set element(value) {
			element = value;
		},
		get problems() {
			return form.problems;
		},
		get saving() {
			return form.saving;
		},
		get key() {
			return form.key;
		},
		at: form.at,
		enhance: (input) => {
			sent = JSON.stringify(instead ?? draft);
			input.formData.set('draft', sent);
			instead = null;
			return form.enhance(input);
		},
		takeTheirs: () => {
			if (theirs) draft = theirs;
			form.dismissStale();
		},
		saveMine: async () => {
			if (theirs) draft.version = theirs.version;
			form.dismissStale();
			await tick();
			element?.requestSubmit();
		},
		saveOnly: async (only) => {
			instead = only;
			await tick();
			element?.requestSubmit();
		},
		saveByKey: (event) => {
			if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 's') return;
			event.preventDefault();
			element?.requestSubmit();
		}
	};
}

/** A deep copy that is the page's own: the loaded record stays as it came. */
function copy<T>(value: T): T {
	return structuredClone($state.snapshot(value)) as T;
}
