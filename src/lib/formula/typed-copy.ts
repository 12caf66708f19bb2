import { asWhom } from '../people/here.svelte.ts';
import type { FormulaDraft } from './draft.ts';

/** What this browser holds of a sheet until the server says that it has it. */
export interface TypedCopy {
	draft: FormulaDraft;
	/** What was sent of it and not answered yet, as `plainDraft` tells it: it may have arrived since. */
	sent: string[];
	/** It was sent, and the server was gone. */
	isUnreached: boolean;
}

const keyOf = (id: string): string => `square-batch-draft-${asWhom() ?? ''}-${id}`;

/** Holds it at once, so that leaving the page loses nothing; what it gives tells it from a later one. */
export function holdCopy(copy: TypedCopy): string {
	const text = JSON.stringify(copy);
	try {
		localStorage.setItem(keyOf(copy.draft.id), text);
	} catch {
		// No room in this browser: what is typed is on its way all the same.
	}
	return text;
}

/** What is held of a sheet; null where nothing is, or nothing that could be read. */
export function heldCopy(id: string): TypedCopy | null {
	try {
		const held: unknown = JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null');
		if (typeof held !== 'object' || held === null) return null;
		// Versions before held the draft alone.
		const copy = ('draft' in held ? held : { draft: held, sent: [], isUnreached: true }) as TypedCopy;
		return copy.draft.id === id && Array.isArray(copy.draft.lines) ? copy : null;
	} catch {
		return null;
	}
}

/** Lets it go; where `only` is given, only if that is still what is held. */
export function dropCopy(id: string, only?: string): void {
	if (only === undefined || localStorage.getItem(keyOf(id)) === only) localStorage.removeItem(keyOf(id));
}
