import { describe, expect, it } from 'vitest';
import { bold, Pen, plain, waiting } from './pen.ts';
import { toSvg } from './svg.ts';
import { runsWidth_pt, textWidth_pt, unprintable, wrapRuns } from './text.ts';

const texts = (lines: { text: string }[][]) => lines.map((line) => line.map((run) => run.text).join(''));

describe('text', () => {
	it('is as wide as its characters', () => {
		// Arimo: T 1251, o 1139, t 569, a 1139, l 455 of 2048 → 4553 / 2048 · 8
		expect(textWidth_pt('Total', 8)).toBeCloseTo((4553 / 2048) * 8, 10);
		expect(textWidth_pt('Total', 8, 700)).toBeGreaterThan(textWidth_pt('Total', 8));
		expect(textWidth_pt('☃', 10)).toBe(10);
	});

	it('names the characters that cannot be printed, each once', () => {
		expect(unprintable('Tortilla – ½ ü')).toEqual([]);
		expect(unprintable('روٹی روٹی'.slice(0, 2))).toEqual(['ر', 'و']);
		expect(unprintable('two\nlines')).toEqual([]);
	});

	it('wraps at spaces, within the width', () => {
		const lines = wrapRuns([plain('water, whole wheat flour, salt')], 8, 60);
		expect(texts(lines).join(' ')).toBe('water, whole wheat flour, salt');
		for (const line of lines) expect(runsWidth_pt(line, 8)).toBeLessThanOrEqual(60);
		expect(lines.length).toBe(2);
	});

	it('keeps together what touches, though the style changes', () => {
		// "Sodium" bold and its comma plain may not be torn apart
		const lines = wrapRuns(
			[plain('aaaa '), bold('Sodium'), plain(', bbbb')],
			8,
			textWidth_pt('aaaa Sodium', 8)
		);
		expect(texts(lines)).toEqual(['aaaa', 'Sodium,', 'bbbb']);
	});

	it('gives a word that is too wide its own line, and keeps line ends', () => {
		expect(texts(wrapRuns([plain('a extraordinarily b')], 8, 20))).toEqual(['a', 'extraordinarily', 'b']);
		expect(texts(wrapRuns([plain('one\ntwo')], 8, 200))).toEqual(['one', 'two']);
	});
});

describe('an SVG', () => {
	const drawn = () => {
		const pen = new Pen(2, 74, 2);
		pen.line('sodium', () => pen.paragraph(8, [bold('Salt & <1>'), plain(' '), waiting()]));
		pen.rule(3);
		return pen.framed(0.5, 1.5);
	};

	it('is as large as the drawing, in millimetres', () => {
		// 72 pt wide content, 2 pt each side: 76 pt = 26.811 mm
		const svg = toSvg(drawn());
		expect(svg).toContain('width="26.811mm"');
		expect(svg).toContain('viewBox="0 0 76 ');
	});

	it('escapes text, and shows what waits in its own colour', () => {
		const svg = toSvg(drawn(), '.a{}');
		expect(svg).toContain('Salt &amp; &lt;1&gt;');
		expect(svg).toMatch(/fill="#85560f"[^>]*>waits</);
		expect(svg).toContain('<style>.a{}</style>');
	});

	it('knows where a line is', () => {
		const { lines } = drawn();
		expect(lines).toEqual([{ key: 'sodium', y_pt: 2, height_pt: 8 * 1.2 }]);
	});
});
