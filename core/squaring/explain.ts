import type { Closing } from './closings.ts';
import { explainCount, explainPack } from './explain-counts.ts';
import { explainDivide } from './explain-divide.ts';
import { explainMix } from './explain-mix.ts';
import type { Explanation, ExplainFigures } from './likelihood.ts';

/**
 * What would explain a stage that is off, the likeliest first (computation, section 13): by how near the
 * gap it leaves is to what is usual, and how often such a thing happens. Empty for a stage that is not
 * off, and where nothing known comes near: then it has to be weighed or counted again.
 */
export function explanations(closing: Closing, figures: ExplainFigures): Explanation[] {
	if (closing.state !== 'off') return [];
	switch (closing.stage) {
		case 'mix':
			return explainMix(closing, figures);
		case 'divide':
			return explainDivide(closing, figures);
		case 'count':
			return explainCount(closing.gap, figures);
		case 'pack':
			return explainPack(closing.gap, figures);
		case 'cook':
		case 'stock':
			return [];
	}
}
