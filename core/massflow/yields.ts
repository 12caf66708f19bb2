/** The yields of a batch, each a fraction; null where a finished weight is missing (section 4). */
export interface Yields {
	dough: number;
	dividing: number;
	cook: number | null;
	piece: number;
	overall: number | null;
}

/** What a batch's yields follow from. */
export interface YieldFigures {
	doughMass_g: number;
	doughWeight_g: number;
	pieces: number;
	ballWeight_g: number;
	cookLoss: number | null;
	sellable: number;
	overallYield: number | null;
}

/** Dough weight ÷ weighed in, balls ÷ dough, finished ÷ raw piece, sellable ÷ made, and overall. */
export function yieldsOf(figures: YieldFigures): Yields {
	return {
		dough: figures.doughWeight_g / figures.doughMass_g,
		dividing: (figures.pieces * figures.ballWeight_g) / figures.doughWeight_g,
		cook: figures.cookLoss === null ? null : 1 - figures.cookLoss,
		piece: figures.sellable / figures.pieces,
		overall: figures.overallYield
	};
}
