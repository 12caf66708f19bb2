import { PEOPLE } from './day.ts';
import type { AssembledDay, DayWish } from './assemble.ts';
import { toolResource, type ToolKind } from './making.ts';

/** Something that is on a lane from one minute to another. */
export interface Stretch {
	/** The task's place in the day. */
	place: number;
	from_min: number;
	to_min: number;
	/** Only kept: a dough in its bowl, a rest in the fridge. */
	kept: boolean;
}

export interface Lane {
	/** `people 0`, or the resource of a tool. */
	id: string;
	stretches: Stretch[];
}

/** How a plan was worked out: ways and starts, in the order of the day's tasks. */
export interface Timed {
	modes: readonly number[];
	starts: readonly number[];
}

/** Tools in the order they are shown: the heat first, it is what mostly limits. */
const ON_LANES: readonly ToolKind[] = ['griddle', 'oven', 'bowl', 'board', 'fridge', 'other'];

/**
 * Who and what does when: a lane for each pair of hands and each tool. A task goes to whoever is free and did the last
 * of the same batch, or else has done least.
 */
export function lanesOf({ day, tasks }: AssembledDay, { modes, starts }: Timed, wish: DayWish): Lane[] {
	const people = Array.from({ length: day.resources[PEOPLE] ?? 0 }, (_, nth): Lane => ({
		id: `${PEOPLE} ${nth}`,
		stretches: []
	}));
	const tools = new Map(
		wish.tools
			.toSorted((a, b) => ON_LANES.indexOf(a.kind) - ON_LANES.indexOf(b.kind))
			.map(({ id }): [string, Lane] => [toolResource(id), { id: toolResource(id), stretches: [] }])
	);
	const lastOf = new Map<string, Lane>();
	const modeOf = (place: number) => tasks[place]?.task.modes[modes[place] ?? 0];
	const inOrder = [...tasks.keys()].sort((a, b) => (starts[a] ?? 0) - (starts[b] ?? 0) || a - b);
	for (const place of inOrder) {
		const of = tasks[place];
		const mode = modeOf(place);
		if (!of || !mode) continue;
		const from_min = starts[place] ?? 0;
		const stretch: Stretch = { place, from_min, to_min: from_min + mode.minutes, kept: false };
		const free = people
			.filter((lane, nth) => isFree(lane, stretch) && isThere(nth, stretch, wish))
			.sort((a, b) => rank(a) - rank(b) || busy(a) - busy(b));
		for (const lane of free.slice(0, mode.uses[PEOPLE] ?? 0)) {
			lane.stretches.push(stretch);
			lastOf.set(of.make, lane);
		}
		function rank(lane: Lane): number {
			return lastOf.get(of?.make ?? '') === lane ? 0 : 1;
		}
		for (const [resource, amount] of Object.entries(mode.uses))
			if (amount > 0) tools.get(resource)?.stretches.push(stretch);
		const until = keptUntil(place);
		for (const [resource, amount] of Object.entries(mode.keeps ?? of.task.keeps))
			if (amount > 0 && until !== null)
				tools.get(resource)?.stretches.push({ place, from_min, to_min: until, kept: true });
	}
	return [...people, ...[...tools.values()].filter(({ stretches }) => stretches.length > 0)];

	function keptUntil(place: number): number | null {
		const of = tasks[place];
		const named = tasks.findIndex(
			(each, nth) => nth > place && each.make === of?.make && each.task.id === of.task.keepsUntil
		);
		const until = named >= 0 ? named : tasks[place + 1]?.make === of?.make ? place + 1 : -1;
		return until < 0 ? null : (starts[until] ?? null);
	}
}

const isFree = ({ stretches }: Lane, { from_min, to_min }: Stretch): boolean =>
	stretches.every((each) => each.to_min <= from_min || to_min <= each.from_min);

/** Helpers come after the others, and are there in their hours. */
function isThere(nth: number, { from_min, to_min }: Stretch, { people, helpers }: DayWish): boolean {
	const hours = helpers[nth - people];
	return nth < people || (hours !== undefined && hours.from_min <= from_min && to_min <= hours.to_min);
}

const busy = ({ stretches }: Lane): number =>
	stretches.reduce((sum, { from_min, to_min }) => sum + to_min - from_min, 0);
