import { error } from '@sveltejs/kit';
import { calendarOf } from '$lib/server/plan/calendar.ts';
import { pageOfPlan } from '$lib/server/plan/page.ts';
import type { RequestHandler } from './$types';

/** A plan that was taken, for any calendar. */
export const GET: RequestHandler = async ({ locals: { db, kitchen }, params, url }) => {
	const { plan } = await pageOfPlan(db, kitchen, params.day, url.searchParams.get('place'));
	if (!plan.taken)
		error(404, {
			message: 'no plan was taken of this day.',
			remedy: 'Take the plan first: then it can go to a calendar.'
		});
	return new Response(calendarOf(kitchen, plan), {
		headers: {
			'content-type': 'text/calendar; charset=utf-8',
			'content-disposition': `attachment; filename="plan-${params.day}.ics"`
		}
	});
};
