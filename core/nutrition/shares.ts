import { uptakeOf_g } from '../formula/surface.ts';
import { isDough, type Line, type MixGap } from '../formula/types.ts';
import type { MassFlow } from '../massflow/massflow.ts';

/** What one line puts into one piece before cooking. */
export interface Share {
	ingredient: string;
	mass_g: number;
}

/**
 * Grams of each line in one piece before cooking, in line order (section 5). Dough that stayed in the
 * bowl took every ingredient alike, so a line's share is of what was weighed in; dough that steamed
 * off lost water only, so a line's share is of the dough weight.
 */
export function pieceShares(lines: readonly Line[], flow: MassFlow, mixGap: MixGap): Share[] {
	const dough_g = mixGap === 'evaporation' ? flow.doughWeight_g : flow.doughMass_g;
	return lines.map((line) => ({
		ingredient: line.ingredient,
		mass_g: isDough(line) ? (line.used_g * flow.ballWeight_g) / dough_g : uptakeOf_g(line) / flow.pieces
	}));
}

/** Water that left one piece's dough before dividing, in grams: none unless the gap was evaporation. */
export function evaporatedPerPiece_g(
	flow: Pick<MassFlow, 'doughMass_g' | 'doughWeight_g' | 'ballWeight_g'>,
	mixGap: MixGap
): number {
	if (mixGap !== 'evaporation') return 0;
	return ((flow.doughMass_g - flow.doughWeight_g) * flow.ballWeight_g) / flow.doughWeight_g;
}
