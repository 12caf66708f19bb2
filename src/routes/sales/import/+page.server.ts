import { keyOf, textOf } from '$lib/server/edge/validated.ts';
import { optionsForm } from '$lib/server/edge/sale.ts';
import { rulesOf } from '$core/rules/index.ts';
import { fail, redirect } from '@sveltejs/kit';
import { plural } from '$lib/format.ts';
import { attempt } from '$lib/server/edge/actions.ts';
import { memberIn, whoIn } from '$lib/server/edge/door/door.ts';
import type { SalesImportAsked } from '$lib/server/jobs/kinds/sales-import.ts';
import { askJobWith } from '$lib/server/jobs/given.ts';
import { lookForJobs } from '$lib/server/jobs/taking.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { channelsUsed } from '$lib/server/sales/ledger.ts';
import { importPastSales, previewPastSales, type PastOptions } from '$lib/server/sales/past/import.ts';
import { DAY_ORDERS, PAST_COLUMNS } from '$lib/server/sales/past/read.ts';
import { ulid } from 'ulid';
import type { Actions, PageServerLoad } from './$types';

const MOST_CHARACTERS = 1_000_000;
/** So many rows are in before somebody wonders; more are long work. */
const MOST_AT_ONCE = 300;

/** Has rows brought in by whichever process has time, and leads to where it is seen how far that is. */
async function importBeside(
	locals: App.Locals,
	text: string,
	options: PastOptions,
	lines: number[],
	key: string
): Promise<never> {
	const { db, kitchen } = locals;
	const membership = memberIn(locals);
	const asked: SalesImportAsked = { options, lines, membershipId: membership.id };
	await askJobWith(
		db,
		{
			id: key,
			kitchenId: kitchen.id,
			personId: whoIn(locals).personId,
			kind: 'sales import',
			name: plural(lines.length, 'row'),
			asked
		},
		[new TextEncoder().encode(text)]
	);
	lookForJobs();
	redirect(303, `/jobs/${key}`);
}

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const [channels, { profile }] = await Promise.all([
		channelsUsed(db, kitchen.id),
		getProfile(db, kitchen.id)
	]);
	return {
		columns: PAST_COLUMNS,
		channels: [...new Set([...(profile?.channels ?? []), ...channels])],
		/** How people write days where the rules are those of the kitchen. */
		order: rulesOf(kitchen.rules).dayFirst ? DAY_ORDERS[1] : DAY_ORDERS[2]
	};
};

async function asked(request: Request): Promise<{ form: FormData; text: string; options: PastOptions }> {
	const form = await request.formData();
	const file = form.get('file');
	const text = file instanceof File && file.size > 0 ? await file.text() : textOf(form, 'text');
	const said = optionsForm.validate({
		order: form.get('order'),
		channel: form.get('channel'),
		from: form.get('from')
	}).value as { order: PastOptions['order']; channel: string; from: 'batches' | 'none' };
	return {
		form,
		text,
		options: { order: said.order, channel: said.channel, fromBatches: said.from === 'batches' }
	};
}

export const actions: Actions = {
	preview: async ({ locals: { db, kitchen }, request }) => {
		const { text, options } = await asked(request);
		const refuse = (message: string) => fail(400, { problems: [{ path: '', message }], text, options });
		if (text.trim() === '') return refuse('choose a file or paste its rows');
		// Not sent back: who typed has it in the page still.
		if (text.length > MOST_CHARACTERS)
			return fail(400, {
				problems: [{ path: '', message: 'the file is too long to be brought in at once' }],
				options
			});
		const rows = await attempt(() => previewPastSales(db, kitchen, text, options));
		return Array.isArray(rows)
			? { rows, text, options, key: ulid() }
			: fail(400, { problems: rows.data.problems, text, options });
	},
	import: async ({ locals, request }) => {
		const { db, kitchen } = locals;
		const { form, text, options } = await asked(request);
		const lines = new Set(form.getAll('line').map(Number));
		if (lines.size > MOST_AT_ONCE) await importBeside(locals, text, options, [...lines], keyOf(form));
		const done = await attempt(() => importPastSales(db, kitchen, text, options, lines, keyOf(form)));
		return 'rows' in done ? { done } : fail(400, { problems: done.data.problems, text, options });
	}
};
