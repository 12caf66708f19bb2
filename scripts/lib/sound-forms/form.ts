import type { Kitchen } from '../../../src/lib/kitchen/types.ts';

/** A form as a person would send it. */
export interface SoundForm {
	/** Where it is of a record. */
	id?: string;
	/** Where it is not of the kitchen all else is of: the practice kitchen it is sent in. */
	kitchen?: Kitchen;
	/** What most forms send: a document. */
	draft?: unknown;
	/** Whether its document's own id is of what it begins: sent with another, it begins another. */
	isNew?: boolean;
	/** What others send. */
	fields?: Record<string, string>;
}

export type Making = () => Promise<SoundForm>;

/** A form's fields as a browser sends them. */
export function formDataOf({ draft, fields = {} }: SoundForm): FormData {
	const form = new FormData();
	if (draft !== undefined) form.set('draft', JSON.stringify(draft));
	for (const [name, value] of Object.entries(fields)) form.set(name, value);
	return form;
}
