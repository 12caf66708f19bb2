import type { Facts } from '$core/derive.ts';
import type {
	Ingredient,
	Line,
	Measured,
	MixGap,
	Pack,
	Piece,
	Recipe,
	RulesName
} from '$core/formula/types.ts';
import type { Outcome } from '$core/problem.ts';
import { derivePlan } from '$core/plan.ts';
import type { Product } from './server/products.ts';

/** What a formula or batch and its product say, for putting a recipe together on server and page alike. */
export interface RecipeParts {
	rules: RulesName;
	currency: string;
	name: string;
	lines: Line[];
	/** Of the whole shelf; the recipe takes those the lines use. */
	ingredients: readonly Ingredient[];
	piece: Piece;
	batch?: Measured & { mixGap: MixGap };
	pack: Pack;
}

/** What a formula's lines come to made as one of its products. */
export function productParts(
	of: Omit<RecipeParts, 'piece' | 'batch' | 'pack'> & { mixGap: MixGap },
	product: Product
): RecipeParts & { batch: Measured & { mixGap: MixGap } } {
	const { mixGap, ...rest } = of;
	return {
		...rest,
		piece: {
			one: product.pieceOne,
			many: product.pieceMany,
			category: product.category,
			ballWeight_g: product.ballWeight_g
		},
		batch: {
			mixGap,
			...(product.servingPieces === null ? {} : { servingPieces: product.servingPieces })
		},
		pack: { pieces: product.packPieces, materials: product.materials }
	};
}

/** The Square Batch recipe of a formula made as a product, or of a batch of it. */
export function recipeOf(parts: RecipeParts): Recipe {
	const used = new Set(parts.lines.map((line) => line.ingredient));
	return {
		squareBatch: 1,
		rules: parts.rules,
		currency: parts.currency,
		ingredients: parts.ingredients.filter((ingredient) => used.has(ingredient.id)),
		formula: { name: parts.name, lines: parts.lines },
		piece: parts.piece,
		...(parts.batch ? { batch: parts.batch } : {}),
		pack: parts.pack
	};
}

/** Facts of a formula made as a product, with the cook loss its kitchen has seen. */
export function planFacts(parts: RecipeParts, cookLoss: number | null): Outcome<Facts> {
	return derivePlan(recipeOf(parts), cookLoss);
}
