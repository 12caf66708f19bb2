import type { LineDraft } from '$lib/formula/draft.ts';

/** A line as it can be dragged: only its key is read, so that typing in it moves nothing. */
export interface DragItem {
	id: string;
	line: LineDraft;
}

/** Lines that stand together under one stage. */
export interface StageGroup {
	key: string;
	stage: string;
	items: DragItem[];
}

/** The lines under their stages, in order; a stage that comes again is a group of its own. */
export function grouped(lines: readonly LineDraft[]): StageGroup[] {
	const groups: StageGroup[] = [];
	for (const line of lines) {
		const stage = line.stage.trim();
		const last = groups.at(-1);
		const item = { id: line.key, line };
		if (last && last.stage === stage) last.items.push(item);
		else
			groups.push({
				key: `${stage}-${groups.filter((group) => group.stage === stage).length}`,
				stage,
				items: [item]
			});
	}
	return groups;
}

/**
 * The lines with one moved up or down by one place: within its stage past its neighbour, at the edge of
 * its stage into the next stage. Null where there is nowhere to go.
 */
export function moved(
	lines: readonly LineDraft[],
	index: number,
	by: -1 | 1
): { lines: LineDraft[]; index: number } | null {
	const line = lines[index];
	const neighbour = lines[index + by];
	if (!line || !neighbour) return null;
	const result = [...lines];
	if (neighbour.stage.trim() !== line.stage.trim()) {
		result[index] = { ...line, stage: neighbour.stage };
		return { lines: result, index };
	}
	result[index] = neighbour;
	result[index + by] = line;
	return { lines: result, index: index + by };
}
