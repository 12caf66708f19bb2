import type { Windows } from '../formula/families.ts';
import type { ShareKey } from '../formula/shares.ts';
import { ingredientsOf, isDough } from '../formula/types.ts';
import type { Outcome, Problem } from '../problem.ts';
import type { Frame } from './frame.ts';
import type { Column, Program, Row } from './program.ts';
import { quantityOf, shareOf, type Quantity } from './quantity.ts';
import type { FreeLine, Wish } from './wish.ts';

/** Something that is asked of the formula: a target by its place, or a window of the family. */
export type Ask = { kind: 'target'; target: number } | { kind: 'window'; key: ShareKey };

/** An ask as what it bounds. */
export interface Asked {
	ask: Ask;
	quantity: Quantity;
}

/** Lines that change by one figure: each holds so much for one of it. */
interface Unit {
	members: { line: number; share: number }[];
	low: number;
	high: number;
}

/** The linear model of a wish at one ball weight. */
export interface Model {
	frame: Frame;
	ballWeight_g: number;
	asked: readonly Asked[];
	units: readonly Unit[];
	/** Dough lines that keep their share among each other, scaled as one; empty where every line is free. */
	rest: readonly number[];
	free: readonly FreeLine[];
	/** What a change of a line is measured by. */
	reference_g: readonly number[];
}

/** A weight so small that it decides only between what is alike otherwise. */
const HARDLY = 1e-6;

/** No line is changed by more than this many times what it is, where it is asked which lines are touched at all. */
const MOST_CHANGE = 100;
/** Of a change, beside the number of lines that are touched. */
const BETWEEN = 1e-4;

/**
 * The model of a wish (section 18). Grams of free lines and one factor of all others are what is to be found; the dough
 * keeps its mass. Problems name what of the wish cannot be asked.
 */
export function modelOf(frame: Frame, wish: Wish, ballWeight_g: number): Outcome<Model> {
	const { recipe, now_g, doughMass_g } = frame;
	const isFree = new Set(wish.free.map(({ line }) => line));
	const mayHave = (line: number) => (now_g[line] ?? 0) > 0 || isFree.has(line);
	const problems: Problem[] = [];
	const asked: Asked[] = [];
	for (const [at, target] of wish.targets.entries()) {
		const quantity = quantityOf(frame, target, ballWeight_g, mayHave);
		if (quantity.ok) asked.push({ ask: { kind: 'target', target: at }, quantity: quantity.value });
		else problems.push(...quantity.problems.map(({ message }) => ({ path: `targets[${at}]`, message })));
	}
	if (problems.length > 0) return { ok: false, problems };
	asked.push(...windowsAsked(frame, wish.windows ?? {}, mayHave));
	const units = unitsOf(frame, wish);
	const inUnits = new Set(units.flatMap(({ members }) => members.map(({ line }) => line)));
	const ingredientOf = ingredientsOf(recipe);
	const flour_g = recipe.formula.lines.reduce(
		(sum, line) => sum + (isDough(line) && ingredientOf(line.ingredient).kind === 'flour' ? line.used_g : 0),
		0
	);
	return {
		ok: true,
		value: {
			frame,
			ballWeight_g,
			asked,
			units,
			rest: recipe.formula.lines.flatMap((line, at) => (isDough(line) && !inUnits.has(at) ? at : [])),
			free: wish.free,
			reference_g: now_g.map((now) => now || flour_g || doughMass_g)
		}
	};
}

/** Windows whose share is known; one that is not can be neither kept nor left. */
function windowsAsked(frame: Frame, windows: Windows, mayHave: (line: number) => boolean): Asked[] {
	return (Object.keys(windows) as ShareKey[]).flatMap((key): Asked[] => {
		const share = shareOf(frame, key, mayHave);
		const window = windows[key];
		if (!share.ok || !window) return [];
		return [
			{
				ask: { kind: 'window', key },
				quantity: { ...share.value, low: window.low, high: window.high, factor: 1 }
			}
		];
	});
}

/** What changes by itself: free lines, those that keep their ratio as one; what is bound to the rest is part of it. */
function unitsOf({ recipe, now_g, doughMass_g }: Frame, { free, together }: Wish): Unit[] {
	const byLine = new Map(free.map((each) => [each.line, each]));
	const bound = new Set<number>();
	const units: Unit[] = [];
	const range = (line: number, share: number) => {
		const { low_g = 0, high_g = null } = byLine.get(line) ?? {};
		const line_ = recipe.formula.lines[line];
		const most = high_g ?? (line_ && isDough(line_) ? doughMass_g : Infinity);
		return { low: low_g / share, high: most / share };
	};
	for (const group of merged(together)) {
		const lines = group.filter((line) => byLine.has(line));
		if (lines.length === 0) continue;
		group.forEach((line) => bound.add(line));
		const isOfRest = group.some((line) => !byLine.has(line));
		if (isOfRest) continue;
		const total = group.reduce((sum, line) => sum + (now_g[line] ?? 0), 0);
		const members = group.map((line) => ({
			line,
			share: total > 0 ? (now_g[line] ?? 0) / total : 1 / group.length
		}));
		const ranges = members.filter(({ share }) => share > 0).map(({ line, share }) => range(line, share));
		units.push({
			members,
			low: Math.max(...ranges.map(({ low }) => low)),
			high: Math.min(...ranges.map(({ high }) => high))
		});
	}
	for (const { line } of free)
		if (!bound.has(line)) units.push({ members: [{ line, share: 1 }], ...range(line, 1) });
	return units;
}

/** Groups that share a line are one. */
function merged(together: readonly (readonly number[])[]): number[][] {
	const groups: Set<number>[] = [];
	for (const each of together) {
		const touching = groups.filter((group) => each.some((line) => group.has(line)));
		const one = new Set([...touching.flatMap((group) => [...group]), ...each]);
		groups.splice(0, groups.length, ...groups.filter((group) => !touching.includes(group)), one);
	}
	return groups.map((group) => [...group].sort((a, b) => a - b));
}

/** What a program of a model is to find and to keep to, beside what every program of it keeps to. */
export interface Task {
	/** Asks that count. */
	asked: readonly Asked[];
	/** How much each bound is drawn in, in the quantity’s own unit times what it is under. */
	margins?: ReadonlyMap<Ask, number>;
	/** Free lines of their own in whole steps. */
	step_g?: number;
	/** What is to be least instead of the change, as a sum of the lines’ grams. */
	least?: { factors: readonly number[] };
	/** The change may be so much at most. */
	mostChange?: number;
	/** As few lines as can be are touched; of those with as few, the nearest. */
	fewest?: boolean;
}

/** The linear program of a task; what is found is read by `gramsOf`. */
export function programOf(model: Model, task: Task): Program {
	const { frame, units, rest, reference_g } = model;
	const { step_g } = task;
	const columns: Column[] = [];
	const rows: Row[] = [];
	const isWhole = units.map(({ members }) => step_g !== undefined && members.length === 1);
	for (const [at, { low, high }] of units.entries()) {
		if (!isWhole[at] || step_g === undefined) columns.push({ low, high, cost: 0 });
		else
			columns.push({
				low: Math.ceil(low / step_g - HARDLY),
				high: Math.floor(high / step_g + HARDLY),
				cost: 0,
				isWhole: true
			});
	}
	if (rest.length > 0) columns.push({ low: 0, high: Infinity, cost: 0 });
	// Of each line, what of which column it is.
	const terms = new Map<number, [column: number, factor: number]>();
	for (const [at, { members }] of units.entries())
		for (const { line, share } of members) terms.set(line, [at, share * (isWhole[at] ? (step_g ?? 1) : 1)]);
	for (const line of rest) terms.set(line, [units.length, frame.now_g[line] ?? 0]);

	const changes: number[] = [];
	for (const [at, { members }] of units.entries())
		for (const { line } of members) {
			const dough = isDoughLine(frame, line);
			const weight = (model.free.find((each) => each.line === line)?.weight ?? 1) * (dough ? 1 : HARDLY);
			const column = columns.length;
			const isLeast = !task.least && !task.fewest;
			columns.push({ low: 0, high: Infinity, cost: isLeast ? weight : task.fewest ? weight * BETWEEN : 0 });
			if (dough) changes.push(column);
			if (task.fewest) {
				rows.push({
					terms: [
						[column, 1],
						[columns.length, -MOST_CHANGE]
					],
					low: -Infinity,
					high: 0
				});
				columns.push({ low: 0, high: 1, cost: 1, isWhole: true });
			}
			const [, factor] = terms.get(line) ?? [at, 0];
			const reference = reference_g[line] ?? 1;
			const now = (frame.now_g[line] ?? 0) / reference;
			rows.push({
				terms: [
					[column, 1],
					[at, factor / reference]
				],
				low: now,
				high: Infinity
			});
			rows.push({
				terms: [
					[column, 1],
					[at, -factor / reference]
				],
				low: -now,
				high: Infinity
			});
		}
	if (task.least) cost(columns, terms, task.least.factors);
	if (task.mostChange !== undefined)
		rows.push({ terms: changes.map((column) => [column, 1]), low: -Infinity, high: task.mostChange });
	const dough = frame.now_g.map((_, line) => (isDoughLine(frame, line) ? 1 : 0));
	rows.push(rowOf(frame, terms, dough, 0, frame.doughMass_g, frame.doughMass_g));
	for (const { ask, quantity } of task.asked) {
		const { over, under, low, high } = quantity;
		const margin = task.margins?.get(ask) ?? 0;
		const bounded = (bound: number) =>
			over.factors.map((factor, line) => factor - bound * (under.factors[line] ?? 0));
		const constant = (bound: number) => over.constant - bound * under.constant;
		if (Number.isFinite(high))
			rows.push(rowOf(frame, terms, bounded(high), constant(high), -Infinity, -margin));
		if (Number.isFinite(low)) rows.push(rowOf(frame, terms, bounded(low), constant(low), margin, Infinity));
	}
	return { columns, rows };
}

const isDoughLine = ({ recipe }: Frame, line: number): boolean => {
	const of = recipe.formula.lines[line];
	return of !== undefined && isDough(of);
};

function cost(columns: Column[], terms: ReadonlyMap<number, [number, number]>, factors: readonly number[]) {
	for (const [line, [at, factor]] of terms) {
		const column = columns[at];
		if (column) columns[at] = { ...column, cost: column.cost + factor * (factors[line] ?? 0) };
	}
}

/** A bound on a sum of the lines’ grams, as a row of the columns: lines that do not change are part of what is bounded. */
function rowOf(
	{ now_g }: Frame,
	terms: ReadonlyMap<number, [column: number, factor: number]>,
	factors: readonly number[],
	constant: number,
	low: number,
	high: number
): Row {
	const byColumn = new Map<number, number>();
	let fixed = constant;
	for (const [line, factor] of factors.entries()) {
		const term = terms.get(line);
		if (term) byColumn.set(term[0], (byColumn.get(term[0]) ?? 0) + term[1] * factor);
		else fixed += factor * (now_g[line] ?? 0);
	}
	return { terms: [...byColumn], low: low - fixed, high: high - fixed };
}

/** The grams of every line that a solution of a task stands for. */
export function gramsOf({ frame, units, rest }: Model, values: readonly number[], step_g?: number): number[] {
	const grams = [...frame.now_g];
	for (const [at, { members }] of units.entries()) {
		const unit = step_g !== undefined && members.length === 1 ? step_g : 1;
		for (const { line, share } of members) grams[line] = (values[at] ?? 0) * share * unit;
	}
	for (const line of rest) grams[line] = (frame.now_g[line] ?? 0) * (values[units.length] ?? 0);
	return grams;
}

/** How far some grams are from now: each free dough line’s change over what it is now, weighed as the wish has it. */
export function changeOf(model: Model, grams: readonly number[], weighed = false): number {
	let sum = 0;
	for (const { line, weight } of model.free) {
		if (!isDoughLine(model.frame, line)) continue;
		const away = Math.abs((grams[line] ?? 0) - (model.frame.now_g[line] ?? 0));
		sum += (away / (model.reference_g[line] ?? 1)) * (weighed ? (weight ?? 1) : 1);
	}
	return sum;
}
