/** What went into a batch, as its standing has it. */
export interface WentIn {
	ingredients: readonly string[];
	contains: readonly string[];
	/** What its ingredients are called, by id. */
	names: Readonly<Record<string, string>>;
}

/** What an approved label rests on. */
export interface Said {
	ingredients: readonly string[];
	contains: readonly string[];
}

/**
 * What a batch holds that its label does not say, in words; empty where the label fits. A batch for which there is any
 * is held: it is neither labelled nor sold as if nothing were (computation, section 10).
 */
export function unsaid(batch: WentIn, label: Said | null): string[] {
	if (!label) return ['no label was approved for it'];
	return [
		...batch.contains
			.filter((name) => !label.contains.includes(name))
			.map((name) => `its label does not say ${name}`),
		...batch.ingredients
			.filter((id) => !label.ingredients.includes(id))
			.map((id) => `its label does not list ${batch.names[id] ?? 'an ingredient it took'}`)
	];
}
