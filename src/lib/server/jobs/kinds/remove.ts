import { removeForGood } from '../../life/remove.ts';
import type { Doing } from '../hands.ts';

/** By whom the kitchen is taken away. */
export interface RemoveAsked {
	name: string;
}

/** Takes a kitchen away with everything of it. Begun again, it goes on with what is left. */
export const remove: Doing = async ({ db, job, tell, signal }) => {
	const { name } = JSON.parse(job.asked) as RemoveAsked;
	await removeForGood(db, job.kitchenId, { personId: job.personId, name }, (done, of) => {
		signal.throwIfAborted();
		tell(done, of);
	});
	return { kitchenId: job.kitchenId };
};
