import type { Match, Matcher } from '../../composition/match.ts';
import { gramsOf, weightOf, type Measures, type MeasureWeight } from '../../measure/convert.ts';
import type { Use } from '../types.ts';
import { partsSaid } from './several.ts';
import { takeApart, type SaidLine } from './take-apart.ts';
import { sameUnitSum, type Quantity } from '../../measure/quantity.ts';
import { settled } from '../../measure/round.ts';
import { folded, millilitresOf, type MeasureSet } from '../../measure/units.ts';

/** Why a line is not fully understood. */
export const DOUBTS = [
	'no-amount',
	'vague-unit',
	'unknown-unit',
	'unknown-ingredient',
	'no-density',
	'volume-conflict',
	'ambiguous-ingredient'
] as const;
export type Doubt = (typeof DOUBTS)[number];

/** A line as it was said, and what it comes to. */
export interface ReadLine {
	text: string;
	/** Id of the ingredient meant; null when it is not known or could be several. */
	ingredient: string | null;
	amount: number | null;
	/** One name a unit, such as `tbsp`; null where none was said. */
	unit: string | null;
	/** Null where the line gives nothing to convert; then `doubts` says why. */
	grams: number | null;
	gramsLow: number | null;
	gramsHigh: number | null;
	note: string | null;
	doubts: Doubt[];
	/** What it could be, best first, where it is not said exactly or is a choice. */
	candidates: string[];
	/** What it is for; null where that was not said. */
	use: Use | null;
	temperature_c: number | null;
	/** Where one sentence is several lines, each of them; this one is then the first. */
	lines: ReadLine[];
}

/** What the sheet needs beside: the name that was said, and what is kept back. */
export interface LineReading extends ReadLine {
	name: string;
	keptBack_g: number | null;
	lines: LineReading[];
}

/** What lines are read against: names and measures of a shelf or of the reference rows. */
export interface LineContext {
	matcher: Pick<Matcher, 'match'>;
	measuresOf: (id: string) => Measures;
	/** Whether a name is that of anything at all, here or elsewhere: where one line of a sentence ends goes by it. */
	isName: (name: string, detail: string) => boolean;
	/** Measures of the maker's own that are called otherwise than any unit here, folded. */
	ownUnits: readonly string[];
	set: MeasureSet;
}

/** Two ways of saying one amount may differ so much before one of them is a slip (section 2). */
const CONFLICT_SHARE = 0.1;

/** What of a reading is told to others, with its keys in their order. */
export function readLineOf(reading: LineReading): ReadLine {
	const { name: _name, keptBack_g: _keptBack_g, lines, ...told } = reading;
	return { ...told, lines: lines.map(readLineOf) };
}

/**
 * Reads what was said as a line, or as several where it says several: grams with their range, the ingredient, its use
 * and temperature, and what is doubtful (computation, sections 2 and 3).
 */
export function readLine(text: string, context: LineContext): LineReading {
	const parts = partsSaid(text, ({ name, detail }) => context.isName(name, detail));
	const [first, ...others] = parts.map((part) => readOne(part.said, part.text, context));
	if (!first) return readOne(takeApart(text), text, context);
	return others.length === 0 ? first : { ...first, text: text.trim(), lines: [first, ...others] };
}

function readOne(as: SaidLine, text: string, context: LineContext): LineReading {
	const said = withOwnUnit(as, context.ownUnits);
	const known = meant(said, context);
	const { name, match, unknownUnit } = known;
	const doubts = new Set<Doubt>();
	if (match.state === 'none') doubts.add('unknown-ingredient');
	if (match.state === 'several') doubts.add('ambiguous-ingredient');
	const ingredient = match.state === 'one' ? match.id : null;
	const candidates = match.state === 'several' ? match.ids : [];
	const way = unknownUnit
		? { weight: null, measures: {} }
		: weighedAlike(said, ingredient === null ? candidates : [ingredient], context, doubts);
	if (unknownUnit) doubts.add('unknown-unit');
	else if (said.quantities.length === 0) doubts.add('no-amount');
	const { weight, measures } = way;
	const whole = sameUnitSum(said.quantities) ?? firstAsWhole(said.quantities, weight, measures, context.set);
	const keptBack = said.keptBack
		? gramsOf(said.keptBack.amount, said.keptBack.unit, measures, context.set)
		: null;
	return {
		text: text.trim(),
		ingredient,
		amount: whole ? settled(whole.amount.value) : null,
		unit: unknownUnit ?? whole?.unit.name ?? null,
		grams: weight?.grams ?? null,
		gramsLow: weight?.low ?? null,
		gramsHigh: weight?.high ?? null,
		note: [...said.notes, said.detail].filter(Boolean).join(', ') || null,
		doubts: [...doubts],
		candidates,
		use: said.use,
		temperature_c: said.temperature_c,
		lines: [],
		name,
		keptBack_g: keptBack?.grams ?? null
	};
}

/** `2 blue mugs of flour`: a measure of one's own, where a unit would stand. */
function withOwnUnit(said: SaidLine, ownUnits: readonly string[]): SaidLine {
	const [only] = said.quantities;
	if (said.quantities.length !== 1 || only?.unit.name !== 'each') return said;
	const name = folded(said.name);
	const isFirst = (own: string) => name === own || name.startsWith(`${own} `) || name.startsWith(`${own}s `);
	const unit = ownUnits.find(isFirst);
	if (unit === undefined) return said;
	const rest = said.name.slice(unit.length).replace(/^s?\s*(?:(?:of|de|di)\s+)?/i, '');
	return { ...said, name: rest, quantities: [{ ...only, unit: { name: unit, kind: 'count' } }] };
}

/** Candidates may differ so much before their grams are nobody's (commands: within 10 %). */
const AGREE_SHARE = 0.1;

/**
 * Grams of what was said, of the ingredient or of the best candidate where all candidates agree: salted or unsalted, a
 * tablespoon of butter is a tablespoon of butter. The range is that of all of them.
 */
function weighedAlike(
	said: SaidLine,
	ids: readonly string[],
	{ measuresOf, set }: LineContext,
	doubts: Set<Doubt>
): { weight: MeasureWeight | null; measures: Measures } {
	const isKnown = ids.length === 1;
	const each = (ids.length === 0 ? [{}] : ids.map(measuresOf)).map((measures) => {
		const found = new Set<Doubt>();
		return { measures, weight: weigh(said, measures, isKnown, set, found), found };
	});
	const [best = { measures: {}, weight: null, found: new Set<Doubt>() }] = each;
	const grams = each.flatMap(({ weight }) => (weight ? [weight.grams] : []));
	const agree =
		grams.length === each.length &&
		settled(Math.max(...grams)) <= settled((1 + AGREE_SHARE) * Math.min(...grams));
	for (const doubt of best.found) if (each.every(({ found }) => found.has(doubt))) doubts.add(doubt);
	if (!agree || !best.weight) return { weight: null, measures: {} };
	const weights = each.flatMap(({ weight }) => weight ?? []);
	return {
		measures: best.measures,
		weight: {
			grams: best.weight.grams,
			low: Math.min(...weights.map(({ low }) => low)),
			high: Math.max(...weights.map(({ high }) => high))
		}
	};
}

interface Meant {
	name: string;
	match: Match;
	/** A word that stands where a unit does and is none known here. */
	unknownUnit: string | null;
}

/** What the name means, among what can be measured the way the line measures it. */
function meant(said: SaidLine, context: LineContext): Meant {
	const match = narrowed(context.matcher.match(said.name, said.detail), said, context);
	const bare = said.quantities[0]?.unit.name === 'each' && said.quantities.length === 1;
	if (match.state !== 'none' || !bare) return { name: said.name, match, unknownUnit: null };
	// `3 blorps of salt`: the rest is known, so the first word was meant for a unit.
	const [first, ...rest] = said.name.split(' ');
	const without = rest.join(' ').replace(/^(?:of|de|di)\s+/i, '');
	const again = without ? narrowed(context.matcher.match(without, said.detail), said, context) : match;
	return again.state === 'none'
		? { name: said.name, match, unknownUnit: null }
		: { name: without, match: again, unknownUnit: first ?? null };
}

/** Of several, those the line's unit can be said of; a packet of yeast is dry yeast for certain, a spoon of it is asked. */
function narrowed(match: Match, said: SaidLine, context: LineContext): Match {
	const unit = said.quantities[0]?.unit;
	if (match.state !== 'several' || match.ids.length === 1 || !unit) return match;
	if (unit.kind === 'mass' || unit.kind === 'vague') return match;
	const ids = match.ids.filter((id) => weightOf(unit, context.measuresOf(id), context.set) !== null);
	const [only] = ids;
	if (ids.length === 1 && only !== undefined && unit.kind === 'count' && !match.bySlip)
		return { state: 'one', id: only };
	return ids.length > 0 ? { ...match, ids } : match;
}

/** Grams of all that was said, the surest way of saying it first; doubts are added where they arise. */
function weigh(
	said: SaidLine,
	measures: Measures,
	isKnown: boolean,
	set: MeasureSet,
	doubts: Set<Doubt>
): MeasureWeight | null {
	if (said.quantities.length === 0) return null;
	const ways = [said.quantities, ...said.otherwise.map((quantity) => [quantity])];
	const weights = ways.map((way) => ({ way, weight: sumOf(way, measures, set) }));
	const weighed = weights.filter(
		(each): each is { way: Quantity[]; weight: MeasureWeight } => each.weight !== null
	);
	const surest = weighed.toSorted((a, b) => certainty(b.way) - certainty(a.way))[0];
	if (conflict(weighed, surest?.weight ?? null) || volumesConflict(ways, set)) doubts.add('volume-conflict');
	if (surest) return surest.weight;
	if (said.quantities.some((quantity) => quantity.unit.kind === 'vague')) doubts.add('vague-unit');
	else if (isKnown) doubts.add('no-density');
	return null;
}

/** A weight is surer than a metric volume, and that than a cup or a spoon. */
function certainty(way: readonly Quantity[]): number {
	return Math.min(
		...way.map(({ unit }) =>
			unit.kind === 'mass'
				? unit.name === 'stick'
					? 1
					: 3
				: ['ml', 'cl', 'dl', 'l'].includes(unit.name)
					? 2
					: 1
		)
	);
}

function sumOf(way: readonly Quantity[], measures: Measures, set: MeasureSet): MeasureWeight | null {
	let sum: MeasureWeight = { grams: 0, low: 0, high: 0 };
	for (const { amount, unit } of way) {
		const weight = gramsOf(amount, unit, measures, set);
		if (!weight) return null;
		sum = {
			grams: settled(sum.grams + weight.grams),
			low: settled(sum.low + weight.low),
			high: settled(sum.high + weight.high)
		};
	}
	return sum;
}

const apart = (a: number, b: number) => b > 0 && settled(Math.abs(a - b) / b) > CONFLICT_SHARE;

function conflict(weighed: readonly { weight: MeasureWeight }[], surest: MeasureWeight | null): boolean {
	return surest !== null && weighed.some(({ weight }) => apart(weight.grams, surest.grams));
}

/** Two volumes of something that is not known can still contradict each other. */
function volumesConflict(ways: readonly Quantity[][], set: MeasureSet): boolean {
	const volumes = ways.flatMap((way) => {
		const ml = way.map(({ amount, unit }) => {
			const each = millilitresOf(unit.name, set);
			return each === null ? null : each * amount.value;
		});
		return ml.every((each) => each !== null) ? ml.reduce((sum, each) => sum + each, 0) : [];
	});
	const last = volumes.at(-1);
	return last !== undefined && volumes.some((each) => apart(each, last));
}

/** `1 cup + 2 tbsp` as cups: the first unit carries the whole. */
function firstAsWhole(
	quantities: readonly Quantity[],
	weight: MeasureWeight | null,
	measures: Measures,
	set: MeasureSet
): Quantity | null {
	const [first] = quantities;
	if (!first) return null;
	const first_ml = millilitresOf(first.unit.name, set);
	const all_ml = quantities.map(({ unit, amount }) => (millilitresOf(unit.name, set) ?? NaN) * amount.value);
	const sum_ml = all_ml.reduce((sum, each) => sum + each, 0);
	const of = weightOf(first.unit, measures, set);
	const value =
		first_ml !== null && Number.isFinite(sum_ml)
			? sum_ml / first_ml
			: weight && of
				? weight.grams / of.grams
				: first.amount.value;
	return { unit: first.unit, amount: { value: settled(value), low: value, high: value } };
}
