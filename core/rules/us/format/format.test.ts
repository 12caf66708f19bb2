import { describe, expect, it } from 'vitest';
import type { Drawing, Text } from '../../../drawing/shapes.ts';
import { textWidth_pt } from '../../../drawing/text.ts';
import { X_HEIGHT } from '../../../drawing/arimo.ts';
import { dough, factsOf, flour, ingredient, per100g, recipe, water } from '../../../testing/recipe.ts';
import { drawEuTable, EU_SIZE } from '../../eu/format.ts';
import { panelContent, printedPanel, type PanelContent } from './content.ts';
import { drawUsPanel, US_FORMATS } from './index.ts';
import { panelText } from './linear.ts';

function contentOf(finished_g: number, packPieces: number, one = 'roti'): PanelContent {
	const facts = factsOf(
		recipe({
			piece: { one, many: `${one}s`, category: 'flatbread', ballWeight_g: finished_g * 1.2 },
			batch: { finishedWeights_g: [finished_g] },
			pack: { pieces: packPieces }
		})
	);
	const content = panelContent(facts, { one, packPieces });
	if (!content) throw new Error('no panel');
	return content;
}

const textsOf = ({ shapes }: Drawing): Text[] =>
	shapes.filter((shape): shape is Text => shape.kind === 'text');
const find = (drawing: Drawing, text: string): Text | undefined =>
	textsOf(drawing).find((each) => each.text === text);

describe('the panel drawn', () => {
	const plainRoti = contentOf(52, 8);

	it('has the regulation’s sizes: 10, 16, 22, 8 and 6 points', () => {
		const drawing = drawUsPanel(plainRoti, 'vertical');
		expect(find(drawing, '8 servings per container')).toMatchObject({ size_pt: 10, weight: 400 });
		expect(find(drawing, 'Serving size')).toMatchObject({ size_pt: 10, weight: 700 });
		expect(find(drawing, 'Calories')).toMatchObject({ size_pt: 16, weight: 700 });
		expect(find(drawing, plainRoti.panel.calories ?? '')).toMatchObject({ size_pt: 22, weight: 700 });
		expect(find(drawing, 'Sodium')).toMatchObject({ size_pt: 8, weight: 700 });
		expect(Math.min(...textsOf(drawing).map((text) => text.size_pt))).toBe(6);
	});

	it('has at least 4 points between the lines of nutrients', () => {
		const { lines } = drawUsPanel(plainRoti, 'vertical');
		const nutrients = lines.slice(2).map((line) => line.y_pt);
		nutrients
			.slice(1)
			.forEach((y_pt, index) => expect(y_pt - (nutrients[index] ?? 0)).toBeGreaterThanOrEqual(12));
	});

	it('has heavy bars of 7 points under the serving and the protein, of 3 under the calories and the minerals', () => {
		const bars = drawUsPanel(plainRoti, 'vertical').shapes.filter((shape) => shape.kind === 'bar');
		const inside = bars.slice(4); // after the frame
		expect(inside.filter((bar) => bar.height_pt === 7)).toHaveLength(2);
		expect(inside.filter((bar) => bar.height_pt === 3)).toHaveLength(2);
	});

	it('has the title as wide as the panel and larger than the rest', () => {
		for (const content of [plainRoti, contentOf(118, 4, 'naan')]) {
			const drawing = drawUsPanel(content, 'vertical');
			const title = find(drawing, 'Nutrition Facts');
			if (!title) throw new Error('no title');
			const inner_pt = drawing.width_pt - 2 * 4.5;
			expect(textWidth_pt(title.text, title.size_pt, 700)).toBeCloseTo(inner_pt, 6);
			expect(title.size_pt).toBeGreaterThan(22);
		}
	});

	it.each(US_FORMATS)('%s: nothing leaves the frame, and every line of the panel is there', (format) => {
		for (const content of [
			contentOf(52, 8),
			contentOf(28, 8),
			contentOf(52, 1, 'sesame layered flatbread')
		]) {
			const drawing = drawUsPanel(content, format);
			for (const text of textsOf(drawing)) {
				expect(text.x_pt).toBeGreaterThan(0);
				expect(text.x_pt + textWidth_pt(text.text, text.size_pt, text.weight)).toBeLessThanOrEqual(
					drawing.width_pt
				);
				expect(text.baseline_pt).toBeLessThan(drawing.height_pt);
				expect(text.size_pt).toBeGreaterThanOrEqual(6);
			}
			const said = textsOf(drawing)
				.map((text) => text.text)
				.join(' ');
			for (const word of [/Sat/, /Trans/, /Cholest/, /Sodium/, /Carb/, /Fiber/, /Sugars/, /Protein/, /Vit/])
				expect(said.replaceAll('\u00a0', ' ')).toMatch(word);
		}
	});

	it('tabular: no two texts of a line overlap', () => {
		const drawing = drawUsPanel(
			{ ...plainRoti, panel: { ...plainRoti.panel, addedSugars: { amount: 'less than 1g', dv: '12%' } } },
			'tabular'
		);
		const texts = textsOf(drawing).toSorted((a, b) => a.baseline_pt - b.baseline_pt || a.x_pt - b.x_pt);
		texts.slice(1).forEach((text, index) => {
			const before = texts[index] as Text;
			if (before.baseline_pt !== text.baseline_pt) return;
			const end_pt = before.x_pt + textWidth_pt(before.text, before.size_pt, before.weight);
			expect(text.x_pt, `${before.text} | ${text.text}`).toBeGreaterThanOrEqual(end_pt - 0.01);
		});
	});

	it('has a second column where the rule asks for one, with its heading', () => {
		// 118 g naan: 236 % of 50 g → half a naan a serving, and a column per naan
		const drawing = drawUsPanel(contentOf(118, 4, 'naan'), 'vertical');
		expect(find(drawing, 'Per serving')).toBeDefined();
		expect(find(drawing, 'Per naan')).toBeDefined();
		expect(textsOf(drawing).filter((text) => text.text === '% DV*')).toHaveLength(2);
		// 2 rotis of 52 g: 104 g is 208 % of 50 g → a column per container
		expect(find(drawUsPanel(contentOf(52, 2), 'vertical'), 'Per container')).toBeDefined();
	});

	it('says that an unknown line waits', () => {
		const bare = { ...plainRoti, panel: { ...plainRoti.panel, iron: { amount: null, dv: null } } };
		const waits = textsOf(drawUsPanel(bare, 'vertical')).filter((text) => text.waits);
		expect(waits.map((text) => text.text)).toEqual(['waits']);
	});

	it('can be pointed at, line by line', () => {
		const keys = drawUsPanel(plainRoti, 'vertical').lines.map((line) => line.key);
		expect(keys.slice(0, 3)).toEqual(['serving', 'calories', 'totalFat']);
		expect(keys).toHaveLength(16);
	});

	it('reads as one sentence', () => {
		const text = panelText(contentOf(52, 8));
		expect(text).toMatch(
			/^Nutrition Facts {2}Servings: 8, Serv\. size: 1 roti \(52g\), Amount per serving: Calories /
		);
		expect(text).toMatch(/Total Sugars 0g \(Incl\. 0g Added Sugars, 0% DV\), Protein 5g/);
		expect(text.endsWith('Potas. 0mg (0% DV).')).toBe(true);
	});
});

describe('a panel as it prints on a pack', () => {
	it('of a single serving weighs what the pack declares', () => {
		// 48 g in all is under 200 % of 50 g: the pack is one serving
		const pack = contentOf(48, 2);
		expect(pack.serving.text).toBe('1 package (96g)');
		expect(printedPanel(pack, false, 93).serving).toMatchObject({ text: '1 package (93g)', grams: 93 });
		expect(printedPanel(pack, false, null).serving.text).toBe('1 package (96g)');
		// One serving of several weighs what it weighs.
		expect(printedPanel(contentOf(52, 8), false, 400).serving.text).toBe('1 roti (52g)');
	});

	it('has no second column where it is small', () => {
		const two = contentOf(118, 4);
		expect(two.second).not.toBeNull();
		expect(printedPanel(two, true, 470).second).toBeNull();
		expect(printedPanel(two, false, 470).second).toEqual(two.second);
	});

	it('has the least sizes of the small formats: servings 9, Calories 10 and 14, the rest 6 points', () => {
		const content = contentOf(52, 8);
		for (const format of ['tabular', 'linear'] as const) {
			const drawing = drawUsPanel(content, format);
			const size = (text: string) => textsOf(drawing).find((each) => each.text.includes(text))?.size_pt;
			expect(size('1 roti')).toBe(9);
			expect(size('Calories')).toBe(10);
			expect(textsOf(drawing).find((each) => each.text === content.panel.calories)?.size_pt).toBe(14);
			expect(Math.min(...textsOf(drawing).map((text) => text.size_pt))).toBeGreaterThanOrEqual(6);
		}
	});
});

describe('the EU table drawn', () => {
	const rye = ingredient('rye', { kind: 'flour', per100g: per100g({ ...flour.per100g, fibre_g: null }) });
	const drawingOf = (flours: typeof flour) => {
		const { table } = factsOf(
			recipe({
				rules: 'eu',
				ingredients: [flours, water],
				formula: { name: 'x', lines: [dough(flours.id, 1000), dough('water', 600)] },
				pack: { pieces: 6 }
			})
		);
		if (!table) throw new Error('no table');
		return drawEuTable({ table, pieceHeading: 'per roti (42 g)' });
	};

	it('has both columns, every line in order, and letters of at least 1.2 mm x-height', () => {
		const drawing = drawingOf(flour);
		expect(drawing.lines.map((line) => line.key)).toEqual([
			'energy',
			'fat',
			'saturates',
			'carbohydrate',
			'sugars',
			'fibre',
			'protein',
			'salt'
		]);
		expect(find(drawing, 'per roti (42 g)')).toBeDefined();
		expect((EU_SIZE * X_HEIGHT * 25.4) / 72).toBeGreaterThanOrEqual(1.2);
		for (const text of textsOf(drawing)) expect(text.size_pt).toBe(EU_SIZE);
	});

	it('says what waits where a value is unknown', () => {
		// energy, carbohydrate and fibre need the fibre, in both columns
		expect(textsOf(drawingOf(rye)).filter((text) => text.waits)).toHaveLength(6);
	});
});
