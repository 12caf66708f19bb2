import { cut } from '$core/measure/text.ts';
import { redirect } from '@sveltejs/kit';
import { findCode } from '$lib/server/trace/find.ts';
import type { PageServerLoad } from './$types';

const LONGEST_CODE = 80;

export const load: PageServerLoad = async ({ locals: { db, kitchen }, url }) => {
	const code = cut(url.searchParams.get('code') ?? '', LONGEST_CODE);
	const found = await findCode(db, kitchen.id, code);
	const [only] = found;
	if (only && found.length === 1) redirect(303, `/trace/${only.kind}/${only.id}`);
	return { code, found };
};
