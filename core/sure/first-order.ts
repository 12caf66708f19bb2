import type { Column } from './columns.ts';
import { CHUNK, type Kernel } from './kernel.ts';
import type { SureModel } from './model.ts';
import { meanOf, sdOf } from './sampler.ts';

/** What one input contributes to the spread of a figure. */
export interface Share {
	input: string;
	/** Of the variance, 0 to 1. */
	share: number;
}

/** Step of the difference quotients, as a part of the input's standard deviation. */
const STEP = 0.01;

/**
 * |∂y/∂x| · σ of every input that varies, for each figure `read` gives, by differences about the means: the rounds of
 * the kernel are the means and the steps up and down.
 */
export function effects(
	model: SureModel,
	kernel: Kernel,
	figures: number,
	read: (figure: number, into: Column, count: number) => void
): { input: string; effects: number[] }[] {
	const varying = model.inputs
		.map(({ name, sampler }, place) => ({ name, place, sd: sdOf(sampler) }))
		.filter(({ sd }) => sd > 0);
	const found: { input: string; effects: number[] }[] = [];
	const into = new Float64Array(CHUNK);
	const pairs = CHUNK / 2 - 1;
	for (let from = 0; from < varying.length; from += pairs) {
		const some = varying.slice(from, from + pairs);
		for (const [place, { sampler }] of model.inputs.entries()) kernel.columns[place]?.fill(meanOf(sampler));
		for (const [pair, { place, sd }] of some.entries()) {
			const column = kernel.columns[place];
			const middle = column?.[0] ?? 0;
			// The first round is that of the means.
			column?.set([middle + STEP * sd, middle - STEP * sd], 1 + 2 * pair);
		}
		const rounds = 1 + 2 * some.length;
		kernel.run(rounds);
		const rows = some.map(({ name }) => ({ input: name, effects: Array<number>(figures).fill(0) }));
		for (let figure = 0; figure < figures; figure++) {
			read(figure, into, rounds);
			const middle = into[0] ?? 0;
			for (const [pair, row] of rows.entries())
				row.effects[figure] = slope(
					((into[1 + 2 * pair] ?? 0) - middle) / STEP,
					(middle - (into[2 + 2 * pair] ?? 0)) / STEP
				);
		}
		found.push(...rows);
	}
	return found;
}

/**
 * The effect of an input with these slopes above and below its mean: both are the same but where the mean lies in a
 * bend, as a carbohydrate of zero does, which cannot fall. There it is the standard deviation of what a normal input
 * comes to: (a² + b²)/2 − (a − b)²/2π.
 */
function slope(above: number, below: number): number {
	return Math.sqrt((above * above + below * below) / 2 - (above - below) ** 2 / (2 * Math.PI));
}

/** The standard deviation these effects come to, and the share of each in its square, largest first. */
export function shareOut(parts: readonly { input: string; effect: number }[]): {
	sd: number;
	shares: Share[];
} {
	const variance = parts.reduce((sum, { effect }) => sum + effect * effect, 0);
	if (variance === 0) return { sd: 0, shares: [] };
	const shares = parts
		.map(({ input, effect }) => ({ input, share: (effect * effect) / variance }))
		.filter(({ share }) => share > 0)
		.sort((a, b) => b.share - a.share);
	return { sd: Math.sqrt(variance), shares };
}
