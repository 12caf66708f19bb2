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

/** Step of the difference quotient, as a part of the input's standard deviation: within the same piece of a bend. */
const STEP = 0.01;

/**
 * ∂y/∂x · σ of every input that varies, for each figure `read` gives, by central differences about the means: the
 * rounds of the kernel are the steps up and down.
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
	const pairs = CHUNK / 2;
	for (let from = 0; from < varying.length; from += pairs) {
		const some = varying.slice(from, from + pairs);
		for (const [place, { sampler }] of model.inputs.entries()) kernel.columns[place]?.fill(meanOf(sampler));
		for (const [pair, { place, sd }] of some.entries()) {
			const column = kernel.columns[place];
			const middle = column?.[0] ?? 0;
			column?.set([middle + STEP * sd, middle - STEP * sd], 2 * pair);
		}
		kernel.run(2 * some.length);
		const rows = some.map(({ name }) => ({ input: name, effects: Array<number>(figures).fill(0) }));
		for (let figure = 0; figure < figures; figure++) {
			read(figure, into, 2 * some.length);
			for (const [pair, row] of rows.entries())
				row.effects[figure] = ((into[2 * pair] ?? 0) - (into[2 * pair + 1] ?? 0)) / (2 * STEP);
		}
		found.push(...rows);
	}
	return found;
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
