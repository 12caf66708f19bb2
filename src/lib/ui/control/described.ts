/** The words under a control, by their ids, for its `aria-describedby`. */
export function describedBy(
	id: string,
	words: { error?: string; warning?: string; hint?: string }
): string | undefined {
	const ids = (['error', 'warning', 'hint'] as const).filter((word) => words[word]);
	return ids.map((word) => `${id}-${word}`).join(' ') || undefined;
}
