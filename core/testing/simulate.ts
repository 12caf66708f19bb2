import { residueLimit_g } from '../massflow/massflow.ts';
import type { ExplainFigures } from '../squaring/likelihood.ts';

/** Numbers that look random and are the same each time for a seed. */
export function randomOf(seed: number): () => number {
	let state = seed >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let t = Math.imul(state ^ (state >>> 15), state | 1);
		t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
		return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
	};
}

const LINES = ['flour', 'water', 'fat', 'salt', 'leavening', 'sugar'];
/** Weighings carry the scale's step as an even error. */
const within = (random: () => number, half: number) => (random() - 0.5) * 2 * half;
const normal = (random: () => number, mean: number, sd: number) =>
	mean + sd * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/**
 * A batch as a careful kitchen would measure it on a scale of 1 g steps: lines near their plan, a residue
 * as this kitchen has it, balls with their spread of which twelve are weighed. Everything squares but
 * for the noise of weighing.
 */
export function simulateBatch(random: () => number): ExplainFigures {
	const step_g = 1;
	const read = (true_g: number) => Math.round(true_g + within(random, step_g / 2));
	const flour = 600 + random() * 2400;
	const shares = [1, 0.5 + random() * 0.2, 0.03 + random() * 0.12, 0.012 + random() * 0.01, 0.02, 0.04];
	const lines = shares.map((share, index) => {
		const planned_g = Math.round(flour * share);
		const true_g = normal(random, planned_g, planned_g * 0.005);
		return { id: LINES[index] ?? '', name: LINES[index] ?? '', planned_g, true_g, recorded_g: read(true_g) };
	});
	const mass_g = lines.reduce((sum, line) => sum + line.true_g, 0);
	const usual = { mean_g: residueLimit_g(mass_g) * 0.4, sd_g: residueLimit_g(mass_g) * 0.1 };
	const dough_g = mass_g - Math.max(0, normal(random, usual.mean_g, usual.sd_g));
	const aim_g = 40 + random() * 60;
	const spread_g = 0.5 + random();
	const balls: number[] = [];
	let left_g = dough_g;
	for (let ball = normal(random, aim_g, spread_g); ball < left_g; ball = normal(random, aim_g, spread_g)) {
		balls.push(ball);
		left_g -= ball;
	}
	const sample = balls.toSorted(() => random() - 0.5).slice(0, 12);
	const rejects = Math.floor(random() * 3);
	const sellable = balls.length - rejects;
	return {
		doughMass_g: lines.reduce((sum, line) => sum + line.recorded_g, 0),
		mixGap: 'residue',
		doughLines: lines.length,
		doughWeight_g: read(dough_g),
		ballCount: balls.length,
		ballWeights_g: sample.map(read),
		leftover_g: read(left_g),
		finishedWeights_g: [aim_g * 0.85],
		cookLoss: 0.15,
		finishedMoisture: 0.33,
		rejects,
		sellable,
		packs: Math.floor(sellable / 6),
		loose: sellable % 6,
		packPieces: 6,
		scaleDivision_g: step_g,
		lines: lines.map(({ true_g: _true, ...line }) => line),
		containers: [
			{ name: 'steel bowl', tare_g: 412 },
			{ name: 'tray', tare_g: 655 }
		],
		usualGap: usual
	};
}

/** The batch with a line that went in and was not noted. */
export function withMissedLine(figures: ExplainFigures, index: number): ExplainFigures {
	const lines = figures.lines.map((line, at) => (at === index ? { ...line, recorded_g: 0 } : line));
	return { ...figures, lines, doughMass_g: lines.reduce((sum, line) => sum + line.recorded_g, 0) };
}

/** The batch with a line that was noted and never went in: the dough lacks it. */
export function withLineLeftOut(figures: ExplainFigures, index: number): ExplainFigures {
	return {
		...figures,
		doughWeight_g: (figures.doughWeight_g ?? 0) - (figures.lines[index]?.recorded_g ?? 0)
	};
}
