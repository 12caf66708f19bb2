/** What else people call an ingredient, for finding it and for reading lines. */
export interface OtherNames {
	/** Names that mean it; one that begins with `!` means it even where others share the name, one with `?` is only its kind's. */
	names: readonly string[];
	/** Words that make it something else: white pepper is not pepper. */
	not?: readonly string[];
}
