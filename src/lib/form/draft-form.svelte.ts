import { readAll } from '$lib/read-again.ts';
import { applyAction } from '$app/forms';
import type { Problem } from '$core/problem.ts';
import type { ActionResult, SubmitFunction } from '@sveltejs/kit';
import { toast } from 'svelte-sonner';
import { onDestroy, tick } from 'svelte';
import { ulid } from 'ulid';
import { proving } from '../people/proving.svelte.ts';
import { UNPROVED } from '../people/unproved.ts';
import { busy } from '../ui/busy.ts';
import { atSending } from './first-problem.ts';
import { notMended } from './mended.ts';

/** A form whose draft lives in the page: what was typed stays whatever the server says. */
export interface DraftForm<Record> {
	readonly problems: readonly Problem[];
	/** What somebody else saved meanwhile; null unless the last save was stale. */
	readonly stale: Record | null;
	readonly saving: boolean;
	/** Of what is sent next: sent twice, it is kept once. */
	readonly key: string;
	/** The problem at a field, or nothing. */
	at(path: string): string;
	dismissStale(): void;
	enhance: SubmitFunction;
}

/** What an action gives back where it did something. */
type ActionData = Partial<{ [name: string]: unknown }>;

/**
 * The state of a draft form. `saved` says what came of it, so that two of them in a row can be told apart;
 * `onsaved` runs after a save, before what was saved is read again.
 */
export function draftForm<Record>(options: {
	saved: string | (() => string);
	/** With what the action gave back. */
	onsaved?: (data: ActionData) => void;
	/** The server would not take it, and it is not that somebody else saved meanwhile. */
	onrefused?: () => void;
	/** What is typed now and is sent, where the form's own hidden `draft` does not say it. */
	sends?: () => unknown;
	/** What is typed now, where what is sent is put together otherwise. */
	typed?: () => unknown;
}): DraftForm<Record> {
	let problems = $state.raw<readonly Problem[]>([]);
	let stale = $state.raw<Record | null>(null);
	let saving = $state(false);
	let key = $state(ulid());
	/** What was typed when the problems were told, and where to read what is typed now. */
	let told: unknown = null;
	let sentForm: HTMLFormElement | null = null;
	const typed = (): unknown => {
		const says = options.typed ?? options.sends;
		if (says) return says();
		const field = sentForm?.querySelector<HTMLInputElement>('input[type="hidden"][name="draft"]');
		return field ? JSON.parse(field.value) : null;
	};
	// Controls of several parts tell of a change by no event of their own: what may have changed one is enough.
	const CHANGING = ['input', 'change', 'click', 'keyup', 'pointerup'] as const;
	async function look(): Promise<void> {
		if (problems.length === 0 || told === null || saving) return;
		await tick();
		problems = notMended(problems, told, typed());
	}
	if (typeof document !== 'undefined') {
		for (const name of CHANGING) document.addEventListener(name, look);
		onDestroy(() => CHANGING.forEach((name) => document.removeEventListener(name, look)));
	}
	async function settle(result: ActionResult, toFirstProblem: () => Promise<void>): Promise<void> {
		if (result.type === 'failure') {
			stale = (result.data?.stale as Record | undefined) ?? null;
			problems = stale ? [] : ((result.data?.problems as Problem[] | undefined) ?? []);
			problems = notMended(problems, told, typed());
			if (!stale) options.onrefused?.();
			await toFirstProblem();
			return;
		}
		// Whatever is no word of success is none: what was typed stays.
		if (result.type !== 'success' && result.type !== 'redirect') {
			problems = [{ path: '', message: unreachable(result.error) }];
			return;
		}
		problems = [];
		stale = null;
		key = ulid();
		const said = typeof options.saved === 'string' ? options.saved : options.saved();
		options.onsaved?.(result.type === 'success' ? (result.data ?? {}) : {});
		toast.success(said);
		if (result.type === 'redirect') await applyAction(result);
		else await readAll();
	}
	return {
		get problems() {
			return problems;
		},
		get stale() {
			return stale;
		},
		get saving() {
			return saving;
		},
		get key() {
			return key;
		},
		at: (path) => problems.find((problem) => problem.path === path)?.message ?? '',
		dismissStale: () => {
			stale = null;
			problems = [];
		},
		enhance: ({ formElement, formData, submitter }) => {
			if (options.sends) formData.set('draft', JSON.stringify(options.sends()));
			saving = true;
			sentForm = formElement;
			told = copyOf(typed());
			const done = busy();
			const toFirstProblem = atSending(formElement);
			return async ({ result }) => {
				saving = false;
				// What is dear asks first who it is; then the very same is sent again.
				if (result.type === 'error' && result.status === UNPROVED) {
					done();
					if (await proving.ask()) formElement.requestSubmit(submitter);
					return;
				}
				await settle(result, toFirstProblem).finally(done);
			};
		}
	};
}

const copyOf = (draft: unknown): unknown => (draft ? JSON.parse(JSON.stringify(draft)) : null);

function unreachable(error: unknown): string {
	const { message = '', remedy = '' } = (error ?? {}) as { message?: string; remedy?: string };
	if (remedy !== '') return `${message} ${remedy}`;
	return /fetch|network/i.test(message)
		? 'the server does not answer: see that Square Batch runs, and save again'
		: message || 'the server could not save it: try again';
}
