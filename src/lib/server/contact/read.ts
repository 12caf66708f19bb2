import type { Contact, BatchContact } from '../../batch/contact.ts';
import {
	contactStanding,
	dayProposals,
	isDeclarable,
	unconfirmedBefore,
	type Proposal
} from '$core/allergens/contact.ts';
import { rulesOf } from '$core/rules/index.ts';
import { parseDate } from '@internationalized/date';
import type { Database } from '../db/connection.ts';
import { listEquipment } from '../equipment.ts';
import type { Equipment } from '../../kitchen/types.ts';
import { known } from '../db/known.ts';
import { listIngredients } from '../ingredients.ts';
import type { ShelfIngredient } from '../../shelf/ingredient.ts';
import { today } from '../kitchens.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { cleansOn } from './cleans.ts';
import type { RecordedClean } from '../../batch/contact.ts';
import { decisionsByProduct } from './decisions.ts';
import { handledBy, joined } from './handled.ts';
import { makingsOn } from './makings.ts';
import type { DayMaking } from '../../batch/contact.ts';
import { standingRisks } from './risks.ts';

/** Packs of batches older than this are taken to be gone; a longer best-before reaches further back. */
const LIVE_DAYS = 14;

/** What cross-contact needs of a product. */
export interface ContactProduct {
	id: string;
	/** Ids of the ingredients of its formula. */
	ingredients: readonly string[];
	/** Days a pack may be kept by its label; null when nothing is said. */
	keepDays: number | null;
}

/** Cross-contact of each product over its batches that may still be sold, by product id. */
export async function contactOfProducts(
	db: Database,
	kitchen: Kitchen,
	products: readonly ContactProduct[],
	ingredients: readonly ShelfIngredient[]
): Promise<Map<string, Contact>> {
	const dates = await liveDays(db, kitchen, products);
	const handled = handledBy(ingredients);
	const names = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient.name]));
	const [makings, cleans, risks, decisions, equipment] = await Promise.all([
		// What is weighed of a batch is news to its page alone.
		known(db, kitchen.id, `makings ${dates.join()}`, async () =>
			makingsOn(db, kitchen, dates, handledBy(await listIngredients(db, kitchen.id)))
		),
		cleansOn(db, kitchen.id, dates),
		standingRisks(db, kitchen.id),
		decisionsByProduct(db, kitchen.id),
		listEquipment(db, kitchen.id)
	]);
	const groups = rulesOf(kitchen.rules).allergenGroups;
	return new Map(
		products.map((product) => {
			const own = joined(product.ingredients.flatMap((id) => handled.get(id) ?? [])).tags;
			const isNews = (tag: string) => isDeclarable(tag, groups) && !own.includes(tag);
			const since = firstLiveDay(kitchen, product);
			const live = makings.filter(
				(making) => making.productId === product.id && making.isLive && making.madeOn >= since
			);
			const days = live.map((making) => ofDay(making, makings, cleans, groups));
			const proposals: Proposal[] = [
				...product.ingredients.flatMap((ingredient) =>
					(handled.get(ingredient)?.mayContain ?? []).filter(isNews).map((allergen): Proposal => ({
						allergen,
						source: { kind: 'ingredient', ingredient, name: names.get(ingredient) ?? '' }
					}))
				),
				...risks
					.filter((risk) => isNews(risk.allergen))
					.map(({ id, allergen, why }): Proposal => ({
						allergen,
						source: { kind: 'kitchen', risk: id, why }
					})),
				...days.flatMap((day) => day.proposals)
			];
			const kept = decisions.get(product.id) ?? [];
			return [
				product.id,
				{
					...contactStanding(proposals, kept),
					unconfirmed: [...new Set(days.flatMap((day) => day.unconfirmed))],
					decisions: kept.toReversed(),
					equipment: namesOf(equipment)
				}
			];
		})
	);
}

/** Cross-contact of one batch: only what its own day may have brought it. */
export async function contactOfBatch(
	db: Database,
	kitchen: Kitchen,
	batch: { id: string; madeOn: string; productId: string }
): Promise<BatchContact> {
	const ingredients = await listIngredients(db, kitchen.id);
	const [day, cleans, decisions, equipment] = await Promise.all([
		makingsOn(db, kitchen, [batch.madeOn], handledBy(ingredients)),
		cleansOn(db, kitchen.id, [batch.madeOn]),
		decisionsByProduct(db, kitchen.id),
		listEquipment(db, kitchen.id)
	]);
	const making = day.find((each) => each.id === batch.id);
	const { proposals, unconfirmed } = making
		? ofDay(making, day, cleans, rulesOf(kitchen.rules).allergenGroups)
		: { proposals: [], unconfirmed: [] };
	const kept = decisions.get(batch.productId) ?? [];
	const standing = contactStanding(proposals, kept);
	return {
		...standing,
		// Of what the product's label says, only what this batch's day proposes.
		accepted: standing.accepted.filter((tag) => proposals.some((proposal) => proposal.allergen === tag)),
		unconfirmed,
		decisions: kept.toReversed(),
		equipment: namesOf(equipment),
		day,
		cleans
	};
}

function ofDay(
	making: DayMaking,
	makings: readonly DayMaking[],
	cleans: readonly RecordedClean[],
	groups: readonly string[]
): { proposals: Proposal[]; unconfirmed: string[] } {
	const others = makings.filter((other) => other.madeOn === making.madeOn);
	const counted = cleans.filter((clean) => clean.cleanedOn === making.madeOn && clean.voided === null);
	return {
		proposals: dayProposals(making, others, counted, groups),
		unconfirmed: unconfirmedBefore(making, others, counted)
	};
}

const namesOf = (equipment: readonly Equipment[]) =>
	Object.fromEntries(equipment.map(({ id, name }) => [id, name]));

function firstLiveDay(kitchen: Kitchen, { keepDays }: ContactProduct): string {
	return parseDate(today(kitchen))
		.subtract({ days: Math.max(LIVE_DAYS, keepDays ?? 0) })
		.toString();
}

/** Days on which any of the products was made and may still be sold. */
async function liveDays(
	db: Database,
	kitchen: Kitchen,
	products: readonly ContactProduct[]
): Promise<string[]> {
	if (products.length === 0) return [];
	const since = products.map((product) => firstLiveDay(kitchen, product)).toSorted()[0] ?? '';
	const ids = products.map((product) => product.id);
	return known(db, kitchen.id, `live days of ${ids.join()} since ${since}`, async () => {
		const rows = await db('batches')
			.where('kitchen_id', kitchen.id)
			.where('made_on', '>=', since)
			.whereIn('product_id', ids)
			.distinct('made_on');
		return rows.map((row) => row.made_on);
	});
}
