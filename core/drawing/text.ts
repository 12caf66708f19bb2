import { UNITS_PER_EM, WIDTHS } from './arimo.ts';
import type { Run, TextStyle } from './shapes.ts';

/** Width of text in points. A character the typeface lacks counts as wide as an em. */
export function textWidth_pt(text: string, size_pt: number, weight: TextStyle['weight'] = 400): number {
	const widths = WIDTHS[weight];
	let units = 0;
	for (const character of text) units += widths.get(character) ?? UNITS_PER_EM;
	return (units / UNITS_PER_EM) * size_pt;
}

/** Width of runs set one after the other. */
export function runsWidth_pt(runs: readonly Run[], size_pt: number): number {
	return runs.reduce((sum, run) => sum + textWidth_pt(run.text, size_pt, run.weight), 0);
}

/** Characters that the shipped typeface cannot print, each once. */
export function unprintable(text: string): string[] {
	return [...new Set(text)].filter((character) => character !== '\n' && !WIDTHS[400].has(character));
}

/**
 * Runs broken into lines no wider than `width_pt`, at spaces and line ends alone: what touches stays
 * together though its style changes. A single word that is wider has a line of its own.
 */
export function wrapRuns(runs: readonly Run[], size_pt: number, width_pt: number): Run[][] {
	const lines: Run[][] = [[]];
	let used_pt = 0;
	let spaces: Run[] = [];
	for (const word of words(runs)) {
		const line = lines.at(-1) ?? [];
		if (word === 'end') {
			lines.push([]);
			[used_pt, spaces] = [0, []];
			continue;
		}
		if (word.every((run) => isSpace(run.text))) {
			spaces = word;
			continue;
		}
		const added_pt = runsWidth_pt([...spaces, ...word], size_pt);
		if (line.length > 0 && used_pt + added_pt > width_pt) {
			lines.push([]);
			spaces = [];
			used_pt = runsWidth_pt(word, size_pt);
		} else used_pt += added_pt;
		for (const run of [...(lines.at(-1)?.length === 0 ? [] : spaces), ...word])
			append(lines.at(-1) ?? [], run);
		spaces = [];
	}
	return lines;
}

const isSpace = (text: string): boolean => /^ +$/.test(text);

/** Words and the spaces between them, each as the runs it is made of; `end` where a line ends. */
function words(runs: readonly Run[]): (Run[] | 'end')[] {
	const found: (Run[] | 'end')[] = [];
	for (const run of runs)
		for (const text of run.text.split(/(\n| +)/)) {
			if (text === '') continue;
			const last = found.at(-1);
			if (text === '\n') found.push('end');
			else if (Array.isArray(last) && isSpace(text) === isSpace(last[0]?.text ?? ''))
				last.push({ ...run, text });
			else found.push([{ ...run, text }]);
		}
	return found;
}

function append(line: Run[], run: Run): void {
	const last = line.at(-1);
	const isSame = last && last.weight === run.weight && last.italic === run.italic && last.waits === run.waits;
	if (isSame) last.text += run.text;
	else line.push({ ...run });
}
