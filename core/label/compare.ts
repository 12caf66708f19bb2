import type { LabelContent } from './content.ts';
import { PANEL_LINES } from '../rules/us/panel.ts';
import { panelName } from '../rules/us/format/content.ts';
import { TABLE_LINES } from '../rules/eu/table.ts';
import { TABLE_LABELS } from '../rules/eu/format.ts';

/** Something two labels say differently. */
export interface Difference {
	what: string;
	before: string;
	after: string;
}

/** What would read differently on the bag, in the order a bag is read. Prices are no part of it. */
export function compareLabels(before: LabelContent, after: LabelContent): Difference[] {
	const [a, b] = [said(before), said(after)];
	return [...new Set([...a.keys(), ...b.keys()])]
		.map((what) => ({ what, before: a.get(what) ?? '', after: b.get(what) ?? '' }))
		.filter((difference) => difference.before !== difference.after);
}

function said(content: LabelContent): Map<string, string> {
	const lines = new Map<string, string>([
		['name', content.name],
		['net quantity', content.netQuantity ?? ''],
		['pieces', content.pieces ?? ''],
		['ingredients', content.statement?.replaceAll('**', '') ?? ''],
		['allergens emphasised', (content.statement?.match(/\*\*.+?\*\*/g) ?? []).join(' ').replaceAll('**', '')],
		['allergens', content.declaration ?? ''],
		['may contain', content.mayContain?.replaceAll('**', '') ?? ''],
		['storage', content.storage],
		['finishing', content.finishing],
		['what the authority asks', content.localSentence],
		['least size of it', content.localLeast_pt === null ? '' : `${content.localLeast_pt} points`],
		['barcode', content.barcode?.digits ?? ''],
		['maker', [content.maker, content.address].filter(Boolean).join(', ')],
		[
			'date',
			content.bestBeforeDays === null
				? 'none'
				: `${content.dateKind ?? 'best before'}, ${content.bestBeforeDays} days from making`
		],
		['size', `${content.size.width_mm} × ${content.size.height_mm} mm`]
	]);
	const { panel, table } = content;
	if (!panel && !table) lines.set('nutrition panel', 'left out');
	if (panel) {
		lines.set('panel format', content.format);
		lines.set('serving size', panel.serving.text);
		lines.set('servings per container', panel.serving.perContainer ?? '');
		const columns = [
			{ heading: '', of: panel.panel },
			...(panel.second ? [{ heading: `, ${panel.second.heading}`, of: panel.second.panel }] : [])
		];
		for (const { heading, of } of columns) {
			lines.set(`Calories${heading}`, of.calories ?? 'waits');
			for (const key of PANEL_LINES)
				lines.set(
					`${panelName(key)}${heading}`,
					[of[key].amount ?? 'waits', of[key].dv ?? ''].join(' ').trim()
				);
		}
	}
	if (table)
		for (const key of TABLE_LINES) {
			lines.set(`${TABLE_LABELS[key].text} per 100 g`, table.table.per100g[key] ?? 'waits');
			lines.set(`${TABLE_LABELS[key].text} ${table.pieceHeading}`, table.table.perPiece[key] ?? 'waits');
		}
	return lines;
}
