import { isRedirect, type Action, type RequestEvent } from '@sveltejs/kit';
import { formDataOf, type SoundForm } from '../../scripts/lib/sound-forms/form.ts';
import { whileAsking } from '$lib/server/db/asker.ts';
import type { Database } from '$lib/server/db/connection.ts';
import type { Kitchen } from '../../src/lib/kitchen/types.ts';
import type { Who } from '../../src/lib/people/types.ts';

const PAGES = import.meta.glob('../../src/routes/**/+page.server.ts');

/** Who sends, and from which kitchen. */
export interface Sender {
	db: Database;
	kitchen: Kitchen;
	who: Who;
}

/** Sends a form to its action, as its page would; what came of it, in a word. */
export async function sendForm(
	{ db, kitchen, who }: Sender,
	form: string,
	sound: SoundForm
): Promise<string> {
	const [path = '', action = ''] = form.split(' ');
	const { actions } = (await PAGES[`../../src/routes${path}/+page.server.ts`]?.()) as {
		actions: Record<string, Action>;
	};
	const event = {
		locals: { db, kitchen: sound.kitchen ?? kitchen, requestId: '', who, deviceToken: null },
		params: { id: sound.id ?? '', day: sound.id ?? '', job: sound.id ?? '', of: 'label' },
		url: new URL(`http://127.0.0.1${path}`),
		request: new Request(`http://127.0.0.1${path}`, { method: 'POST', body: formDataOf(sound) }),
		cookies: { set: () => undefined, delete: () => undefined, get: () => undefined },
		getClientAddress: () => '127.0.0.1'
	} as unknown as RequestEvent;
	try {
		const answer = (await whileAsking({ personId: who.personId, act: form }, async () =>
			actions[action]?.(event)
		)) as { status?: number; data?: unknown } | undefined;
		return answer?.status === undefined ? 'done' : `${answer.status} ${JSON.stringify(answer.data)}`;
	} catch (thrown) {
		if (isRedirect(thrown)) return 'done';
		return `thrown ${String(thrown)} ${JSON.stringify(thrown)}`;
	}
}
