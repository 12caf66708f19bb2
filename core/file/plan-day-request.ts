import Joi from 'joi';
import type { Day, Make, Mode, Task } from '../planning/day.ts';
import type { Outcome, Problem } from '../problem.ts';
import { readDocument } from './read-document.ts';

/** A day as its document has it. */
interface DayDocument {
	resources: Record<string, number>;
	makes: { id: string; ready_min: number; tasks: TaskDocument[] }[];
	budget_ms?: number;
	seed?: number;
}

type TaskDocument = { id: string; modes: Mode[] } & Partial<Omit<Task, 'id' | 'modes' | 'fixed_min'>>;

/** A day to be planned, how long it may take, and the seed of what is tried by chance. */
export interface PlanDayRequest {
	day: Day;
	budget_ms: number;
	seed: number;
}

const USUAL_BUDGET_MS = 2000;
const MOST_BUDGET_MS = 600_000;
/** A fortnight: what waits longer is another day's. */
const MOST_MINUTES = 20_160;
const MOST_TASKS = 50;
const MOST_MAKES = 200;

const text = Joi.string().min(1).required();
const minutes = Joi.number().integer().min(0).max(MOST_MINUTES);
const amounts = Joi.object().pattern(Joi.string(), Joi.number().integer().min(0).max(100_000));

const task = Joi.object({
	id: text,
	modes: Joi.array()
		.items(Joi.object({ uses: amounts.required(), minutes: minutes.required() }))
		.min(1)
		.required(),
	keeps: amounts,
	keepsUntil: Joi.string(),
	waitLow_min: minutes,
	waitHigh_min: minutes.allow(null)
});

const schema = Joi.object<DayDocument>({
	resources: amounts.required(),
	makes: Joi.array()
		.items(
			Joi.object({
				id: text,
				ready_min: Joi.number().integer().min(-MOST_MINUTES).max(MOST_MINUTES).required(),
				tasks: Joi.array().items(task).min(1).max(MOST_TASKS).required()
			})
		)
		.min(1)
		.max(MOST_MAKES)
		.required(),
	budget_ms: Joi.number().integer().min(1).max(MOST_BUDGET_MS),
	seed: Joi.number().integer().min(Number.MIN_SAFE_INTEGER).max(Number.MAX_SAFE_INTEGER)
});

/** What `plan-day` is asked in a document's text, or every problem found in it. */
export function readPlanDay(text: string): Outcome<PlanDayRequest> {
	const read = readDocument(text, schema);
	if (!read.ok) return read;
	const { resources, makes, budget_ms = USUAL_BUDGET_MS, seed = 1 } = read.value;
	const problems = makes.flatMap(({ tasks }, at) => taskProblems(tasks, `makes[${at}].tasks`));
	if (problems.length > 0) return { ok: false, problems };
	return { ok: true, value: { day: { ...FREE, resources, makes: makes.map(makeOf) }, budget_ms, seed } };
}

/** Such a day may begin as early as it has to. */
const FREE = { closed: [], sequences: [], carries: [], earliest_min: null };

const makeOf = ({ id, ready_min, tasks }: DayDocument['makes'][number]): Make => ({
	id,
	ready_min,
	tasks: tasks.map(taskOf)
});

const taskOf = ({ id, modes, keeps, keepsUntil, waitLow_min, waitHigh_min }: TaskDocument): Task => ({
	id,
	modes,
	keeps: keeps ?? {},
	keepsUntil: keepsUntil ?? null,
	waitLow_min: waitLow_min ?? 0,
	waitHigh_min: waitHigh_min ?? null,
	fixed_min: null
});

/** What crosses from one task to another: names that lead nowhere, and waits that cannot be. */
function taskProblems(tasks: readonly TaskDocument[], path: string): Problem[] {
	return tasks.flatMap(({ id, keepsUntil, waitLow_min = 0, waitHigh_min }, at): Problem[] => {
		const here = `${path}[${at}]`;
		const problems: Problem[] = [];
		if (tasks.findIndex((each) => each.id === id) !== at)
			problems.push({ path: `${here}.id`, message: `task "${id}" is there twice` });
		if (keepsUntil !== undefined && tasks.findIndex((each) => each.id === keepsUntil) <= at)
			problems.push({ path: `${here}.keepsUntil`, message: `no later task is called "${keepsUntil}"` });
		if (waitHigh_min != null && waitHigh_min < waitLow_min)
			problems.push({ path: `${here}.waitHigh_min`, message: 'the longest wait is shorter than the least' });
		return problems;
	});
}
