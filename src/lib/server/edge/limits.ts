import type { RequestEvent } from '@sveltejs/kit';
import { BEYOND, limitWords } from '../../kitchen/limits.ts';
import { keptLimits, most, usageOf } from '../life/limits.ts';
import { countRequest } from '../life/requests.ts';
import type { TurnedAway } from './turned-away.ts';

/** What is begun goes on at a full kitchen, for a while: a batch at the bench, a stall. */
const GOES_ON = /\/entries\.json$/;
/** Taking all of it along or away, and one's own things: however full it is. */
const ALWAYS = /^\/(kitchen\/data|jobs|door|me|people|left\.json)(\/|$)/;

const isReading = (method: string) => method === 'GET' || method === 'HEAD' || method === 'OPTIONS';

/** Why a request of somebody in a kitchen is beyond what the kitchen may take of the installation; null where it is not. */
export async function beyondLimits(
	{ locals: { db }, request, route }: RequestEvent,
	kitchenId: string
): Promise<TurnedAway | null> {
	const asked = countRequest(db, `kitchen ${kitchenId}`);
	if (asked > most('KITCHEN_REQUESTS'))
		return {
			status: 429,
			message: 'This kitchen asks more in a minute than it may here.',
			remedy: 'Wait a minute, then go on: nothing that was entered is lost.',
			again: true
		};
	if (isReading(request.method) || ALWAYS.test(route.id ?? '')) return null;
	const usage = await usageOf(db, kitchenId);
	if (!usage) return null;
	const { rows, bytes } = keptLimits(usage);
	const share = Math.max(rows.has / rows.most, bytes.has / bytes.most);
	if (share < (GOES_ON.test(route.id ?? '') ? BEYOND : 1)) return null;
	return {
		status: 507,
		message: 'This kitchen is full: it keeps as much as it may here.',
		remedy: `It has ${limitWords('rows', rows)} and ${limitWords('bytes', bytes)}. What is begun at a bench or a stall is still taken. Ask whoever runs this installation for more, or take the kitchen to another by its archive.`
	};
}
