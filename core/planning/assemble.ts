import type { Step } from '../formula/process.ts';
import { carryingOrder, type Carrier } from './carrying.ts';
import { PEOPLE, type Closed, type Day } from './day.ts';
import {
	CLEAN_MIN,
	mixesOf,
	tasksOf,
	toolResource,
	type MadeTask,
	type Making,
	type Reckoning,
	type Tool
} from './making.ts';
import type { Paces } from './paces.ts';

/** A product that is to be made for a day. */
export interface Wish {
	id: string;
	name: string;
	packs: number;
	packPieces: number;
	/** Of one ball as it is divided. */
	ballWeight_g: number;
	/** Share of the pieces that is spoilt, as its batches tell. */
	rejectRate: number;
	steps: readonly Step[];
	paces: Paces;
	/** Tags of everything in it. */
	allergens: readonly string[];
	/** The tools it may be made with, by id. */
	tools: readonly string[];
	/** It is chilled overnight though its formula is of one day. */
	overnight: boolean;
	rollsWhileCooking: boolean;
}

/** What a day is planned with; minutes count from the moment everything must be packed. */
export interface DayWish {
	wishes: readonly Wish[];
	tools: readonly Tool[];
	people: number;
	/** Somebody who is there only for a while. */
	helpers: readonly { from_min: number; to_min: number }[];
	/** Nothing begins before. */
	earliest_min: number | null;
	/** Nobody works: nights, and hours the kitchen is not to be had. */
	nights: readonly { from_min: number; to_min: number }[];
	reckoning: Reckoning;
	/** Starts somebody said, by `taskKey`. */
	pins: Readonly<Record<string, number>>;
}

/** A task of the day with what it is of. */
export interface DayTask extends MadeTask {
	key: string;
	make: string;
	wish: string;
}

export interface AssembledDay {
	day: Day;
	/** In the order of the day's tasks. */
	tasks: DayTask[];
	makes: AssembledMake[];
	/** What holds of the order of products, for saying it. */
	carried: { order: string[]; cleans: string[] };
}

export interface AssembledMake {
	id: string;
	wish: string;
	name: string;
	packs: number;
	/** As planned, with those that are expected to be spoilt. */
	pieces: number;
	spare: number;
	dough_g: number;
	rejectRate: number;
}

/** How a task is called: of its make, and what it is. */
export const taskKey = (make: string, task: string): string => `${make} ${task}`;

/** What chilling overnight puts in the place of a dough's rest, in minutes. */
const OVERNIGHT: Step[] = [
	{
		kind: 'rest',
		text: 'Hold it covered in the cold overnight',
		minutesLow: 8 * 60,
		minutesHigh: 18 * 60,
		temperature_c: 4,
		cue: ''
	},
	{
		kind: 'rest',
		text: 'Let it come to the room',
		minutesLow: 30,
		minutesHigh: 90,
		temperature_c: 20,
		cue: ''
	}
];
/** A step that waits so long is overnight already. */
const NIGHT_MIN = 6 * 60;

/** Whether its process holds the dough overnight, or is asked to. */
export const isOvernight = ({ steps, overnight }: Pick<Wish, 'steps' | 'overnight'>): boolean =>
	overnight || steps.some(({ kind, minutesLow }) => kind === 'rest' && (minutesLow ?? 0) >= NIGHT_MIN);

/** The steps, with a night in the cold after the dough's rest where it is asked for. */
export function stepsHeld({ steps, overnight }: Pick<Wish, 'steps' | 'overnight'>): readonly Step[] {
	if (!overnight || isOvernight({ steps, overnight: false })) return steps;
	const rest = steps.findIndex(({ kind }) => kind === 'rest');
	const at = rest < 0 ? steps.findIndex(({ kind }) => kind === 'divide') : rest + 1;
	return at < 0 ? steps : [...steps.slice(0, at), ...OVERNIGHT, ...steps.slice(at)];
}

/** So sure it is that the pieces suffice. */
const SURE_OF_PIECES = 0.95;

/**
 * Pieces to plan for so many packs: so many beside them that what is spoilt of all leaves enough nineteen times of
 * twenty, each piece spoilt for itself.
 */
export function piecesFor({
	packs,
	packPieces,
	rejectRate
}: Pick<Wish, 'packs' | 'packPieces' | 'rejectRate'>): {
	pieces: number;
	spare: number;
} {
	const wanted = packs * packPieces;
	const rate = Math.min(rejectRate, MOST_REJECTS);
	for (let spare = 0; ; spare++) {
		const pieces = wanted + spare;
		if (rate === 0 || wanted === 0 || atMostSpoilt(pieces, rate, spare) >= SURE_OF_PIECES)
			return { pieces, spare };
	}
}

const MOST_REJECTS = 0.5;

/** The chance that at most so many of some pieces are spoilt: binomial. */
function atMostSpoilt(pieces: number, rate: number, most: number): number {
	let chance = (1 - rate) ** pieces;
	let sum = chance;
	for (let spoilt = 1; spoilt <= most; spoilt++) {
		chance *= ((pieces - spoilt + 1) / spoilt) * (rate / (1 - rate));
		sum += chance;
	}
	return sum;
}

/** The day that is to be planned, from what is wanted of it. */
export function assembleDay(wish: DayWish): AssembledDay {
	const { tools, people, helpers, nights, earliest_min, pins } = wish;
	const resources: Record<string, number> = { [PEOPLE]: people + helpers.length };
	for (const tool of tools)
		resources[toolResource(tool.id)] =
			tool.kind === 'fridge' ? Math.floor(tool.capacity_g ?? BIG_FRIDGE_G) : 1;
	const made = wish.wishes.flatMap((each) => makesOf(each, wish));
	const carriers = made.map(({ make, tasks, from }): Carrier => ({
		id: make.id,
		allergens: from.allergens,
		uses: [...new Set(tasks.flatMap(({ task }) => task.modes.flatMap(touches)))]
	}));
	const carried = carryingOrder(carriers);
	const carries = new Set(carriers.flatMap(({ uses }) => uses));
	const dayMakes = made.map(({ make, tasks }) => {
		const all = carried.cleans.includes(make.id) ? withClean(tasks) : tasks;
		return {
			make,
			tasks: all.map((each): DayTask => {
				const key = taskKey(make.id, each.kind);
				return {
					...each,
					key,
					make: make.id,
					wish: make.wish,
					task: { ...each.task, fixed_min: pins[key] ?? null }
				};
			})
		};
	});
	return {
		day: {
			resources,
			makes: dayMakes.map(({ make, tasks }) => ({
				id: make.id,
				ready_min: 0,
				tasks: tasks.map(({ task }) => task)
			})),
			closed: closedOf(people, helpers, nights, earliest_min),
			sequences: [...carried.sequences, ...mixesInOrder(made.map(({ make }) => make))],
			carries: [...carries],
			earliest_min
		},
		tasks: dayMakes.flatMap(({ tasks }) => tasks),
		makes: dayMakes.map(({ make }) => make),
		carried: { order: carried.order, cleans: carried.cleans }
	};
}

/** A fridge of which nobody said how much it holds takes any dough of a day. */
const BIG_FRIDGE_G = 200_000;

/** The batches a product is made in, each a dough that fits a bowl. */
function makesOf(from: Wish, { tools, people, helpers, reckoning }: DayWish) {
	const of = tools.filter(({ id, kind }) => kind === 'fridge' || from.tools.includes(id));
	const all = piecesFor(from);
	const whole = { packs: from.packs, tools: of, dough_g: all.pieces * from.ballWeight_g };
	const mixes = from.packs === 0 ? [] : mixesOf(whole);
	return mixes.map((packs, nth) => {
		const { pieces, spare } = piecesFor({ ...from, packs });
		const dough_g = pieces * from.ballWeight_g;
		const making: Making = {
			dough_g,
			pieces,
			packs,
			steps: stepsHeld(from),
			paces: from.paces,
			tools: of,
			people: people + helpers.length,
			rollsWhileCooking: from.rollsWhileCooking
		};
		const make: AssembledMake = {
			id: mixes.length === 1 ? from.id : `${from.id} ${nth + 1}`,
			wish: from.id,
			name: mixes.length === 1 ? from.name : `${from.name}, mix ${nth + 1} of ${mixes.length}`,
			packs,
			pieces,
			spare,
			dough_g,
			rejectRate: from.rejectRate
		};
		return { make, from, tasks: tasksOf(making, reckoning) };
	});
}

/** What a way of doing something leaves something on: all it uses or keeps but hands and the fridge. */
const touches = ({ uses, keeps }: MadeTask['task']['modes'][number]): string[] =>
	[
		...Object.keys(uses),
		...Object.entries(keeps ?? {}).flatMap(([resource, amount]) => (amount === 1 ? resource : []))
	].filter((resource) => resource !== PEOPLE);

/** After the heat what it touched is cleaned by who cooked, before anything else is on it; the pieces cool meanwhile. */
function withClean(tasks: readonly MadeTask[]): MadeTask[] {
	return tasks.map((each) => {
		if (each.kind !== 'cook') return each;
		const { task, spread } = each;
		const minutes = task.modes[0]?.minutes ?? 0;
		const share = minutes / (minutes + CLEAN_MIN);
		return {
			...each,
			words: 'roll, cook, then clean',
			spread: {
				median: spread.median * share + (1 - share),
				p90: spread.p90 * share + CLEAN_P90 * (1 - share)
			},
			task: {
				...task,
				modes: task.modes.map((mode) => ({ ...mode, minutes: mode.minutes + CLEAN_MIN })),
				waitLow_min: Math.max(0, task.waitLow_min - CLEAN_MIN)
			}
		};
	});
}

/** A clean takes half as long again one time in ten. */
const CLEAN_P90 = 1.5;

/** The first mix of a product is cooked before the second: its balls were made first. */
const mixesInOrder = (makes: readonly AssembledMake[]) =>
	makes.flatMap((first, at) =>
		makes
			.slice(at + 1)
			.flatMap((then) => (first.wish === then.wish ? [{ first: first.id, then: then.id }] : []))
	);

/** Helpers outside their hours, and everybody at night. */
function closedOf(
	people: number,
	helpers: DayWish['helpers'],
	nights: DayWish['nights'],
	earliest_min: number | null
): Closed[] {
	const begins = Math.min(earliest_min ?? 0, ...nights.map(({ from_min }) => from_min)) - NIGHT_MIN;
	return [
		...nights.map(({ from_min, to_min }) => ({
			resource: PEOPLE,
			amount: people,
			from_min,
			to_min
		})),
		...helpers.flatMap(({ from_min, to_min }) => [
			{ resource: PEOPLE, amount: 1, from_min: begins, to_min: from_min },
			{ resource: PEOPLE, amount: 1, from_min: to_min, to_min: Math.max(to_min, AFTER_MIN) }
		])
	];
}

/** Long after everything is packed, however late. */
const AFTER_MIN = 3 * 24 * 60;
