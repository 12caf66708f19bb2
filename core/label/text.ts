import { tableText } from '../rules/eu/format.ts';
import { panelText } from '../rules/us/format/linear.ts';
import type { LabelContent } from './content.ts';

/** All a label says as one text, for whoever does not see it. */
export function labelText(content: LabelContent): string {
	const plain = (text: string | null) => text?.replaceAll('**', '') ?? '';
	return [
		content.name,
		content.netQuantity,
		content.statement && `Ingredients: ${plain(content.statement)}`,
		content.declaration,
		plain(content.mayContain),
		content.storage,
		content.finishing,
		content.localSentence,
		[content.maker, content.address].filter(Boolean).join(', '),
		content.price,
		content.barcode && `Barcode ${content.barcode.digits}`,
		content.panel ? panelText(content.panel) : content.table ? tableText(content.table) : ''
	]
		.filter(Boolean)
		.join(' ');
}
