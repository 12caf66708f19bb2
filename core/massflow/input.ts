import { uptakeOf_g } from '../formula/surface.ts';
import { doughMass_g, type Recipe } from '../formula/types.ts';
import { sumOf } from '../measure/round.ts';
import type { MassInput } from './massflow.ts';

/** What the mass flow needs of a recipe: what was counted stands before what was planned. */
export function massInput({
	formula,
	product,
	measured
}: Omit<Recipe, 'rules' | 'currency' | 'ingredients'>): MassInput {
	const given = <T>(value: T | null) => value ?? undefined;
	const samples = (weights: number[]) => (weights.length > 0 ? weights : undefined);
	return {
		doughMass_g: doughMass_g(formula.lines),
		uptake_g: sumOf(formula.lines, uptakeOf_g),
		doughWeight_g: given(measured.doughWeight_g),
		ballWeight_g: given(product.ballWeight_g),
		count: given(measured.balls ?? product.balls),
		ballWeights_g: samples(measured.ballWeights_g),
		finishedWeights_g: samples(measured.finishedWeights_g),
		rejects: measured.rejects,
		packPieces: given(product.packPieces)
	};
}
