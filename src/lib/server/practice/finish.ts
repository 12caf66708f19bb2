import { derive } from '$core/derive.ts';
import type { Recipe } from '$core/formula/types.ts';
import { exerciseById } from '$core/practice/exercises.ts';
import { gradeOf } from '$core/practice/grade.ts';
import { liesOf, trueRecipe } from '$core/practice/lies.ts';
import { momentsOf } from '$core/practice/moments.ts';
import { claimText, SLIP_WORDS, SLIPS, type Claim } from '$core/practice/slips.ts';
import { BOWL, KEPT_BATCHES, TOOLS } from '$core/practice/truth.ts';
import type { Worked } from '$core/practice/worked.ts';
import { wentIn_g } from '$core/practice/world.ts';
import { ribbonFigures, type RibbonFigures } from '$core/ribbon/ribbon.ts';
import type { Batch } from '../../batch/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Outcome, SayBasis } from '../../practice/types.ts';
import { getBatch } from '../batches/read.ts';
import { cleansOn } from '../contact/cleans.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { listEquipment } from '../equipment.ts';
import { refuse } from '../errors.ts';
import { listIngredients } from '../ingredients.ts';
import { today } from '../kitchens.ts';
import { utcNow } from '../rows.ts';
import { tryIn, worldOf, type Try } from './tries.ts';

/** What can be said at the end of an exercise, and what is still open. Throws `NotFound` where nothing is practised. */
export async function sayBasis(db: Database, kitchen: Kitchen): Promise<SayBasis> {
	const { truth, batchId, exercise } = await tryIn(db, kitchen.id);
	const batch = batchId === null ? null : await getBatch(db, kitchen, batchId);
	const ofStory = (of: keyof SayBasis['subjects']) => of !== 'batch' || truth.lots.length > 0;
	return {
		slips: SLIPS.map((slip) => ({ slip, ...SLIP_WORDS[slip] })).filter(
			({ of }) => of === null || ofStory(of)
		),
		subjects: {
			line: truth.lines.map(({ name }) => name),
			container: [BOWL.name],
			equipment: [...TOOLS],
			batch: truth.lots.length > 0 ? [...KEPT_BATCHES] : []
		},
		open: exercise.closes && batch && batch.closed.length === 0 ? ['The batch is not closed yet.'] : []
	};
}

/**
 * Finishes an exercise: what was made of it is graded against the truth, and kept. Finished twice it stays as it was
 * first. Throws `Refused`, `NotFound`.
 */
export async function finishPractice(
	db: Database,
	kitchen: Kitchen,
	claims: readonly Claim[]
): Promise<string> {
	return inTransaction(db, async (transaction) => {
		await transaction('kitchens').where('id', kitchen.id).forUpdate().first('id');
		const tried = await tryIn(transaction, kitchen.id);
		if (tried.isFinished) return tried.id;
		if (claims.length === 0) refuse('claims', 'say what was wrong, or that nothing was');
		const outcome = await outcomeOf(transaction, kitchen, tried, claims);
		await transaction('practice_tries')
			.where('id', tried.id)
			.update({ finished_at: utcNow(), claims: JSON.stringify(claims), outcome: JSON.stringify(outcome) });
		return tried.id;
	});
}

async function outcomeOf(
	db: Database,
	kitchen: Kitchen,
	tried: Try,
	claims: readonly Claim[]
): Promise<Outcome> {
	const { exercise, truth, batchId } = tried;
	const world = await worldOf(db, tried);
	const batch = await getBatch(db, kitchen, batchId ?? '');
	const theirs = await onTheShelf(db, kitchen.id, batch.recipe);
	const worked = await workedOf(db, kitchen, batch, theirs);
	const hasDough = wentIn_g(world) > 0;
	const ribbonOf = (recipe: Recipe): RibbonFigures | null => {
		const derived = derive(recipe);
		return derived.ok ? ribbonFigures(recipe, derived.value, 0) : null;
	};
	const really = hasDough && exercise.works ? ribbonOf(trueRecipe(truth, world)) : null;
	return {
		grade: gradeOf(exercise, truth, world, worked, claims),
		hidden: claimText(truth.slip),
		moments: momentsOf(truth),
		lies: hasDough ? liesOf(truth, world, theirs) : [],
		ribbons: really && { really, theirs: ribbonOf(theirs) },
		minutes: world.minutes,
		hints: world.hints,
		skill: exercise.skill,
		next: nextOf(exercise.next)
	};
}

const nextOf = (id: string) => ({ id, name: exerciseById(id)?.name ?? '' });

/** The recipe with what the shelf says now of allergens: what a label would declare. */
async function onTheShelf(db: Database, kitchenId: string, recipe: Recipe): Promise<Recipe> {
	const shelf = new Map((await listIngredients(db, kitchenId)).map((each) => [each.id, each]));
	return {
		...recipe,
		ingredients: recipe.ingredients.map((each) => ({
			...each,
			allergens: shelf.get(each.id)?.allergens ?? each.allergens
		}))
	};
}

/** What stands in the record, on the shelf and among the cleans. */
async function workedOf(db: Database, kitchen: Kitchen, batch: Batch, theirs: Recipe): Promise<Worked> {
	const derived = derive(theirs);
	const [cleans, equipment] = await Promise.all([
		cleansOn(db, kitchen.id, [today(kitchen), batch.madeOn]),
		listEquipment(db, kitchen.id)
	]);
	const closing = batch.closed.at(-1);
	return {
		lines: batch.lines.map(({ name, use, weighed_g, weighedUptake_g }) => ({
			name,
			isDough: use === 'dough',
			weighed_g,
			uptake_g: weighedUptake_g
		})),
		doughWeight_g: batch.doughWeight_g,
		ballCount: batch.ballCount,
		ballWeights_g: batch.ballWeights_g,
		leftover_g: batch.leftover_g,
		finishedWeights_g: batch.finishedWeights_g,
		rejects: batch.rejects,
		sellable: batch.sellable,
		packs: batch.packs,
		loose: batch.loose,
		stages: batch.closings.map(({ stage, state }) => ({ stage, state })),
		closedWith: closing ? closing.reason : null,
		contains: derived.ok ? derived.value.allergens.contains : [],
		cleansNoted: cleans
			.filter(({ voided }) => voided === null)
			.flatMap(({ equipment: id }) => equipment.find((each) => each.id === id)?.name ?? [])
	};
}
