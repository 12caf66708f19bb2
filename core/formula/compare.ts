import { settled } from '../measure/round.ts';
import type { Line } from './types.ts';

/** One line in two formulas; null where one has no such line. Grams are what is used up. */
export interface LineChange {
	ingredient: string;
	use: Line['use'];
	stage: string | null;
	before_g: number | null;
	after_g: number | null;
}

/** The lines of two formulas side by side, in the order of the first, then what only the second has. */
export function compareLines(before: readonly Line[], after: readonly Line[]): LineChange[] {
	const left = [...after];
	const take = (line: Line): Line | undefined => {
		const same = (strict: boolean) =>
			left.findIndex(
				(other) =>
					other.ingredient === line.ingredient &&
					other.use === line.use &&
					(!strict || other.stage === line.stage)
			);
		const index = same(true) >= 0 ? same(true) : same(false);
		return index < 0 ? undefined : left.splice(index, 1)[0];
	};
	const change = (line: Line, before_g: number | null, after_g: number | null): LineChange => ({
		ingredient: line.ingredient,
		use: line.use,
		stage: line.stage,
		before_g,
		after_g
	});
	const rows = before.map((line) => {
		const other = take(line);
		return change(line, line.used_g, other ? other.used_g : null);
	});
	return [...rows, ...left.map((line) => change(line, null, line.used_g))];
}

/** Whether a line changed. */
export function isChanged(change: LineChange): boolean {
	return (
		change.before_g === null ||
		change.after_g === null ||
		settled(change.before_g) !== settled(change.after_g)
	);
}
