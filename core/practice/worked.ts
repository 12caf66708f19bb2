import type { Stage } from '../squaring/stages.ts';

/** What was made of an exercise: what stands in the record of its batch, and on its shelf, when it is finished. */
export interface Worked {
	/** Lines of the batch by their ingredient's name and use. */
	lines: { name: string; isDough: boolean; weighed_g: number | null; uptake_g: number | null }[];
	doughWeight_g: number | null;
	ballCount: number | null;
	ballWeights_g: number[];
	leftover_g: number | null;
	finishedWeights_g: number[];
	rejects: number;
	sellable: number | null;
	packs: number | null;
	loose: number | null;
	/** Stages of the batch, and how each stands. */
	stages: { stage: Stage; state: 'squares' | 'off' | 'open' }[];
	/** Why it was closed; null while it is open. */
	closedWith: string | null;
	/** Allergens its label would declare. */
	contains: string[];
	/** Tools a clean is noted of since the helper's notes. */
	cleansNoted: string[];
}

/** Where nothing was done at all. */
export const UNTOUCHED: Worked = {
	lines: [],
	doughWeight_g: null,
	ballCount: null,
	ballWeights_g: [],
	leftover_g: null,
	finishedWeights_g: [],
	rejects: 0,
	sellable: null,
	packs: null,
	loose: null,
	stages: [],
	closedWith: null,
	contains: [],
	cleansNoted: []
};
