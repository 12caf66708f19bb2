import { NUTRIENTS, type Nutrient } from '../composition/nutrients.ts';
import {
	add,
	addProduct,
	addTimes,
	atLeast,
	clear,
	product,
	quotient,
	within,
	type Column
} from './columns.ts';
import { UNKNOWN, type IngredientPlace, type LinePlace, type SureModel } from './model.ts';

/** Rounds that are worked out at once: their columns stay in the processor's cache. */
export const CHUNK = 128;

const at = (nutrient: Nutrient): number => NUTRIENTS.indexOf(nutrient);
const WATER = at('water_g');
const PROTEIN = at('protein_g');
const FAT = at('fat_g');
const CARBOHYDRATE = at('carbohydrate_g');
const SUGARS = at('sugars_g');

/** What cannot be more than the value it is a part of: part and whole. */
const WHOLE_OF = new Map([
	[at('saturates_g'), FAT],
	[at('transFat_g'), FAT],
	[at('fibre_g'), CARBOHYDRATE],
	[SUGARS, CARBOHYDRATE],
	[at('addedSugars_g'), SUGARS]
]);
/** Wholes before their parts, and carbohydrate after what it is the difference of. */
const FIRST = [WATER, PROTEIN, FAT, CARBOHYDRATE, SUGARS];
const ORDER = [...FIRST, ...NUTRIENTS.keys()].filter((place, index, all) => all.indexOf(place) === index);

/** A finished piece is never less than this share of what is expected, however far a small sample's tail reaches. */
const LEAST_SHARE = 0.01;

const column = (): Column => new Float64Array(CHUNK);

/**
 * Works the figures of many rounds out at once from their inputs, in one pass over typed arrays: the arithmetic of
 * `derive` and nothing else of it, which a property test holds it to.
 */
export class Kernel {
	/** The inputs, each in every round: to be filled before `run`. */
	readonly columns: readonly Column[];
	readonly #model: SureModel;
	/** Of one piece, in the order of `NUTRIENTS`. */
	readonly #sums = NUTRIENTS.map(column);
	readonly #values = NUTRIENTS.map(column);
	readonly #masses: Column[];
	readonly #readings: Column[];
	readonly #dough = column();
	readonly #uptake = column();
	readonly #ball = column();
	readonly #finished = column();
	readonly #work = column();
	readonly #leastFinished_g: number;

	constructor(model: SureModel, finishedWeight_g: number) {
		this.#model = model;
		this.columns = model.inputs.map(column);
		this.#masses = model.ingredients.map(column);
		this.#readings = model.lines.map(column);
		this.#leastFinished_g = finishedWeight_g * LEAST_SHARE;
	}

	/** Works out the first `count` rounds of the columns. */
	run(count: number): void {
		this.#readLines(count);
		this.#weighPieces(count);
		this.#shareOut(count);
		for (const sum of this.#sums) clear(sum, count);
		for (const [place, ingredient] of this.#model.ingredients.entries())
			this.#addIngredient(ingredient, this.#masses[place] ?? this.#work, count);
	}

	/** Puts what `grams` of the finished piece hold of a figure into `into`, from `from` on. */
	figure(coefficients: readonly number[], grams: number, into: Column, from: number, count: number): void {
		const sum = clear(this.#work, count);
		for (const [nutrient, factor] of coefficients.entries())
			if (factor !== 0) addTimes(sum, this.#sums[nutrient] ?? sum, factor * grams, count);
		quotient(into.subarray(from, from + count), sum, this.#finished, count);
	}

	#column(place: number): Column {
		const found = this.columns[place];
		if (!found) throw new RangeError(`there is no input ${place}`);
		return found;
	}

	/** Grams of each line as the round has them, and their sums. */
	#readLines(count: number): void {
		const factor = this.#column(this.#model.scale);
		clear(this.#dough, count);
		clear(this.#uptake, count);
		this.#eachLine((line, reading) => {
			const drawn = this.#column(line.reading);
			if (line.onScale) product(reading, drawn, factor, count);
			else reading.set(drawn);
			add(line.isDough ? this.#dough : this.#uptake, reading, count);
		});
		// Lines are shares of the dough as it was weighed where water steamed off it.
		const { doughWeight_g } = this.#model;
		if (doughWeight_g !== null) addTimes(clear(this.#dough, count), factor, doughWeight_g, count);
	}

	#eachLine(act: (line: LinePlace, reading: Column) => void): void {
		for (const [place, line] of this.#model.lines.entries()) act(line, this.#readings[place] ?? this.#work);
	}

	#weighPieces(count: number): void {
		const { ball, finished, pieces } = this.#model;
		if (ball) this.#weigh(this.#ball, ball, 0, count);
		else addTimes(clear(this.#ball, count), this.#dough, 1 / pieces, count);
		if (!('cookLoss' in finished)) {
			this.#weigh(this.#finished, finished, this.#leastFinished_g, count);
			return;
		}
		const raw = this.#work;
		raw.set(this.#ball);
		addTimes(raw, this.#uptake, 1 / pieces, count);
		this.#finished.set(raw);
		addProduct(this.#finished, raw, this.#column(finished.cookLoss), -1, count);
		atLeast(this.#finished, this.#finished, this.#leastFinished_g, count);
	}

	#weigh(
		into: Column,
		{ place, onScale }: { place: number; onScale: boolean },
		least: number,
		count: number
	): void {
		const drawn = this.#column(place);
		if (onScale) product(into, drawn, this.#column(this.#model.scale), count);
		atLeast(into, onScale ? into : drawn, least, count);
	}

	/** Grams of each ingredient in one piece. */
	#shareOut(count: number): void {
		const perGram = quotient(this.#work, this.#ball, this.#dough, count);
		for (const mass of this.#masses) clear(mass, count);
		this.#eachLine((line, reading) => {
			const mass = this.#masses[line.ingredient];
			if (!mass) return;
			if (line.isDough) addProduct(mass, reading, perGram, 1, count);
			else addTimes(mass, reading, 1 / this.#model.pieces, count);
		});
	}

	#addIngredient({ values, stated }: IngredientPlace, mass: Column, count: number): void {
		for (const nutrient of ORDER) {
			const place = values[nutrient] ?? UNKNOWN;
			if (place === UNKNOWN) continue;
			const value = this.#values[nutrient] ?? this.#work;
			const whole = WHOLE_OF.get(nutrient);
			const drawn = this.#column(place);
			if (nutrient === CARBOHYDRATE) this.#byDifference(value, drawn, values, stated, count);
			else if (whole === undefined || values[whole] === UNKNOWN) atLeast(value, drawn, 0, count);
			else within(value, drawn, this.#values[whole] ?? drawn, count);
			const sum = this.#sums[nutrient];
			if (sum && nutrient !== WATER) addProduct(sum, mass, value, 1 / 100, count);
		}
	}

	/** Carbohydrate takes the opposite of what water, protein and fat drew. */
	#byDifference(
		into: Column,
		drawn: Column,
		values: readonly number[],
		stated: readonly number[],
		count: number
	): void {
		const left = this.#work;
		left.set(drawn);
		let others = 0;
		for (const nutrient of [WATER, PROTEIN, FAT]) {
			const place = values[nutrient] ?? UNKNOWN;
			if (place === UNKNOWN) continue;
			others += stated[nutrient] ?? 0;
			addTimes(left, this.#column(place), -1, count);
		}
		for (let round = 0; round < count; round++) into[round] = Math.max(0, (left[round] ?? 0) + others);
	}
}
