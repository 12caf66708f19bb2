import { processOf, UNCOOKED } from '$core/formula/process.ts';
import { sumOf } from '$core/measure/round.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import { getIngredient } from '../ingredients.ts';
import { freeName } from './drafts.ts';
import { createFormula } from './keep.ts';
import { listFormulas } from './read.ts';

/**
 * A formula by which a mix of one's own is sold by the jar: the mix's own lines, one jar a piece and a pack, nothing
 * cooked; its id, `id`. Throws `Refused` while the jar's weight is not said.
 */
export async function sellByTheJar(
	db: Database,
	kitchen: Kitchen,
	mixId: string,
	id: string
): Promise<string> {
	const mix = await getIngredient(db, kitchen.id, mixId);
	const lines = mix.mix ?? [];
	if (mix.portion_g === null || sumOf(lines, (line) => line.grams) <= 0)
		refuse('jars', 'say first what goes into one jar, and save it');
	const choices = { cooking: UNCOOKED };
	const formulas = await listFormulas(db, kitchen.id);
	return createFormula(db, kitchen.id, id, {
		name: freeName(
			mix.name,
			formulas.map((formula) => formula.name)
		),
		mixGap: 'residue',
		choices,
		steps: processOf(null, choices).steps,
		lines: lines.map((line) => ({
			ingredient: line.ingredient,
			use: 'dough',
			stage: 'Dry',
			used_g: line.grams,
			uptake_g: null
		})),
		productId: null,
		product: {
			pieceOne: 'jar',
			pieceMany: 'jars',
			category: 'flatbread',
			ballWeight_g: mix.portion_g,
			packPieces: 1,
			servingPieces: null,
			price: null,
			materials: [],
			diameter_cm: null,
			thickness_mm: null,
			discs: []
		}
	});
}
