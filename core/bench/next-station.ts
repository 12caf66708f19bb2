import type { BatchLine, BatchMeasured } from './batch.ts';

/** Where the work on a batch goes on, and how far it is. */
export interface NextStation {
	path: 'weigh' | 'mix' | 'divide' | 'cook' | 'pack';
	words: string;
}

/** The next station of a batch that is being made, by what was measured of it. */
export function nextStation(
	batch: Pick<BatchMeasured, 'doughWeight_g' | 'ballCount' | 'ballWeights_g' | 'finishedWeights_g'> & {
		lines: readonly Pick<BatchLine, 'use' | 'weighed_g'>[];
		recorded: boolean;
	}
): NextStation {
	const mix = batch.lines.filter((line) => line.use === 'dough');
	const weighed = mix.filter((line) => line.weighed_g !== null).length;
	if (!batch.recorded) return { path: 'weigh', words: 'nothing weighed yet' };
	if (weighed < mix.length) return { path: 'weigh', words: `${weighed} of ${mix.length} lines weighed in` };
	if (batch.doughWeight_g === null) return { path: 'mix', words: 'weighed in, mixing' };
	if (batch.ballCount === null)
		return {
			path: 'divide',
			words:
				batch.ballWeights_g.length === 0 ? 'dough weighed' : `${batch.ballWeights_g.length} balls weighed`
		};
	if (batch.finishedWeights_g.length === 0)
		return { path: 'cook', words: `${batch.ballCount} balls to cook` };
	return { path: 'pack', words: 'cooked, to be counted and packed' };
}
