import { parseDate, parseTime, toCalendarDateTime, toZoned } from '@internationalized/date';
import { isOvernight, type DayWish } from '$core/planning/assemble.ts';
import { anotherOf } from '$core/planning/ways-out.ts';
import type { PlanBasis, PlanProduct, PlanWish } from './types.ts';

const MINUTE_MS = 60_000;
/** Packed so long before a place opens, where nobody said. */
const BEFORE_OPENING_MIN = 45;
const USUAL_PACKED = '08:15';
const HOUR_MIN = 60;
/** Kitchens are not worked before this in the evening before. */
const EVENING_FROM = '15:00';
const USUAL_EVENING = '21:00';
/** A dough held for days is begun so many evenings before. */
const MOST_EVENINGS = 4;

/** What is said of a day nobody planned yet. */
export function usualWish({ hours, people }: Pick<PlanBasis, 'hours' | 'people'>): PlanWish {
	return {
		packedBy: hours ? minutesBefore(hours.opens, BEFORE_OPENING_MIN) : USUAL_PACKED,
		packedEve: false,
		people: people.slice(0, 2),
		packs: {},
		earliest: '03:00',
		evening: '',
		reckoning: 'safe',
		pins: {},
		overnight: [],
		helpers: [],
		borrowed: [],
		without: [],
		rollsWhileCooking: true
	};
}

function minutesBefore(time: string, minutes: number): string {
	const [hour = 0, minute = 0] = time.split(':').map(Number);
	const at = Math.max(0, hour * HOUR_MIN + minute - minutes);
	return `${String(Math.floor(at / HOUR_MIN)).padStart(2, '0')}:${String(at % HOUR_MIN).padStart(2, '0')}`;
}

/** A time of a day in the kitchen's zone, in milliseconds. */
export const momentOf = (day: string, time: string, timeZone: string): number =>
	toZoned(toCalendarDateTime(parseDate(day), parseTime(time)), timeZone)
		.toDate()
		.getTime();

const dayBefore = (day: string, days: number): string => parseDate(day).subtract({ days }).toString();

/** When everything has to be packed, in milliseconds: a plan's minutes count from here. */
export function packedAt(day: string, { packedBy, packedEve }: PlanWish, timeZone: string): number {
	return momentOf(packedEve ? dayBefore(day, 1) : day, packedBy, timeZone);
}

/** Packs of a product that are to be made: those said, or those proposed. */
export const packsOf = (
	{ packs }: Pick<PlanWish, 'packs'>,
	product: Pick<PlanProduct, 'productId' | 'toMake'>
): number => packs[product.productId] ?? product.toMake;

/** Hours in which work may be done when the evening before counts too. */
export function withEvening(
	day: string,
	wish: PlanWish,
	timeZone: string,
	evenings = 1
): Pick<DayWish, 'earliest_min' | 'nights'> {
	const zero = packedAt(day, wish, timeZone);
	const minute = (at: number) => Math.round((at - zero) / MINUTE_MS);
	const until = wish.evening === '' ? USUAL_EVENING : wish.evening;
	const last = wish.packedEve ? dayBefore(day, 1) : day;
	const nights = Array.from({ length: evenings }, (_, nth) => ({
		from_min: minute(momentOf(dayBefore(last, nth + 1), until, timeZone)),
		to_min: minute(momentOf(dayBefore(last, nth), wish.earliest, timeZone))
	}));
	return {
		earliest_min: minute(
			momentOf(
				dayBefore(last, evenings),
				evenings > 1 ? wish.earliest : EVENING_FROM < until ? EVENING_FROM : wish.earliest,
				timeZone
			)
		),
		nights: nights.filter(({ from_min, to_min }) => to_min > from_min)
	};
}

/** What a day is planned with, from what there is and what was said. */
export function dayWishOf(basis: PlanBasis, wish: PlanWish, timeZone: string): DayWish {
	const zero = packedAt(basis.day, wish, timeZone);
	const last = wish.packedEve ? dayBefore(basis.day, 1) : basis.day;
	const wishes = basis.products
		.map((product) => ({
			id: product.productId,
			name: product.name,
			packs: packsOf(wish, product),
			packPieces: product.packPieces,
			ballWeight_g: product.ballWeight_g,
			rejectRate: product.rejectRate,
			steps: product.steps,
			paces: product.paces,
			allergens: product.allergens,
			tools: product.tools.filter((id) => !wish.without.includes(id)),
			overnight: wish.overnight.includes(product.productId),
			rollsWhileCooking: wish.rollsWhileCooking
		}))
		.filter(({ packs }) => packs > 0);
	const longest = Math.max(
		0,
		...wishes.map(({ steps }) =>
			steps.reduce((sum, { kind, minutesLow }) => sum + (kind === 'rest' ? (minutesLow ?? 0) : 0), 0)
		)
	);
	const evenings = Math.min(MOST_EVENINGS, Math.max(1, Math.ceil(longest / (24 * HOUR_MIN))));
	const needsEvening = wish.evening !== '' || wishes.some(isOvernight);
	const hours = needsEvening
		? withEvening(basis.day, wish, timeZone, evenings)
		: {
				earliest_min: Math.round((momentOf(last, wish.earliest, timeZone) - zero) / MINUTE_MS),
				nights: []
			};
	const tools = basis.tools.filter(({ id }) => !wish.without.includes(id));
	const plain: DayWish = {
		wishes,
		tools,
		people: Math.max(1, wish.people.length),
		helpers: wish.helpers.map((from_min) => ({ from_min, to_min: from_min + HOUR_MIN })),
		...hours,
		reckoning: wish.reckoning,
		pins: wish.pins
	};
	return tools
		.filter(({ id }) => wish.borrowed.includes(id))
		.reduce((sofar, tool) => anotherOf(tool, sofar), plain);
}
