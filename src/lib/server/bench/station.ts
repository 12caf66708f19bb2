import { NotFound } from '../errors.ts';
import type { LabelContent } from '$core/label/content.ts';
import type { StationFacts, StationLabel } from '../../batch/bench/station.ts';
import { processOf, stepsCooked, UNCOOKED, type Choices, type Step } from '$core/formula/process.ts';
import type { Batch } from '../../batch/types.ts';
import type { Database } from '../db/connection.ts';
import { allFamilies } from '../families.ts';
import { heldBatch } from '../labels/held.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { toList, type Row } from '../rows.ts';

/** The steps and cautions of a batch, and its label: the one it was packed under, or the newest approved. */
export async function stationFacts(
	db: Database,
	kitchen: Kitchen,
	batch: Pick<Batch, 'id' | 'productId' | 'cooking'>
): Promise<StationFacts> {
	const [version, revision, families, held] = await Promise.all([
		db('batches as b')
			.join('formula_versions as v', 'v.id', 'b.formula_version_id')
			.where({ 'b.kitchen_id': kitchen.id, 'b.id': batch.id })
			.first<Row | undefined>('v.family', 'v.choices', 'v.steps'),
		db('batches as b')
			.join('labels as l', (on) =>
				on.on('l.product_id', 'b.product_id').andOnVal('l.rules', '=', kitchen.rules)
			)
			.join('label_revisions as r', 'r.label_id', 'l.id')
			.where({ 'b.kitchen_id': kitchen.id, 'b.id': batch.id })
			// The one it was packed under comes first, whatever was approved since.
			.orderByRaw('r.id <=> b.label_revision_id DESC, r.number DESC')
			.first<Row | undefined>('r.number', 'r.declared_g', 'r.content'),
		allFamilies(db, kitchen.id),
		heldBatch(db, kitchen, batch.id)
	]);
	if (!version) throw new NotFound('this batch is not here');
	const choices = JSON.parse(version.choices) as Choices;
	const family = families.find((each) => each.id === version.family) ?? null;
	return {
		held,
		steps: stepsCooked(toList<Step>(version.steps), family, choices, batch.cooking),
		cautions: processOf(family, { ...choices, ...(batch.cooking ? { cooking: batch.cooking } : {}) })
			.cautions,
		uncooked: choices.cooking === UNCOOKED,
		partCooked: choices.sold === 'part-cooked, the customer finishes',
		label: revision ? labelOf(revision) : null
	};
}

function labelOf(revision: Row): StationLabel {
	const { bestBeforeDays, dateKind } = JSON.parse(revision.content) as Partial<LabelContent>;
	return {
		number: revision.number,
		declared_g: Number(revision.declared_g),
		bestBeforeDays: bestBeforeDays ?? null,
		dateKind: dateKind ?? 'best before'
	};
}
