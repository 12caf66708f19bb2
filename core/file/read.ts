import type Joi from 'joi';
import { uptakeOf_g } from '../formula/surface.ts';
import { doughMass_g, USES, type Line, type Recipe } from '../formula/types.ts';
import { sumOf } from '../measure/round.ts';
import { massFlow, type MassInput } from '../massflow/massflow.ts';
import { pieceWater } from '../massflow/water.ts';
import { evaporatedPerPiece_g, pieceShares } from '../nutrition/shares.ts';
import type { Outcome, Problem } from '../problem.ts';
import { lineOf, recipeOfDocument, type FileDocument, type LineDocument } from './document.ts';
import { limitProblems, sizeProblem } from './limits.ts';
import { schemaProblem } from './messages.ts';
import { readJson } from './read-document.ts';
import { recipeSchema } from './schema.ts';

/**
 * The recipe of a Square Batch file's text, or every problem that can be found in it: its shape, what
 * crosses from one place to another, and, as far as the figures can be read, what cannot be.
 */
export function readRecipe(text: string): Outcome<Recipe> {
	const tooLong = sizeProblem(text);
	if (tooLong) return { ok: false, problems: [tooLong] };
	const given = readJson(text);
	return given.ok ? checkRecipe(given.value) : given;
}

/** As `readRecipe`, of a document already parsed. */
export function checkRecipe(given: unknown): Outcome<Recipe> {
	const beyond = limitProblems(given);
	if (beyond.length > 0) return { ok: false, problems: beyond };
	const { error, value } = recipeSchema.validate(given) as {
		error?: Joi.ValidationError;
		value?: FileDocument;
	};
	const problems = [
		...(error?.details.map(schemaProblem) ?? []),
		...identityProblems(given),
		...lineProblems(given),
		...pieceProblems(given)
	];
	if (value && problems.length === 0) return { ok: true, value: recipeOfDocument(value) };
	return { ok: false, problems: [...problems, ...massProblems(given)] };
}

type Loose = Record<string, unknown>;

const objectAt = (value: unknown, key: string): Loose => {
	const inner = isObject(value) ? value[key] : undefined;
	return isObject(inner) ? inner : {};
};
const listAt = (value: Loose, key: string): unknown[] =>
	Array.isArray(value[key]) ? (value[key] as unknown[]) : [];
const isObject = (value: unknown): value is Loose =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** Ingredient ids that are defined twice, or used and not defined. */
function identityProblems(given: unknown): Problem[] {
	const problems: Problem[] = [];
	const known = new Set<string>();
	listAt(isObject(given) ? given : {}, 'ingredients').forEach((entry, index) => {
		const id = isObject(entry) ? entry.id : undefined;
		if (typeof id !== 'string') return;
		if (known.has(id))
			problems.push({ path: `ingredients[${index}].id`, message: `ingredient "${id}" is defined twice` });
		known.add(id);
	});
	listAt(objectAt(given, 'formula'), 'lines').forEach((entry, index) => {
		const id = isObject(entry) ? entry.ingredient : undefined;
		if (typeof id === 'string' && id.trim() !== '' && !known.has(id))
			problems.push({
				path: `formula.lines[${index}].ingredient`,
				message: `ingredient "${id}" is used here but not defined`
			});
	});
	return problems;
}

/** A formula without dough, and surface materials that leave more on the pieces than was used. */
function lineProblems(given: unknown): Problem[] {
	const problems: Problem[] = [];
	const formula = objectAt(given, 'formula');
	const lines = listAt(formula, 'lines');
	if (Array.isArray(formula.lines) && !lines.some((entry) => isObject(entry) && entry.use === 'dough'))
		problems.push({ path: 'formula.lines', message: 'no line is dough: a formula needs at least one' });
	lines.forEach((entry, index) => {
		if (!isObject(entry)) return;
		const { consumed_g, uptake_g } = entry;
		if (typeof consumed_g === 'number' && typeof uptake_g === 'number' && uptake_g > consumed_g)
			problems.push({
				path: `formula.lines[${index}].uptake_g`,
				message: `the uptake of ${uptake_g} g is more than the ${consumed_g} g consumed`
			});
	});
	return problems;
}

function pieceProblems(given: unknown): Problem[] {
	if (!isObject(given) || !isObject(given.piece)) return [];
	const { ballWeight_g, count } = given.piece;
	if (ballWeight_g !== undefined || count !== undefined) return [];
	return [{ path: 'piece', message: 'give a ball weight ("ballWeight_g") or a number of balls ("count")' }];
}

/**
 * What the mass flow says of a file that has other problems too, as far as its figures can be
 * read: a person mends everything in one go.
 */
function massProblems(given: unknown): Problem[] {
	const formula = objectAt(given, 'formula');
	const piece = objectAt(given, 'piece');
	const batch = objectAt(given, 'batch');
	const pack = objectAt(given, 'pack');
	const lines = Array.isArray(formula.lines) ? readableLines(formula.lines) : null;
	if (lines?.length === 0) return [];
	const input: MassInput = {
		doughMass_g: lines && doughMass_g(lines),
		uptake_g: lines && sumOf(lines, uptakeOf_g),
		doughWeight_g: reading(batch.doughWeight_g),
		ballWeight_g: reading(piece.ballWeight_g),
		count: reading(piece.count),
		rejects: reading(batch.rejects),
		packPieces: reading(pack.pieces),
		ballWeights_g: readings(batch.ballWeights_g),
		finishedWeights_g: readings(batch.finishedWeights_g)
	};
	const { flow, problems } = massFlow(input);
	// An empty dough was said already, as a line problem or a missing weight.
	const found = problems.filter((problem) => problem.path !== 'formula.lines' || lines !== null);
	if (!flow || !lines) return found;
	const mixGap = batch.mixGap === 'evaporation' ? 'evaporation' : 'residue';
	const water = rawWater_g(given, pieceShares(lines, flow, mixGap));
	if (water === null) return found;
	return [...found, ...pieceWater(flow, water - evaporatedPerPiece_g(flow, mixGap)).problems];
}

/** A number that can be weighed or counted; `undefined` if absent, `null` if it cannot be read. */
function reading(value: unknown): number | null | undefined {
	if (value === undefined) return undefined;
	return typeof value === 'number' && Number.isFinite(value) && value >= 0 ? value : null;
}

function readings(value: unknown): number[] | null | undefined {
	if (value === undefined) return undefined;
	if (!Array.isArray(value)) return null;
	if (value.length === 0) return undefined;
	const numbers = value.map(reading);
	return numbers.every((number) => typeof number === 'number' && number > 0) ? (numbers as number[]) : null;
}

/** The lines, when every figure of every one can be read; otherwise null. */
function readableLines(entries: unknown[]): Line[] | null {
	const readable = entries.every((entry) => {
		if (!isObject(entry) || !(USES as readonly unknown[]).includes(entry.use)) return false;
		if (entry.use === 'dough') return typeof reading(entry.grams) === 'number';
		if (typeof reading(entry.consumed_g) !== 'number' || reading(entry.uptake_g) === null) return false;
		return true;
	});
	return readable ? (entries as LineDocument[]).map(lineOf) : null;
}

function rawWater_g(given: unknown, shares: { ingredient: string; mass_g: number }[]): number | null {
	const water = new Map<unknown, unknown>();
	for (const entry of listAt(isObject(given) ? given : {}, 'ingredients'))
		if (isObject(entry)) water.set(entry.id, objectAt(entry, 'per100g').water_g);
	let total = 0;
	for (const share of shares) {
		const value = reading(water.get(share.ingredient));
		if (typeof value !== 'number') return null;
		total += (share.mass_g * value) / 100;
	}
	return total;
}
