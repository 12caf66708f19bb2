import { isOvernight, type DayWish, type Wish } from './assemble.ts';
import { toolResource, type Tool } from './making.ts';
import { planWish, type PlannedDay, type Time } from './plan.ts';

/** Another way the day could be, and what it would come to. */
export interface WayOut {
	kind: 'tool' | 'helper' | 'person' | 'overnight' | 'fewer' | 'evening';
	/** What it is about: a tool's, or a product's. */
	of: string;
	/** Of a helper, when; of fewer packs, how many are left. */
	from_min: number | null;
	packs: number | null;
	late_min: number;
	firstStart_min: number;
}

/** So much later, or less late, a way out has to be worth saying. */
const WORTH_MIN = 5;
/** A helper comes for an hour. */
const HOUR_MIN = 60;
/** So many ways a helper's hour may lie are tried. */
const HOURS_TRIED = 6;
const FEWER_PACKS = 2;
/** A day with a night in it takes so much longer to plan. */
const NIGHT_WEIGHT = 4;

/**
 * Ways that would let the day be in time, or begin later, each tried (section 17): another griddle, oven or bowl, one
 * more who helps all along or for an hour, a dough chilled overnight, fewer packs. The best first; those that change
 * nothing are left out.
 */
export function waysOut(
	wish: DayWish,
	now: PlannedDay,
	{ budget_ms, clock }: Time,
	evening: Pick<DayWish, 'earliest_min' | 'nights'> | null
): WayOut[] {
	const tried = triesOf(wish, now, evening);
	const until = clock() + budget_ms;
	const weights = tried.map(({ kind }) => (kind === 'evening' || kind === 'overnight' ? NIGHT_WEIGHT : 1));
	let weightLeft = weights.reduce((sum, weight) => sum + weight, 0);
	const ways = tried.flatMap(({ changed, ...way }, nth): WayOut[] => {
		const weight = weights[nth] ?? 1;
		const share = Math.max(1, ((until - clock()) * weight) / weightLeft);
		weightLeft -= weight;
		const found = planWish(changed, { budget_ms: share, clock }, now, false);
		if (!found.ok) return [];
		const { late_min, firstStart_min } = found.value.plan;
		const isWorth =
			now.plan.late_min > 0
				? now.plan.late_min - late_min >= Math.min(WORTH_MIN, now.plan.late_min)
				: late_min === 0 && firstStart_min - now.plan.firstStart_min >= WORTH_MIN;
		return isWorth ? [{ ...way, late_min, firstStart_min }] : [];
	});
	const best = new Map<string, WayOut>();
	for (const way of ways) {
		const key = `${way.kind} ${way.of}`;
		const known = best.get(key);
		if (!known || isBetter(way, known)) best.set(key, way);
	}
	return [...best.values()].sort((a, b) => (isBetter(a, b) ? -1 : 1));
}

const isBetter = (a: WayOut, b: WayOut): boolean =>
	a.late_min < b.late_min || (a.late_min === b.late_min && a.firstStart_min > b.firstStart_min);

/** A way before it is tried. */
export type Try = Omit<WayOut, 'late_min' | 'firstStart_min'> & { changed: DayWish };

/** Every way that is tried, with the day as it would be wished then. */
export function triesOf(
	wish: DayWish,
	now: PlannedDay,
	evening: Pick<DayWish, 'earliest_min' | 'nights'> | null
): Try[] {
	const none = { from_min: null, packs: null };
	const tries: Try[] = [];
	for (const tool of oneOfEachKind(wish, now)) {
		const more = anotherOf(tool, wish);
		tries.push({ kind: 'tool', of: tool.id, ...none, changed: more });
	}
	tries.push({ kind: 'person', of: '', ...none, changed: { ...wish, people: wish.people + 1 } });
	const first = now.plan.firstStart_min;
	const step = Math.max(HOUR_MIN / 2, Math.ceil((-first - HOUR_MIN) / (HOURS_TRIED - 1)));
	for (let nth = 0; nth < HOURS_TRIED; nth++) {
		const from_min = first + nth * step;
		if (nth > 0 && from_min + HOUR_MIN > 0) break;
		const helper = { from_min, to_min: from_min + HOUR_MIN };
		// Nobody comes to help at night.
		if (wish.nights.some((night) => night.from_min < helper.to_min && helper.from_min < night.to_min))
			continue;
		tries.push({
			kind: 'helper',
			of: '',
			from_min,
			packs: null,
			changed: { ...wish, helpers: [...wish.helpers, helper] }
		});
	}
	for (const each of wish.wishes) {
		const isDough = each.steps.some(({ kind }) => kind === 'divide');
		if (evening && isDough && each.packs > 0 && !isOvernight(each))
			tries.push({
				kind: 'overnight',
				of: each.id,
				...none,
				changed: { ...withWish(wish, { ...each, overnight: true }), ...evening }
			});
		const packs = each.packs - FEWER_PACKS;
		if (packs >= 1)
			tries.push({
				kind: 'fewer',
				of: each.id,
				from_min: null,
				packs,
				changed: withWish(wish, { ...each, packs })
			});
	}
	if (evening && now.plan.late_min > 0)
		tries.push({ kind: 'evening', of: '', ...none, changed: { ...wish, ...evening } });
	return tries;
}

const withWish = (wish: DayWish, changed: Wish): DayWish => ({
	...wish,
	wishes: wish.wishes.map((each) => (each.id === changed.id ? changed : each))
});

/** A griddle, an oven or a bowl that is used in the plan: of each kind the busiest. */
function oneOfEachKind({ tools }: DayWish, { lanes }: PlannedDay): Tool[] {
	const busy = (tool: Tool) =>
		lanes
			.find(({ id }) => id === toolResource(tool.id))
			?.stretches.reduce((sum, { from_min, to_min }) => sum + to_min - from_min, 0) ?? 0;
	const used = tools.filter((tool) => ['griddle', 'oven', 'bowl'].includes(tool.kind) && busy(tool) > 0);
	return used
		.toSorted((a, b) => busy(b) - busy(a))
		.filter((tool, at, all) => all.findIndex(({ kind }) => kind === tool.kind) === at);
}

/** One more like a tool, for whatever may be made with it. */
export function anotherOf(tool: Tool, wish: DayWish): DayWish {
	const id = `${tool.id}+`;
	return {
		...wish,
		tools: [...wish.tools, { ...tool, id, name: `Another ${tool.name.toLowerCase()}` }],
		wishes: wish.wishes.map((each) =>
			each.tools.includes(tool.id) ? { ...each, tools: [...each.tools, id] } : each
		)
	};
}
