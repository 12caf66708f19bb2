import { expose } from 'comlink';
import { derive } from '$core/derive.ts';
import { rulesOf } from '$core/rules/index.ts';
import { printedNumber } from '$core/rules/tolerance.ts';
import { whatHelps } from '$core/sure/acts.ts';
import { Drawing } from '$core/sure/drawing.ts';
import type { Assumptions } from '$core/sure/assumptions.ts';
import type { Recipe } from '$core/formula/types.ts';
import type { PrintedSure, SureFigure } from '$core/sure/result.ts';
import { SURE_ENOUGH, type Bins, type FigureHelp, type SureProgress } from './types.ts';

/** The first answer comes after so many rounds, each next one after twice as many. */
const FIRST_ROUNDS = 1000;
/** Of each act; the chance is good to half a percent. */
const ACT_DRAWS = 10_000;
const SEED = 1;

let running = 0;

const BINS = 40;

/** The draws of each figure that prints, counted between what is found 1 and 99 times in 100. */
function binsOf(drawing: Drawing, figures: readonly SureFigure[]): Record<string, Bins> {
	const counted = figures.flatMap((figure): [string, Bins][] => {
		const draws = figure.printed === null ? null : drawing.drawsOf(figure.figure);
		if (figure.printed === null || !draws) return [];
		const { p5, p50, p95 } = figure.found;
		// Beyond these hardly anything is found.
		const [from, to] = [p50 - 2 * (p50 - p5), p50 + 2 * (p95 - p50)];
		const step = (to - from) / BINS;
		if (!(step > 0)) return [];
		const counts = Array<number>(BINS).fill(0);
		for (const found of draws) {
			const bin = Math.floor((found - from) / step);
			if (bin >= 0 && bin < BINS) counts[bin] = (counts[bin] ?? 0) + 1;
		}
		return [[figure.figure, { from, step, counts }]];
	});
	return Object.fromEntries(counted);
}

/** Lets what came in meanwhile be heard: a stop, or another question. */
const breathe = () => new Promise((resolve) => setTimeout(resolve));

/** What was added has to be found in full: its bound is what is printed. */
const isAdded = ({ low, printed }: PrintedSure): boolean => low !== null && low === printedNumber(printed);

const api = {
	/** Draws, telling what is found as it grows; ends at once when it is stopped or asked anew. */
	async draw(
		recipe: Recipe,
		given: Assumptions,
		draws: number,
		tell: (progress: SureProgress) => void,
		helped: (help: FigureHelp) => void
	): Promise<void> {
		const mine = ++running;
		const isOver = () => mine !== running;
		const facts = derive(recipe);
		if (!facts.ok) return;
		const drawing = new Drawing(recipe, facts.value, given, draws, SEED);
		const isDone = () => drawing.isDone;
		let next = FIRST_ROUNDS;
		while (!isDone()) {
			drawing.draw(FIRST_ROUNDS);
			if (drawing.done >= next || isDone()) {
				const figures = drawing.result();
				tell({ done: drawing.done, draws, figures, bins: binsOf(drawing, figures) });
				next *= 2;
			}
			await breathe();
			if (isOver()) return;
		}
		const rules = rulesOf(recipe.rules);
		const unsure = drawing
			.result()
			.filter((figure): figure is PrintedSure => figure.printed !== null && figure.survives < SURE_ENOUGH)
			.sort((a, b) => a.survives - b.survives);
		for (const figure of unsure) {
			const { helps, atBest } = whatHelps({ recipe, given }, figure, ACT_DRAWS, SEED);
			helped({
				figure: figure.figure,
				now: figure.survives,
				helps,
				atBest,
				safe: rules.safePrint(figure.figure, figure.found, isAdded(figure))
			});
			await breathe();
			if (isOver()) return;
		}
	},
	stop(): void {
		running++;
	}
};

export type DrawingWorker = typeof api;
expose(api);
