import ical, { ICalAlarmType } from 'ical-generator';
import { assembleDay } from '$core/planning/assemble.ts';
import { dayWishOf, packedAt } from '../../plan/day-wish.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { KeptPlan } from '../../plan/types.ts';
import { refuse } from '../errors.ts';

const MINUTE_MS = 60_000;
const ALARM_BEFORE_S = 5 * 60;

/** A plan that was taken as a calendar: what is worked by hand, when, with an alarm before each. Throws `Refused`. */
export function calendarOf(kitchen: Kitchen, plan: KeptPlan): string {
	const { taken } = plan;
	if (!taken) return refuse('', 'take the plan first: then it can go to a calendar');
	const { tasks, makes } = assembleDay(dayWishOf(taken.basis, taken.wish, kitchen.timeZone));
	const zero = packedAt(taken.basis.day, taken.wish, kitchen.timeZone);
	const at = (minute: number) => new Date(zero + minute * MINUTE_MS);
	const calendar = ical({
		name: `${kitchen.name}: ${taken.basis.place}`,
		prodId: { company: 'Square Batch', product: 'Plan', language: 'EN' },
		timezone: kitchen.timeZone
	});
	for (const of of tasks) {
		const said = taken.tasks.find(({ key }) => key === of.key);
		const minutes = of.task.modes[said?.mode ?? 0]?.minutes ?? 0;
		if (!said || minutes === 0) continue;
		const make = makes.find(({ id }) => id === of.make);
		const words = `${of.words[0]?.toUpperCase() ?? ''}${of.words.slice(1)}: ${make?.name ?? ''}`;
		calendar
			.createEvent({
				// The same task keeps its id when the plan is sent again: it moves and is not there twice.
				id: `${plan.id}-${of.key.replaceAll(' ', '-')}`,
				start: at(said.start_min),
				end: at(said.start_min + minutes),
				timezone: kitchen.timeZone,
				summary: words,
				description: make ? `${make.pieces} pieces, ${make.packs} packs` : ''
			})
			.createAlarm({ type: ICalAlarmType.display, triggerBefore: ALARM_BEFORE_S, description: words });
	}
	calendar.createEvent({
		id: `${plan.id}-packed`,
		start: at(0),
		timezone: kitchen.timeZone,
		summary: 'Everything packed'
	});
	return calendar.toString();
}
