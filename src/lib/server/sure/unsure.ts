import { derive } from '$core/derive.ts';
import { rulesOf } from '$core/rules/index.ts';
import { bestChance } from '$core/sure/best.ts';
import { Drawing } from '$core/sure/drawing.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { TellingBatch } from '../../batch/summary.ts';
import type { Label } from '../../label/types.ts';
import { SURE_ENOUGH, type SureSubject, type UnsureFigure } from '../../sure/types.ts';
import type { Database } from '../db/connection.ts';
import { subjectFrom, sureBasis } from './question.ts';

/** Enough for a glance: a chance is good to a percent or so. */
const GLANCE_DRAWS = 2000;
const SEED = 1;
/** Answers kept: a label's are drawn again only where something it follows from is otherwise. */
const MOST_KEPT = 200;
const kept = new Map<string, UnsureFigure[]>();

/** The figures of each label that would not survive 95 times in 100, the least sure first; by product and rule set. */
export async function unsureFigures(
	db: Database,
	kitchen: Kitchen,
	labels: readonly Label[],
	recent?: readonly TellingBatch[]
): Promise<Map<Label, UnsureFigure[]>> {
	const basis = await sureBasis(db, kitchen, recent);
	const found = new Map<Label, UnsureFigure[]>();
	for (const label of labels) {
		found.set(label, unsureOf(subjectFrom(label, kitchen, basis)));
		// Drawing holds up whoever asks beside.
		await new Promise((resolve) => setImmediate(resolve));
	}
	return found;
}

function unsureOf({ recipe, given }: SureSubject): UnsureFigure[] {
	if (!recipe) return [];
	const key = JSON.stringify([recipe, given], (_, value: unknown) =>
		value instanceof Map ? [...value] : value
	);
	const before = kept.get(key);
	if (before) return before;
	const facts = derive(recipe);
	if (!facts.ok) return [];
	const drawing = new Drawing(recipe, facts.value, given, GLANCE_DRAWS, SEED);
	drawing.draw(GLANCE_DRAWS);
	const rules = rulesOf(recipe.rules);
	const unsure = drawing
		.result()
		.flatMap((figure): UnsureFigure[] =>
			figure.printed === null || figure.survives >= SURE_ENOUGH
				? []
				: [
						{
							name: rules.figures.find(({ key }) => key === figure.figure)?.name ?? figure.figure,
							survives: figure.survives,
							mends: bestChance(figure, given) >= SURE_ENOUGH
						}
					]
		)
		.sort((a, b) => a.survives - b.survives);
	kept.set(key, unsure);
	for (const oldest of kept.keys()) {
		if (kept.size <= MOST_KEPT) break;
		kept.delete(oldest);
	}
	return unsure;
}
