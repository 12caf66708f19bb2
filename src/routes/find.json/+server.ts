import { json } from '@sveltejs/kit';
import { findable } from '$lib/server/find.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ locals: { db, kitchen } }) =>
	json(await findable(db, kitchen.id));
