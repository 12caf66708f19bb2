import { compositionOf, type Nutrient, type SomeValues } from '../composition/nutrients.ts';
import type { Kind } from '../composition/kinds.ts';
import type {
	Category,
	Ingredient,
	Line,
	Material,
	MixGap,
	Part,
	Recipe,
	RulesName,
	SurfaceUse
} from '../formula/types.ts';

/** A part of a compound as the file has it. */
export interface PartDocument {
	name: string;
	parts?: PartDocument[];
}

export interface IngredientDocument {
	id: string;
	name: string;
	kind: Kind;
	label?: Partial<Record<RulesName, string>>;
	parts?: PartDocument[];
	per100g: SomeValues;
	/** Null or absent while nobody has confirmed them. */
	allergens?: string[] | null;
	/** Which of these come from a highly refined oil. */
	refined?: string[];
	/** Nutrients that were added to it. */
	added?: Nutrient[];
	price?: { amount: string; grams: number; usable?: number };
}

export type LineDocument = { ingredient: string; stage?: string | null } & (
	{ use: 'dough'; grams: number } | { use: SurfaceUse; consumed_g: number; uptake_g?: number }
);

/** A Square Batch file, version 1, once its shape is known to be sound. */
export interface FileDocument {
	squareBatch: 1;
	rules: RulesName;
	currency: string;
	ingredients: IngredientDocument[];
	formula: { name: string; lines: LineDocument[] };
	piece: { one: string; many: string; category: Category; ballWeight_g?: number; count?: number };
	batch?: {
		doughWeight_g?: number;
		mixGap?: MixGap;
		ballWeights_g?: number[];
		finishedWeights_g?: number[];
		rejects?: number;
		servingPieces?: number;
	};
	pack?: { pieces: number; materials?: Material[] };
}

/** The recipe a file's document stands for. */
export function recipeOfDocument(document: FileDocument): Recipe {
	const { piece, batch = {}, pack, formula } = document;
	const count = piece.count ?? null;
	// A file has one number of balls: it was counted where anything else was measured.
	const isMeasured = Object.keys(batch).some((key) => key !== 'mixGap' && key !== 'servingPieces');
	return {
		rules: document.rules,
		currency: document.currency,
		ingredients: document.ingredients.map(ingredientOf),
		formula: {
			name: formula.name,
			lines: formula.lines.map(lineOf),
			mixGap: batch.mixGap ?? 'residue'
		},
		product: {
			one: piece.one,
			many: piece.many,
			category: piece.category,
			ballWeight_g: piece.ballWeight_g ?? null,
			balls: isMeasured ? null : count,
			packPieces: pack?.pieces ?? null,
			materials: pack?.materials ?? [],
			servingPieces: batch.servingPieces ?? null
		},
		measured: {
			doughWeight_g: batch.doughWeight_g ?? null,
			ballWeights_g: batch.ballWeights_g ?? [],
			balls: isMeasured ? count : null,
			finishedWeights_g: batch.finishedWeights_g ?? [],
			rejects: batch.rejects ?? 0
		}
	};
}

/** A line of a file as the model has it. */
export function lineOf(line: LineDocument): Line {
	const common = { ingredient: line.ingredient, use: line.use, stage: line.stage || null };
	if (line.use === 'dough') return { ...common, used_g: line.grams, uptake_g: null };
	return { ...common, used_g: line.consumed_g, uptake_g: line.uptake_g ?? null };
}

/** A part, whether or not it was written with parts of its own. */
export const partOf = ({ name, parts = [] }: PartDocument): Part => ({ name, parts: parts.map(partOf) });

/** An ingredient of a file as the model has it. */
export function ingredientOf(ingredient: IngredientDocument): Ingredient {
	const { id, name, kind, label, parts = [], per100g, price } = ingredient;
	return {
		id,
		name,
		kind,
		label: { us: label?.us ?? null, eu: label?.eu ?? null },
		parts: parts.map(partOf),
		per100g: compositionOf(per100g),
		allergens: ingredient.allergens ?? null,
		refined: ingredient.refined ?? [],
		added: ingredient.added ?? [],
		price: price ? { ...price, usable: price.usable ?? 1 } : null
	};
}
