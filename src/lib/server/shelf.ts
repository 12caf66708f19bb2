import { mixPrice } from '$core/cost/mix-price.ts';
import { mixFacts } from '$core/formula/mix.ts';
import { compositionOf, type Composition } from '$core/composition/nutrients.ts';
import type { Ingredient, Price, RulesName } from '$core/formula/types.ts';
import { addComposition, sameComposition } from './compositions.ts';
import type { Database } from './db/connection.ts';
import { listIngredients } from './ingredients.ts';
import type { ShelfIngredient } from '../shelf/ingredient.ts';
import type { Kitchen } from '../kitchen/types.ts';
import { priceOn, pricePacks } from './prices.ts';
import type { PricePack } from '../shelf/price.ts';

/** An ingredient that is bought, as the core takes it; unconfirmed allergens are none it knows of. */
function bought(ingredient: ShelfIngredient, price: Price | null): Ingredient {
	return {
		id: ingredient.id,
		name: ingredient.name,
		kind: ingredient.kind,
		label: { us: ingredient.labelUs || null, eu: ingredient.labelEu || null },
		parts: ingredient.parts,
		per100g: ingredient.composition.per100g,
		allergens: ingredient.confirmedOn === null ? null : ingredient.allergens,
		refined: ingredient.refined,
		added: [],
		price
	};
}

/**
 * The shelf as the core takes it on a day: the prices then in force, and what follows for each mix from
 * its own lines. By ingredient id, in the order of the shelf.
 */
export function coreShelf(
	ingredients: readonly ShelfIngredient[],
	packs: readonly PricePack[],
	day: string,
	rules: RulesName
): Map<string, Ingredient> {
	const byId = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient]));
	const done = new Map<string, Ingredient>();
	const resolve = (id: string): Ingredient => {
		const known = done.get(id);
		if (known) return known;
		const ingredient = byId.get(id);
		if (!ingredient) throw new Error(`ingredient ${id} is not on the shelf`);
		const price = priceOn(packs, id, day);
		const made = ingredient.mix
			? mixed(bought(ingredient, price), ingredient.mix, resolve, rules)
			: bought(ingredient, price);
		done.set(id, made);
		return made;
	};
	return new Map(ingredients.map((ingredient) => [ingredient.id, resolve(ingredient.id)]));
}

function mixed(
	base: Ingredient,
	lines: NonNullable<ShelfIngredient['mix']>,
	ingredientOf: (id: string) => Ingredient,
	rules: RulesName
): Ingredient {
	const facts = mixFacts(lines, ingredientOf, rules);
	return {
		...base,
		per100g: facts.per100g,
		allergens: facts.allergens,
		refined: facts.refined,
		parts: facts.parts,
		price: base.price ?? mixPrice(lines, ingredientOf).price
	};
}

/** The kitchen's whole shelf as the core takes it on a day. */
export async function readCoreShelf(db: Database, kitchen: Kitchen, day: string): Promise<Ingredient[]> {
	return [...(await shelfReader(db, kitchen))(day).values()];
}

/** The kitchen's shelf by ingredient id as it was on any day: each day is worked out once. */
export async function shelfReader(
	db: Database,
	kitchen: Kitchen
): Promise<(day: string) => ReadonlyMap<string, Ingredient>> {
	const [ingredients, packs] = await Promise.all([
		listIngredients(db, kitchen.id),
		pricePacks(db, kitchen.id)
	]);
	const days = new Map<string, ReadonlyMap<string, Ingredient>>();
	return (day) => {
		const known = days.get(day) ?? coreShelf(ingredients, packs, day, kitchen.rules);
		days.set(day, known);
		return known;
	};
}

/**
 * Ids of the compositions now in force of every ingredient. A mix whose lines or parts changed since its
 * composition was noted gets a new one, so that a batch can point at what it was made with.
 */
export async function compositionsInForce(
	db: Database,
	kitchen: Kitchen,
	day: string
): Promise<Map<string, string>> {
	const ingredients = await listIngredients(db, kitchen.id);
	const shelf = coreShelf(ingredients, [], day, kitchen.rules);
	const inForce = new Map<string, string>();
	for (const { id, mix, composition } of ingredients) {
		const per100g: Composition = shelf.get(id)?.per100g ?? composition.per100g;
		const now = { per100g: kept(per100g), source: 'mix' as const, sourceNote: '' };
		inForce.set(
			id,
			mix && !sameComposition(composition, now)
				? await addComposition(db, kitchen.id, id, now)
				: composition.id
		);
	}
	return inForce;
}

/** As the database keeps it, to the millionth, so that a value compares with itself. */
function kept(per100g: Composition): Composition {
	return compositionOf(
		Object.fromEntries(
			Object.entries(per100g).map(([key, value]) => [key, value === null ? null : Number(value.toFixed(6))])
		)
	);
}
