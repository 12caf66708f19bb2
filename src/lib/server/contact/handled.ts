import type { ShelfIngredient } from '../../shelf/ingredient.ts';

/** What handling an ingredient may leave behind. */
export interface Handled {
	/** Tags as noted, whether somebody confirmed them or not. */
	tags: string[];
	/** Tags its pack says it may contain. */
	mayContain: string[];
	/** Names of what in it nobody has confirmed. */
	unconfirmed: string[];
}

/** What handling each ingredient may leave behind, by id; a mix leaves what is in it. */
export function handledBy(ingredients: readonly ShelfIngredient[]): Map<string, Handled> {
	const byId = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient]));
	const done = new Map<string, Handled>();
	const resolve = (id: string): Handled => {
		const known = done.get(id);
		if (known) return known;
		const ingredient = byId.get(id);
		if (!ingredient) throw new Error(`ingredient ${id} is not on the shelf`);
		const handled: Handled = ingredient.mix
			? joined(ingredient.mix.map((line) => resolve(line.ingredient)))
			: {
					tags: ingredient.allergens,
					mayContain: ingredient.mayContain,
					unconfirmed: ingredient.confirmedOn === null ? [ingredient.name] : []
				};
		done.set(id, handled);
		return handled;
	};
	for (const { id } of ingredients) resolve(id);
	return done;
}

/** What several leave behind together, each once. */
export function joined(all: readonly Handled[]): Handled {
	const once = (of: (handled: Handled) => string[]) => [...new Set(all.flatMap(of))];
	return {
		tags: once((each) => each.tags),
		mayContain: once((each) => each.mayContain),
		unconfirmed: once((each) => each.unconfirmed)
	};
}
