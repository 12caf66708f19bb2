import { redirect } from '@sveltejs/kit';

/** The work of the day is at the bench. */
export const load = () => redirect(307, '/batches');
