import { deserialize } from '$app/forms';
import type { Problem } from '$core/problem.ts';
import { readAll } from '$lib/read-again.ts';
import { formulaDraft } from '$lib/formula/kept-draft.ts';
import { isBlank, plainDraft, type FormulaDraft } from '$lib/formula/draft.ts';
import { dropCopy, heldCopy, holdCopy } from '$lib/formula/typed-copy.ts';
import type { Formula } from '$lib/formula/types.ts';
import { tick } from 'svelte';
import { toast } from 'svelte-sonner';
import { atSending } from '$lib/form/first-problem.ts';
import { asHeader } from '$lib/people/here.svelte.ts';

/** What becomes of what is typed. */
export type Keeping = 'kept' | 'keeping' | 'waiting';

/** A pause in typing after which the draft is kept and can be undone to. */
const PAUSE_MS = 500;
const RETRY_MS = 3000;
const MOST_UNDO = 200;
/** So many of the last that were sent may have arrived unanswered. */
const MOST_SENT = 3;

/**
 * The state of a formula's sheet: what is typed, kept as a draft at every pause; undo and redo; a version
 * kept on purpose; and both sides where two people typed.
 */
export class Sheet {
	draft = $state() as FormulaDraft;
	keeping = $state<Keeping>('kept');
	/** What was refused when a version was to be kept. */
	problems = $state.raw<readonly Problem[]>([]);
	/** What somebody else saved meanwhile. */
	theirs = $state.raw<FormulaDraft | null>(null);
	saving = $state(false);
	/** Whether something was typed since the last pause. */
	touched = $state(false);
	#past = $state.raw<string[]>([]);
	#future = $state.raw<string[]>([]);
	/** The draft at the last pause, as text. */
	#settled = $state.raw('');
	/** The draft as the server has it. */
	#stored: string;
	/** What was sent last: the server may have it though it never said so. */
	#sentLately: string[] = [];
	/** How often the draft was, or is to be, read whole; one behind the other where something changed since. */
	#readings = $state(1);
	#read = 0;
	#pause: ReturnType<typeof setTimeout> | undefined;
	/** What is being sent; the next waits for it, so that each goes out with the version the last one gave. */
	#queue: Promise<void> = Promise.resolve();
	/** How much is being sent, or waits to be. */
	#asking = 0;
	/** The draft as it was when the server was asked to keep or drop it; null while nothing is asked. */
	#asked: string | null = null;

	constructor(draft: FormulaDraft) {
		this.draft = structuredClone(draft);
		this.#settled = this.#stored = this.#text();
	}

	/** The draft without its record version, as text: what undo and keeping compare. */
	#text(): string {
		return JSON.stringify({ ...this.draft, version: 0 });
	}

	/**
	 * Has to be read in an effect: follows what is typed and keeps it at every pause. The whole draft is read
	 * once a pause, never at a keystroke: what changes first afterwards only starts the pause.
	 */
	follow(): () => void {
		if (this.#read === this.#readings) {
			this.touched = true;
			if (!this.theirs) this.keeping = 'keeping';
			this.typedOn();
		} else {
			this.#read = this.#readings;
			const text = this.#text();
			this.touched = text !== this.#settled;
			if (!this.theirs) this.keeping = text === this.#stored ? 'kept' : 'keeping';
			if (this.touched || (text !== this.#stored && this.#asking === 0)) this.typedOn();
		}
		return () => clearTimeout(this.#pause);
	}

	/** Something more is typed: the pause begins anew. */
	typedOn(): void {
		clearTimeout(this.#pause);
		this.#pause = setTimeout(() => this.#settle(), PAUSE_MS);
	}

	#settle(): void {
		this.#remember();
		this.touched = false;
		this.#readings++;
		void this.flush();
	}

	#remember(): void {
		const text = this.#text();
		if (text === this.#settled) return;
		this.#past = [...this.#past.slice(-MOST_UNDO), this.#settled];
		this.#future = [];
		this.#settled = text;
	}

	/** The draft as it stood at the last pause. */
	get atPause(): FormulaDraft {
		return JSON.parse(this.#settled) as FormulaDraft;
	}

	get canUndo(): boolean {
		return this.#past.length > 0 || this.touched;
	}
	get canRedo(): boolean {
		return this.#future.length > 0;
	}

	undo(): void {
		this.#remember();
		const before = this.#past.at(-1);
		if (before === undefined) return;
		this.#past = this.#past.slice(0, -1);
		this.#future = [...this.#future, this.#settled];
		this.#restore(before);
	}

	redo(): void {
		const after = this.#future.at(-1);
		if (after === undefined || this.#text() !== this.#settled) return;
		this.#future = this.#future.slice(0, -1);
		this.#past = [...this.#past, this.#settled];
		this.#restore(after);
	}

	#restore(text: string): void {
		this.#settled = text;
		this.draft = { ...(JSON.parse(text) as FormulaDraft), version: this.draft.version };
		this.#readings++;
	}

	/** Sends what is typed to the server, one after the other; keeps it in the browser while it cannot. */
	flush(): Promise<void> {
		clearTimeout(this.#pause);
		// Held before anything waits: the page may be left, and opened again before the server has it.
		if (this.#text() !== this.#stored) this.#hold(false);
		return this.#inTurn(async () => {
			const text = this.#text();
			if (text !== this.#stored && !this.theirs) await this.#send(text);
		});
	}

	#inTurn(job: () => Promise<void>): Promise<void> {
		this.#asking++;
		const turn = this.#queue.then(job).finally(() => this.#asking--);
		this.#queue = turn.catch(() => undefined);
		return turn;
	}

	#hold(isUnreached: boolean): string {
		return holdCopy({ draft: this.draft, sent: this.#sentLately, isUnreached });
	}

	async #send(text: string): Promise<void> {
		this.keeping = 'keeping';
		this.#sentLately = [...this.#sentLately.slice(1 - MOST_SENT), plainDraft(this.draft)];
		const held = this.#hold(false);
		try {
			const response = await fetch(`/formulas/${this.draft.id}/draft`, {
				method: 'PUT',
				headers: { 'content-type': 'application/json', ...asHeader() },
				body: JSON.stringify(this.draft),
				// Leaving the page does not stop what was typed from arriving.
				keepalive: true
			});
			const answer = (await response.json()) as { version?: number; current?: Formula };
			if (response.status === 409 && answer.current) {
				await this.#meet(formulaDraft(answer.current));
				return;
			}
			if (!response.ok || answer.version === undefined) throw new Error('not kept');
			this.draft.version = answer.version;
			this.#stored = text;
			this.#readings++;
			dropCopy(this.draft.id, held);
			this.keeping = this.#text() === text ? 'kept' : 'keeping';
		} catch {
			this.#hold(true);
			// It may have arrived all the same: what the server has is not known until it answers.
			this.#stored = '';
			this.keeping = 'waiting';
			this.#pause = setTimeout(() => void this.flush(), RETRY_MS);
		}
	}

	/** The server has something else: what was sent from here before and never answered, or what somebody else typed. */
	async #meet(current: FormulaDraft): Promise<void> {
		if (this.#sentLately.includes(plainDraft(current)) && current.version !== this.draft.version) {
			this.draft.version = current.version;
			await this.#send(this.#text());
			return;
		}
		this.theirs = current;
		this.keeping = 'waiting';
	}

	/** Takes up what was typed here and had not arrived when the sheet was read. */
	takeUpCopy(): void {
		const copy = heldCopy(this.draft.id);
		if (!copy) return;
		const loaded = plainDraft(this.draft);
		if (plainDraft(copy.draft) === loaded) {
			dropCopy(this.draft.id);
			return;
		}
		this.#sentLately = copy.sent;
		const version = copy.sent.includes(loaded) ? this.draft.version : copy.draft.version;
		this.draft = { ...copy.draft, version };
		this.#readings++;
		if (copy.isUnreached) toast('What you typed while the server was gone is here again.');
	}

	/** What is sent: blank lines at the end are left out, so that line numbers stay the page's. */
	#sent(): FormulaDraft {
		const { lines } = this.draft;
		const last = lines.findLastIndex((line) => !isBlank(line));
		return { ...this.draft, lines: lines.slice(0, last + 1) };
	}

	/** The problem at a field, or nothing. */
	at = (path: string): string => this.problems.find((problem) => problem.path === path)?.message ?? '';

	/** Keeps a version of what is typed. */
	async keep(): Promise<void> {
		this.saving = true;
		try {
			await this.flush();
			if (this.theirs) return;
			await this.#act('keep', () => this.#sent(), 'Kept');
		} finally {
			this.saving = false;
		}
	}

	/** Goes back to the version kept last. */
	async discard(): Promise<void> {
		await this.flush();
		await this.#act('discard', () => ({ version: this.draft.version }), 'Back at the version kept last');
	}

	#act(action: string, draft: () => unknown, done: string): Promise<void> {
		return this.#inTurn(() => this.#ask(action, draft(), done));
	}

	async #ask(action: string, draft: unknown, done: string): Promise<void> {
		const body = new FormData();
		body.set('draft', JSON.stringify(draft));
		const asked = this.#text();
		const toFirstProblem = atSending();
		try {
			const response = await fetch(`/formulas/${this.draft.id}?/${action}`, {
				method: 'POST',
				body,
				headers: { 'x-sveltekit-action': 'true' }
			});
			const result = deserialize(await response.text());
			if (result.type === 'failure') {
				const { stale, problems } = result.data as { stale?: Formula; problems?: Problem[] };
				this.theirs = stale ? formulaDraft(stale) : null;
				this.problems = stale ? [] : (problems ?? []);
				await toFirstProblem();
				return;
			}
			if (result.type === 'error')
				throw new Error((result.error as { message?: string } | undefined)?.message ?? '');
			this.problems = [];
			toast.success(done);
			this.#asked = asked;
			await readAll();
			await tick();
		} catch (error) {
			const message = error instanceof Error ? error.message : '';
			this.problems = [
				{
					path: '',
					message: /fetch|network/i.test(message)
						? 'the server does not answer: see that Square Batch runs, and try again'
						: message || 'the server could not do it: try again'
				}
			];
		}
	}

	/**
	 * Takes what the server has now, when it was asked for. What else arrives leaves the sheet alone, and so
	 * does the answer to what was typed before more was.
	 */
	take(draft: FormulaDraft): void {
		const asked = this.#asked;
		this.#asked = null;
		if (asked === null) return;
		if (asked !== this.#text()) {
			this.draft.version = draft.version;
			this.draft.productId = draft.productId;
			this.#readings++;
			return;
		}
		this.draft = structuredClone(draft);
		this.#readings++;
		this.#stored = this.#text();
		this.#settled = this.#stored;
		this.keeping = 'kept';
	}

	takeTheirs(): void {
		if (!this.theirs) return;
		this.#remember();
		this.draft = structuredClone(this.theirs);
		this.#readings++;
		this.#stored = this.#text();
		this.theirs = null;
		dropCopy(this.draft.id);
		this.keeping = 'kept';
	}

	async keepMine(): Promise<void> {
		if (!this.theirs) return;
		this.draft.version = this.theirs.version;
		this.#readings++;
		this.theirs = null;
		this.#stored = '';
		await this.flush();
	}
}
