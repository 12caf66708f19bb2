import { NUTRIENTS, type Nutrient } from '../composition/nutrients.ts';
import type { Facts } from '../facts.ts';
import { ingredientsOf, type Recipe } from '../formula/types.ts';
import type { Figure } from '../rules/figure.ts';
import { rulesOf } from '../rules/index.ts';
import type { RuleSet } from '../rules/ruleset.ts';
import type { Bounds } from '../rules/tolerance.ts';
import type { Assumptions } from './assumptions.ts';
import type { Column } from './columns.ts';
import { effects, shareOut } from './first-order.ts';
import { CHUNK, Kernel } from './kernel.ts';
import { laboratoryRsd } from './laboratory.ts';
import { sureModel, type SureModel } from './model.ts';
import { fillOf, type Fill } from './random.ts';
import { foundOf, survivalOf, type SureFigure } from './result.ts';
import { meanOf } from './sampler.ts';

/** A figure that prints, and how its nutrients make it up. */
interface Declared {
	figure: Figure;
	printed: string;
	bounds: Bounds;
	/** Factor of each nutrient. */
	coefficients: number[];
	found: Column;
	/** A laboratory's own draws, about 1; null where it is left out. */
	laboratory: { fill: Fill; sd: number } | null;
}

/**
 * The draws of a recipe: begun once, gone on with as long as somebody likes, and read at any time. All inputs of a
 * round are drawn once, and every figure of it follows from the same draws.
 */
export class Drawing {
	readonly #recipe: Recipe;
	readonly #facts: Facts;
	readonly #rules: RuleSet;
	readonly #declared: Declared[] = [];
	readonly #model: SureModel | null;
	readonly #kernel: Kernel | null;
	/** Draw what varies anew. */
	readonly #fills: ((count: number) => void)[] = [];
	readonly #grams: number;
	readonly #laboratory = new Float64Array(CHUNK);
	readonly #draws: number;
	readonly seed: number;
	#done = 0;

	/** `facts` are what `derive` makes of the recipe. */
	constructor(recipe: Recipe, facts: Facts, given: Assumptions, draws: number, seed: number) {
		this.#recipe = recipe;
		this.#facts = facts;
		this.#rules = rulesOf(recipe.rules);
		this.#draws = draws;
		this.seed = seed;
		const finished_g = facts.yield.finishedWeight_g;
		const grams = this.#rules.analysed_g(facts);
		this.#grams = grams ?? 0;
		if (finished_g === null || grams === null) {
			this.#model = null;
			this.#kernel = null;
			return;
		}
		this.#model = sureModel(recipe, facts.yield, finished_g, given);
		this.#kernel = new Kernel(this.#model, finished_g);
		for (const [place, { name, sampler }] of this.#model.inputs.entries()) {
			const column = this.#kernel.columns[place];
			if (!column) continue;
			const fill = fillOf(sampler, seed, name);
			if (sampler.kind === 'fixed') fill(column, CHUNK);
			else this.#fills.push((count) => fill(column, count));
		}
		const added = addedNutrients(recipe, given);
		for (const figure of this.#rules.figures) this.#declare(figure, added);
		this.#prepareLaboratory(given);
	}

	/** Rounds that were drawn. */
	get done(): number {
		return this.#done;
	}

	get isDone(): boolean {
		return this.#done >= this.#draws || !this.#kernel;
	}

	/** Draws so many rounds more, as far as there are any left. */
	draw(rounds: number): void {
		const kernel = this.#kernel;
		if (!kernel) return;
		const end = Math.min(this.#draws, this.#done + rounds);
		while (this.#done < end) {
			const count = Math.min(CHUNK, end - this.#done);
			for (const fill of this.#fills) fill(count);
			kernel.run(count);
			for (const each of this.#declared) {
				kernel.figure(each.coefficients, this.#grams, each.found, this.#done, count);
				if (each.laboratory) this.#analyse(each.found, each.laboratory.fill, count);
			}
			this.#done += count;
		}
	}

	/** What the draws so far say of every figure, in the order they print. */
	result(): SureFigure[] {
		const parts = this.#effects();
		let at = 0;
		return this.#rules.figures.map((figure): SureFigure => {
			const declared = this.#declared[at];
			if (declared?.figure !== figure) return { figure: figure.key, printed: null };
			const { sd, shares } = shareOut(parts(at++));
			const found = declared.found.subarray(0, this.#done);
			return {
				figure: figure.key,
				printed: declared.printed,
				unit: figure.unit,
				...declared.bounds,
				found: foundOf(found),
				...survivalOf(found, declared.bounds),
				firstOrderSd: sd,
				shares
			};
		});
	}

	/** The chance of one figure alone, by the draws so far; 0 where it does not print. */
	survival(key: string): number {
		const declared = this.#declared.find((each) => each.figure.key === key);
		return declared ? survivalOf(declared.found.subarray(0, this.#done), declared.bounds).survives : 0;
	}

	/** The draws of a figure so far; null where it does not print. */
	drawsOf(key: string): Float64Array | null {
		return this.#declared.find((each) => each.figure.key === key)?.found.subarray(0, this.#done) ?? null;
	}

	#declare(figure: Figure, added: ReadonlySet<Nutrient>): void {
		const { product } = this.#recipe;
		const printed = this.#rules.columnsOf(this.#facts, product, figure.key)?.[0]?.printed ?? null;
		if (printed === null) return;
		const coefficients = coefficientsOf(figure);
		const isAdded = NUTRIENTS.some((nutrient, place) => coefficients[place] !== 0 && added.has(nutrient));
		this.#declared.push({
			figure,
			printed,
			bounds: this.#rules.boundsOf(figure.key, printed, isAdded),
			coefficients,
			found: new Float64Array(this.#draws),
			laboratory: null
		});
	}

	/** A laboratory's spread goes by the mean of what is drawn: taken from a first run at the inputs' means. */
	#prepareLaboratory(given: Assumptions): void {
		if (!given.laboratory || this.#rules.boundsHoldLaboratory) return;
		const means = this.#atMeans();
		for (const [place, each] of this.#declared.entries()) {
			const per100g = ((means[place] ?? 0) * 100) / this.#grams;
			const sd = laboratoryRsd(per100g, each.figure.unit);
			const fill = fillOf({ kind: 'normal', mean: 1, sd }, this.seed, `laboratory ${each.figure.key}`);
			if (sd > 0) each.laboratory = { fill, sd };
		}
	}

	/** Every figure with all inputs at their means, and without a laboratory. */
	#atMeans(): number[] {
		const kernel = this.#kernel;
		if (!kernel || !this.#model) return [];
		for (const [place, { sampler }] of this.#model.inputs.entries())
			kernel.columns[place]?.fill(meanOf(sampler));
		kernel.run(1);
		const into = new Float64Array(1);
		return this.#declared.map(({ coefficients }) => {
			kernel.figure(coefficients, this.#grams, into, 0, 1);
			return into[0] ?? 0;
		});
	}

	#analyse(found: Column, fill: Fill, count: number): void {
		fill(this.#laboratory, count);
		for (let round = 0; round < count; round++) {
			const at = this.#done + round;
			found[at] = Math.max(0, (found[at] ?? 0) * (this.#laboratory[round] ?? 1));
		}
	}

	/** What every input does to a figure, by the place of the figure among those that print. */
	#effects(): (place: number) => { input: string; effect: number }[] {
		const kernel = this.#kernel;
		if (!kernel || !this.#model) return () => [];
		const means = this.#atMeans();
		const rows = effects(this.#model, kernel, this.#declared.length, (place, into, count) =>
			kernel.figure(this.#declared[place]?.coefficients ?? [], this.#grams, into, 0, count)
		);
		return (place) => {
			const parts = rows.map(({ input, effects: all }) => ({ input, effect: all[place] ?? 0 }));
			const declared = this.#declared[place];
			if (declared?.laboratory)
				parts.push({
					input: `laboratory ${declared.figure.key}`,
					effect: declared.laboratory.sd * (means[place] ?? 0)
				});
			return parts;
		};
	}
}

/** The factor of every nutrient in a figure: figures are sums of them. */
function coefficientsOf(figure: Figure): number[] {
	const none = Object.fromEntries([...NUTRIENTS, 'ash_g'].map((key) => [key, 0]));
	return NUTRIENTS.map(
		(nutrient) => figure.of({ ...none, [nutrient]: 1 } as Parameters<Figure['of']>[0]) ?? 0
	);
}

/** Nutrients that some ingredient with mass in the recipe had added to it. */
function addedNutrients(recipe: Recipe, given: Assumptions): Set<Nutrient> {
	const ingredientOf = ingredientsOf(recipe);
	const used = new Set(recipe.formula.lines.filter((line) => line.used_g > 0).map((line) => line.ingredient));
	return new Set([
		...[...used].flatMap((id) => ingredientOf(id).added),
		...given.added.filter((each) => used.has(each.ingredient)).map((each) => each.nutrient)
	]);
}
