import type { Facts } from '../facts.ts';
import { TABLE_LINES } from '../rules/eu/table.ts';
import { PANEL_LINES } from '../rules/us/panel.ts';

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
