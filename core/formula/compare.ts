import type { Facts } from '../derive.ts';
import { PANEL_LINES } from '../rules/us/panel.ts';
import { TABLE_LINES } from '../rules/eu/table.ts';
import { settled } from '../measure/round.ts';
import type { Line } from './types.ts';

/** One line in two formulas; null where one has no such line. Grams are what is used up. */
export interface LineChange {
	ingredient: string;
	use: Line['use'];
	stage: string;
	before_g: number | null;
	after_g: number | null;
}

const used_g = (line: Line) => (line.use === 'dough' ? line.grams : line.consumed_g);

/** The lines of two formulas side by side, in the order of the first, then what only the second has. */
export function compareLines(before: readonly Line[], after: readonly Line[]): LineChange[] {
	const left = [...after];
	const take = (line: Line): Line | undefined => {
		const same = (strict: boolean) =>
			left.findIndex(
				(other) =>
					other.ingredient === line.ingredient &&
					other.use === line.use &&
					(!strict || (other.stage ?? '') === (line.stage ?? ''))
			);
		const index = same(true) >= 0 ? same(true) : same(false);
		return index < 0 ? undefined : left.splice(index, 1)[0];
	};
	const change = (line: Line, before_g: number | null, after_g: number | null): LineChange => ({
		ingredient: line.ingredient,
		use: line.use,
		stage: line.stage ?? '',
		before_g,
		after_g
	});
	const rows = before.map((line) => {
		const other = take(line);
		return change(line, used_g(line), other ? used_g(other) : null);
	});
	return [...rows, ...left.map((line) => change(line, null, used_g(line)))];
}

/** Whether a line changed. */
export function isChanged(change: LineChange): boolean {
	return (
		change.before_g === null ||
		change.after_g === null ||
		settled(change.before_g) !== settled(change.after_g)
	);
}

/** Something a bag states that would no longer be so. */
export interface LabelChange {
	what: string;
	before: string;
	after: string;
}

/** What two facts would print differently on a bag: serving, panel or table, statement, declaration. */
export function labelChanges(before: Facts, after: Facts): LabelChange[] {
	const [a, b] = [printed(before), printed(after)];
	return [...new Set([...a.keys(), ...b.keys()])]
		.map((what) => ({ what, before: a.get(what) ?? '', after: b.get(what) ?? '' }))
		.filter((change) => change.before !== change.after);
}

/** Everything a bag states, by what it is. */
function printed(facts: Facts): Map<string, string> {
	const lines = new Map<string, string>();
	const { serving, panel, table } = facts;
	if (serving)
		lines.set('serving size', serving.text).set('servings per container', serving.perContainer ?? '');
	if (panel) {
		lines.set('calories', panel.calories ?? 'waits');
		for (const key of PANEL_LINES)
			lines.set(words(key), [panel[key].amount ?? 'waits', panel[key].dv ?? ''].join(' ').trim());
	}
	if (table) for (const key of TABLE_LINES) lines.set(`${key} per 100 g`, table.per100g[key] ?? 'waits');
	lines.set('ingredients', facts.statement?.replaceAll('**', '') ?? '');
	lines.set('allergens', facts.allergens.contains.join(', ') || 'none');
	return lines;
}

/** `saturatedFat` → `saturated fat`. */
function words(key: string): string {
	return key.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
}
