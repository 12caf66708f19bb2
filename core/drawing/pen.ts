import type { DrawnLine, Drawing, Run, Shape } from './shapes.ts';
import { runsWidth_pt, wrapRuns } from './text.ts';

/** Distance from one baseline to the next, as a share of the type size. */
export const LEADING = 1.2;

export const plain = (text: string): Run => ({ text, weight: 400 });
export const bold = (text: string): Run => ({ text, weight: 700 });
/** An unknown figure: it says that it waits, and a label with one cannot be approved. */
export const waiting = (text = 'waits', weight: Run['weight'] = 700): Run => ({ text, weight, waits: true });
/** A printed amount, or that it waits. */
export const figure = (text: string | null, weight: Run['weight'] = 400): Run =>
	text === null ? waiting('waits', weight) : { text, weight };

/** Collects what is drawn, top down. */
export class Pen {
	y_pt: number;
	readonly shapes: Shape[] = [];
	readonly lines: DrawnLine[] = [];

	constructor(
		readonly left_pt: number,
		readonly right_pt: number,
		top_pt: number
	) {
		this.y_pt = top_pt;
	}

	get width_pt(): number {
		return this.right_pt - this.left_pt;
	}

	/** A bar across, and the pen below it. */
	rule(height_pt: number, from_pt = this.left_pt, to_pt = this.right_pt): void {
		this.shapes.push({ kind: 'bar', x_pt: from_pt, y_pt: this.y_pt, width_pt: to_pt - from_pt, height_pt });
		this.y_pt += height_pt;
	}

	/** An upright bar beside what was drawn from `top_pt` to here. */
	upright(x_pt: number, top_pt: number, width_pt: number): void {
		this.shapes.push({ kind: 'bar', x_pt, y_pt: top_pt, width_pt, height_pt: this.y_pt - top_pt });
	}

	/** Runs on a baseline from the left. */
	at(x_pt: number, baseline_pt: number, size_pt: number, runs: readonly Run[]): void {
		let from_pt = x_pt;
		for (const run of runs) {
			if (run.text !== '') this.shapes.push({ kind: 'text', ...run, x_pt: from_pt, baseline_pt, size_pt });
			from_pt += runsWidth_pt([run], size_pt);
		}
	}

	/** Runs on a baseline that end at `right_pt`. */
	endAt(right_pt: number, baseline_pt: number, size_pt: number, runs: readonly Run[]): void {
		this.at(right_pt - runsWidth_pt(runs, size_pt), baseline_pt, size_pt, runs);
	}

	/** Runs wrapped into the width, and the pen below them. */
	paragraph(size_pt: number, runs: readonly Run[], from_pt = this.left_pt, to_pt = this.right_pt): void {
		for (const line of wrapRuns(runs, size_pt, to_pt - from_pt)) {
			this.at(from_pt, this.y_pt + size_pt, size_pt, line);
			this.y_pt += size_pt * LEADING;
		}
	}

	/** Marks what `draw` draws as the line of a figure. */
	line(key: string, draw: () => void): void {
		const top_pt = this.y_pt;
		draw();
		this.lines.push({ key, y_pt: top_pt, height_pt: this.y_pt - top_pt });
	}

	/** The drawing, framed by a line of `frame_pt` at `margin_pt` outside the pen's edges. */
	framed(frame_pt: number, margin_pt: number): Drawing {
		const width_pt = this.right_pt + margin_pt + frame_pt;
		const height_pt = this.y_pt + margin_pt + frame_pt;
		const bar = (x_pt: number, y_pt: number, w: number, h: number): Shape => ({
			kind: 'bar',
			x_pt,
			y_pt,
			width_pt: w,
			height_pt: h
		});
		return {
			width_pt,
			height_pt,
			shapes: [
				bar(0, 0, width_pt, frame_pt),
				bar(0, height_pt - frame_pt, width_pt, frame_pt),
				bar(0, 0, frame_pt, height_pt),
				bar(width_pt - frame_pt, 0, frame_pt, height_pt),
				...this.shapes
			],
			lines: this.lines
		};
	}
}
