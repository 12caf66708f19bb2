import type { Read } from '../measure/reading.ts';
import { partText } from './naming.ts';
import type { Part } from './types.ts';

/** Deepest nesting a label could sensibly carry. */
const DEEPEST = 6;

/** Parts of a compound from text as a pack prints them: `flour (wheat flour, niacin), salt`. */
export function readParts(text: string): Read<Part[]> {
	let at = 0;
	const list = (depth: number): Part[] => {
		if (depth > DEEPEST) throw new Error('the parts are nested too deeply');
		const parts: Part[] = [];
		let name = '';
		let inner: Part[] | null = null;
		const finish = () => {
			if (name.trim() !== '') parts.push({ name: name.trim(), parts: inner ?? [] });
			else if (inner) throw new Error('parentheses need a name before them');
			name = '';
			inner = null;
		};
		for (; at < text.length; at++) {
			const char = text[at] ?? '';
			if (char === '(') {
				at++;
				inner = list(depth + 1);
				if (text[at] !== ')') throw new Error('a parenthesis is not closed');
			} else if (char === ')') {
				if (depth === 0) throw new Error('a parenthesis is closed that was not opened');
				break;
			} else if (char === ',' || char === ';') finish();
			else name += char;
		}
		finish();
		return parts;
	};
	try {
		return { ok: true, value: list(0) };
	} catch (error) {
		return { ok: false, message: error instanceof Error ? error.message : String(error) };
	}
}

/** The parts as a pack prints them. */
export function partsText(parts: readonly Part[]): string {
	return parts.map(partText).join(', ');
}
