import { deserialize } from '$app/forms';
import { toast } from 'svelte-sonner';

/** Sends a document to an action of the open formula beside its form; what it answers, null where it could not. */
export async function act(
	formulaId: string,
	action: string,
	draft: unknown
): Promise<Record<string, unknown> | null> {
	const body = new FormData();
	body.set('draft', JSON.stringify(draft));
	try {
		const response = await fetch(`/formulas/${formulaId}?/${action}`, {
			method: 'POST',
			body,
			headers: { 'x-sveltekit-action': 'true' }
		});
		const result = deserialize(await response.text());
		if (result.type === 'success') return result.data ?? {};
	} catch {
		// Said below: whatever failed, nothing was done.
	}
	toast.error('The server could not do that: try again.');
	return null;
}
