import { csvText } from '$lib/server/csv-text.ts';
import { deedsAsked } from '$lib/server/edge/deeds.ts';
import { download } from '$lib/server/edge/download.ts';
import { allDeeds } from '$lib/server/people/deeds.ts';
import type { RequestHandler } from './$types';

/** What was done, as CSV: all that was asked for. */
export const GET: RequestHandler = ({ locals: { db, kitchen }, url }) =>
	download(async () => {
		const { of, bounds } = deedsAsked(url.searchParams, kitchen.timeZone);
		const deeds = await allDeeds(db, kitchen.id, of, bounds);
		return {
			name: 'who did what.csv',
			type: 'text/csv',
			body: csvText([
				['at_utc', 'who', 'device', 'did', 'of', 'where', 'from'],
				...deeds.map((deed) => [
					deed.at,
					deed.name,
					deed.device,
					deed.what,
					deed.ofWhat,
					deed.path,
					deed.fromWhere
				])
			])
		};
	});
