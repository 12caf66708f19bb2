import type { Step, StepKind } from '../formula/process.ts';
import { PEOPLE, type Mode, type Task } from './day.ts';
import type { PaceKind, Paces } from './paces.ts';
import type { Spread } from './chance.ts';

/** A thing that is worked with, as a plan sees it. */
export interface Tool {
	id: string;
	name: string;
	kind: ToolKind;
	/** Pieces at once of a griddle or an oven. */
	places: number;
	/** Grams of dough a bowl holds, or of anything a fridge; null where nobody said: any. */
	capacity_g: number | null;
}

export const TOOL_KINDS = ['bowl', 'griddle', 'oven', 'board', 'fridge', 'other'] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

/** How a plan reckons what a task takes: as usual (the median), or so that nine of ten times suffice. */
export type Reckoning = 'usual' | 'safe';

/** One batch that is to be made. */
export interface Making {
	dough_g: number;
	pieces: number;
	packs: number;
	steps: readonly Step[];
	paces: Paces;
	/** The tools it may be made with. */
	tools: readonly Tool[];
	/** Most that may be done by two. */
	people: number;
	/** One person rolls the next while the last is on its second side. */
	rollsWhileCooking: boolean;
}

/** A task with what stands behind its minutes. */
export interface MadeTask {
	task: Task;
	words: string;
	kind: PaceKind;
	spread: Spread;
	/** From how many batches its time was learned; 0 where the process says it. */
	batches: number;
	/** The steps of the process it stands for, by their place. */
	steps: number[];
}

/** The usual and the safe minutes of something, as a process says it. */
interface Range {
	median_min: number;
	p90_min: number;
	batches: number;
}

/** Where nothing is said of it: to weigh in a dough, of a ball, a coil, a pack, and to count and date the packs. */
const WEIGH_IN: Range = { median_min: 6, p90_min: 9, batches: 0 };
const BALL: Range = { median_min: 0.3, p90_min: 0.5, batches: 0 };
const COIL: Range = { median_min: 0.75, p90_min: 1.2, batches: 0 };
const PACK: Range = { median_min: 1, p90_min: 1.5, batches: 0 };
const COUNT_MIN = 3;
/** A piece is turned, taken off and put on. */
const HANDLING_MIN = 0.25;
/** A bowl, a board or a griddle is washed with detergent, rinsed and dried. */
export const CLEAN_MIN = 10;

const MIXING: readonly StepKind[] = ['sponge', 'mix', 'knead', 'other'];
/** Longer does no harm: what stands wrapped in a cloth, or cools. */
const HARMLESS: readonly StepKind[] = ['hold', 'cool'];

const rangeOf = ({ minutesLow, minutesHigh }: Step): Range => {
	const [low, high] = [minutesLow ?? minutesHigh ?? 0, minutesHigh ?? minutesLow ?? 0];
	return { median_min: (low + high) / 2, p90_min: high, batches: 0 };
};
const plus = (a: Range, b: Range): Range => ({
	median_min: a.median_min + b.median_min,
	p90_min: a.p90_min + b.p90_min,
	batches: Math.max(a.batches, b.batches)
});
const times = (range: Range, count: number): Range => ({
	...range,
	median_min: range.median_min * count,
	p90_min: range.p90_min * count
});
const NOTHING: Range = { median_min: 0, p90_min: 0, batches: 0 };

/** The resource a tool is; each is one of its own, so that a lane can be drawn of it. */
export const toolResource = (id: string): string => `tool ${id}`;

/**
 * The tasks of a batch from its process (section 17), in order: the dough, dividing, layering, rolling and cooking,
 * packing; what only waits stands between them. Each takes what batches taught (the median, or the 90th percentile where
 * it is to be safe), else what the process says. Of a bowl that holds less than the dough nothing is said here: a dough
 * too large for every bowl is several batches (`mixesOf`).
 */
export function tasksOf(making: Making, reckoning: Reckoning): MadeTask[] {
	const { steps, paces, pieces, packs } = making;
	const tasks: MadeTask[] = [];
	const stepsOf = (kinds: readonly StepKind[]) =>
		[...steps.entries()].filter(([, { kind }]) => kinds.includes(kind));
	const add = (
		kind: PaceKind,
		words: string,
		range: Range,
		of: readonly StepKind[],
		uses: (minutes: number) => Mode[]
	) => {
		const minutes = wholeMinutes(reckoning === 'safe' ? range.p90_min : range.median_min);
		tasks.push({
			kind,
			words,
			batches: range.batches,
			steps: stepsOf(of).map(([place]) => place),
			spread: {
				median: range.median_min / minutes,
				p90: Math.max(range.p90_min, range.median_min) / minutes
			},
			task: {
				id: kind,
				modes: uses(minutes),
				keeps: {},
				keepsUntil: null,
				waitLow_min: 0,
				waitHigh_min: null,
				fixed_min: null
			}
		});
	};
	/** What the last task added waits for afterwards. */
	const wait = (kinds: readonly StepKind[]) => {
		const last = tasks.at(-1);
		const found = stepsOf(kinds).map(([, step]) => step);
		if (!last || found.length === 0) return;
		const low = found.reduce((sum, { minutesLow, minutesHigh }) => sum + (minutesLow ?? minutesHigh ?? 0), 0);
		// What stands in a cloth or cools may stand longer; a dough may not.
		const isHarmless = found.some(({ kind, minutesHigh }) => HARMLESS.includes(kind) || minutesHigh === null);
		const high = found.reduce((sum, { minutesHigh }) => sum + (minutesHigh ?? 0), 0);
		last.task = {
			...last.task,
			waitLow_min: Math.ceil(low),
			waitHigh_min: isHarmless ? null : Math.max(Math.ceil(low), Math.floor(high))
		};
	};
	const alone = (minutes: number): Mode[] => [{ uses: { [PEOPLE]: 1 }, minutes }];
	const isDry = stepsOf(['divide', 'cook first side']).length === 0;

	const mixing = stepsOf(MIXING).reduce(
		(sum, [, step]) => plus(sum, step.kind === 'sponge' ? SPONGE : rangeOf(step)),
		WEIGH_IN
	);
	add('mix', 'mix', paces.mix ?? mixing, MIXING, (minutes) => inBowl(making, minutes));
	if (!isDry) {
		wait(['sponge', 'rest']);
		keepsCold(making, tasks);
		add('divide', 'divide', times(paces.divide ?? BALL, pieces), ['divide'], (minutes) =>
			onBoard(making, alone(minutes))
		);
		freesAt(tasks, 'mix', 'divide');
		wait(['rest balls']);
		const layers = stepsOf(['layer']).map(([, step]) => step);
		if (layers.length > 0) {
			add('layer', 'layer', times(paces.layer ?? COIL, pieces), ['layer'], (minutes) =>
				onBoard(making, alone(minutes))
			);
			wait(['layer']);
		}
		add('cook', 'roll and cook', cookRange(making), COOKING, (minutes) => cookModes(making, minutes));
		wait(['hold', 'cool']);
	}
	add(
		'pack',
		'count and pack',
		plus(times(paces.pack ?? PACK, packs), {
			...NOTHING,
			median_min: COUNT_MIN,
			p90_min: COUNT_MIN
		}),
		['pack'],
		alone
	);
	return tasks;
}

const SPONGE: Range = { median_min: 5, p90_min: 8, batches: 0 };
const COOKING: readonly StepKind[] = ['shape', 'cook first side', 'cook second side', 'finish'];

const wholeMinutes = (minutes: number): number => Math.max(1, Math.ceil(minutes - 1e-9));

/** The dough is mixed in any bowl that holds it, and stays there until it is divided. */
function inBowl({ tools, dough_g }: Making, minutes: number): Mode[] {
	const bowls = tools.filter(
		({ kind, capacity_g }) => kind === 'bowl' && (capacity_g === null || capacity_g >= dough_g)
	);
	const uses = { [PEOPLE]: 1 };
	if (bowls.length === 0) return [{ uses, minutes }];
	return bowls.map(({ id }) => ({ uses, minutes, keeps: { [toolResource(id)]: 1 } }));
}

/** What the mix keeps is freed when the dough is divided. */
function freesAt(tasks: MadeTask[], keeper: PaceKind, until: PaceKind): void {
	const of = tasks.find(({ kind }) => kind === keeper);
	if (of) of.task = { ...of.task, keepsUntil: until };
}

/** A dough that waits longer than this at least waits in the cold. */
const COLD_FROM_MIN = 6 * 60;

/** Dough that is held overnight takes its grams of the fridge as well. */
function keepsCold({ tools, dough_g }: Making, tasks: MadeTask[]): void {
	const last = tasks.at(-1);
	const fridges = tools.filter(({ kind }) => kind === 'fridge');
	if (!last || fridges.length === 0 || last.task.waitLow_min < COLD_FROM_MIN) return;
	last.task = {
		...last.task,
		modes: last.task.modes.flatMap((mode) =>
			fridges.map(({ id }) => ({
				...mode,
				keeps: { ...mode.keeps, [toolResource(id)]: Math.ceil(dough_g) }
			}))
		)
	};
}

function onBoard({ tools }: Making, modes: Mode[]): Mode[] {
	const boards = tools.filter(({ kind }) => kind === 'board');
	if (boards.length === 0) return modes;
	return modes.flatMap((mode) =>
		boards.map(({ id }) => ({ ...mode, uses: { ...mode.uses, [toolResource(id)]: 1 } }))
	);
}

/** The heat it is cooked on: an oven where the process bakes, else griddles. */
function heats({ steps, tools }: Making): Tool[] {
	const first = steps.find(({ kind }) => kind === 'cook first side');
	const kind: ToolKind = first && /bake|oven/i.test(first.text) ? 'oven' : 'griddle';
	return tools.filter((tool) => tool.kind === kind);
}

/** How rolling and cooking go. */
interface Way {
	people: number;
	/** Pieces on at once. */
	places: number;
}

/**
 * Minutes to roll and cook all pieces: loads × (side one + side two + handling), and the rolling before. Where another
 * rolls, or one can do both, the next load is rolled during side two.
 */
export function cookMinutes(
	{ steps, pieces, rollsWhileCooking }: Pick<Making, 'steps' | 'pieces' | 'rollsWhileCooking'>,
	{ people, places }: Way,
	reckoning: Reckoning
): number {
	const of = (kinds: readonly StepKind[]) =>
		steps
			.filter(({ kind }) => kinds.includes(kind))
			.map(rangeOf)
			.reduce((sum, range) => sum + (reckoning === 'safe' ? range.p90_min : range.median_min), 0);
	const roll = of(['shape']);
	const [one, two] = [of(['cook first side']), of(['cook second side', 'finish'])];
	const loads = Math.ceil(pieces / places);
	const together = people > 1 || rollsWhileCooking;
	if (!together) return pieces * roll + loads * (one + two + HANDLING_MIN);
	const load = Math.min(places, pieces);
	return load * roll + loads * (one + Math.max(two, load * roll) + HANDLING_MIN);
}

/** How it was cooked when its pace was learned, or would be alone: one person at one griddle. */
const alone = (making: Making): Way => ({ people: 1, places: heats(making)[0]?.places ?? 1 });

function cookRange(making: Making): Range {
	if (making.paces.cook) return times(making.paces.cook, making.pieces);
	const way = alone(making);
	return {
		median_min: cookMinutes(making, way, 'usual'),
		p90_min: cookMinutes(making, way, 'safe'),
		batches: 0
	};
}

/**
 * The ways to roll and cook: on each griddle, on all of them together, alone or by two. What was learned of one is
 * carried to the others by what the process says of both.
 */
function cookModes(making: Making, minutes: number): Mode[] {
	const tools = heats(making);
	const sets: Tool[][] = tools.length === 0 ? [[]] : tools.map((tool) => [tool]);
	if (tools.length > 1) sets.push([...tools]);
	const base = cookMinutes(making, alone(making), 'usual');
	const boards = making.tools.filter(({ kind }) => kind === 'board');
	const modes = sets.flatMap((set) => {
		const places = set.reduce((sum, tool) => sum + tool.places, 0) || 1;
		return Array.from({ length: Math.min(2, making.people) }, (_, nth): Mode => {
			const people = nth + 1;
			const share = base > 0 ? cookMinutes(making, { people, places }, 'usual') / base : 1;
			return {
				uses: {
					[PEOPLE]: people,
					...Object.fromEntries(set.map(({ id }) => [toolResource(id), 1]))
				},
				minutes: wholeMinutes(minutes * share)
			};
		});
	});
	const worth = modes.filter(
		(mode, at) =>
			!modes.some(
				(other, nth) =>
					nth !== at &&
					isNoMore(other.uses, mode.uses) &&
					(other.minutes < mode.minutes || (other.minutes === mode.minutes && nth < at))
			)
	);
	return boards.length === 0
		? worth
		: worth.map((mode) => ({ ...mode, uses: { ...mode.uses, ...oneBoard(boards) } }));
}

const oneBoard = (boards: readonly Tool[]): Record<string, number> =>
	Object.fromEntries(boards.slice(0, 1).map(({ id }) => [toolResource(id), 1]));

/** Whether one way uses nothing that another does not use as much of. */
const isNoMore = (uses: Mode['uses'], than: Mode['uses']): boolean =>
	Object.entries(uses).every(([resource, amount]) => amount <= (than[resource] ?? 0));

/** A dough larger than the largest bowl is several mixes: the packs of each, as even as can be. */
export function mixesOf({ dough_g, packs, tools }: Pick<Making, 'dough_g' | 'packs' | 'tools'>): number[] {
	const bowls = tools.filter(({ kind }) => kind === 'bowl');
	if (bowls.length === 0 || bowls.some(({ capacity_g }) => capacity_g === null)) return [packs];
	const largest = Math.max(...bowls.map(({ capacity_g }) => capacity_g ?? 0));
	const mixes = Math.min(packs, Math.max(1, Math.ceil(dough_g / largest - 1e-9)));
	return Array.from(
		{ length: mixes },
		(_, nth) => Math.floor((packs * (nth + 1)) / mixes) - Math.floor((packs * nth) / mixes)
	);
}
