import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';
import { toSvg } from '$core/drawing/svg.ts';
import { WIDTHS } from '$core/drawing/arimo.ts';
import { layoutLabel } from '$core/label/layout.ts';
import { SHEETS } from '$core/label/sheets.ts';
import type { LabelDesign } from '$core/label/content.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { NotFound, Stale } from '$lib/server/errors.ts';
import { keepFormula } from '$lib/server/formulas/keep.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import { approveLabel } from '$lib/server/labels/approve.ts';
import { getRevision } from '$lib/server/labels/revisions.ts';
import { listPackChecks, recordPackCheck } from '$lib/server/labels/pack-checks.ts';
import { getLabel, listLabels } from '$lib/server/labels/read.ts';
import { labelRules } from '$lib/server/labels/rules.ts';
import { BLANK_PROFILE } from '$core/profile/profile.ts';
import { saveProfile } from '$lib/server/profiles.ts';
import { saveLabel } from '$lib/server/labels/save.ts';
import { shelfDayForm } from '$lib/server/edge/label.ts';
import { beginShelfTest, noteShelfDay, shelfPicture } from '$lib/server/labels/shelf-tests.ts';
import { labelState } from '$lib/label/types.ts';
import { embeddedFaces, FACES, faceForPdf } from '$lib/server/print/fonts.ts';
import { labelsPdf } from '$lib/server/print/pdf.ts';
import { recordPdf } from '$lib/server/print/record.ts';
import { newId } from '$lib/server/rows.ts';
import * as fontkit from 'fontkit';
import { makeRoti, recordRoti, useBench } from './kitchen.ts';

const bench = useBench();
/** As short as its first bytes: what comes after them nobody here looks at. */
const JPEG = '/9j/4AAQSkZJRgABAQAAAQABAAD/2Q==';
/** Of the bags. */
const FRONT = { width_mm: 180, height_mm: 220 };

/** A roti that was made once, with the design that makes its label whole. */
async function labelledRoti(
	name: string
): Promise<{ formulaId: string; productId: string; design: LabelDesign }> {
	const { formulaId, productId } = await makeRoti(bench, name);
	await recordRoti(bench, productId);
	const { design } = await getLabel(bench.db, bench.kitchen, productId);
	return { formulaId, productId, design: { ...design, declared_g: 300, face_mm: FRONT } };
}

const label = (productId: string) => getLabel(bench.db, bench.kitchen, productId);

describe('labels', () => {
	it('begin with what the kitchen and the formula say, and wait for the rest', async () => {
		const { productId } = await labelledRoti('Begun label');
		const begun = await label(productId);
		expect(begun).toMatchObject({
			version: 0,
			design: { name: 'Begun label', maker: 'Test kitchen', address: '1 Test Lane', declared_g: null }
		});
		expect(begun.blocks.map((block) => block.field)).toEqual(['face_mm', 'declared_g']);
		expect(labelState(begun)).toBe('waits');
		expect(begun.recommended?.declared_g).toBeGreaterThan(0);
	});

	it('approved, freeze what they say without prices; a changed formula puts them out of date', async () => {
		const { formulaId, productId, design } = await labelledRoti('Frozen label');
		await saveLabel(bench.db, bench.kitchen, productId, 0, design);
		expect(await approveLabel(bench.db, bench.kitchen, productId, 1)).toBe(1);
		const approved = await label(productId);
		expect(labelState(approved)).toBe('approved');
		const [row] = (await bench.db('label_revisions').where('id', approved.revisions[0]?.id)) as {
			facts: string;
		}[];
		expect(JSON.parse(row?.facts ?? '')).toHaveProperty('serving');
		expect(JSON.parse(row?.facts ?? '')).not.toHaveProperty('cost');
		await expect(approveLabel(bench.db, bench.kitchen, productId, 1)).rejects.toThrow('revision 1 stands');

		const formula = await getFormula(bench.db, bench.kitchen.id, formulaId);
		const [product] = formula.products;
		if (!product) throw new Error('no product');
		const { id, formulaId: _formula, name: _name, ...rest } = product;
		await keepFormula(bench.db, bench.kitchen.id, formulaId, formula.version, {
			name: formula.name,
			mixGap: formula.mixGap,
			family: formula.family,
			choices: formula.choices,
			steps: formula.steps,
			lines: formula.lines.map((line) =>
				line.use === 'dough' && line.used_g === 20 ? { ...line, used_g: 30 } : line
			),
			product: rest,
			productId: id
		});
		const changed = await label(productId);
		expect(labelState(changed)).toBe('out of date');
		expect(changed.changes.map((change) => change.what)).toContain('Sodium');
		expect(await approveLabel(bench.db, bench.kitchen, productId, 1)).toBe(2);
		const first = await getRevision(bench.db, bench.kitchen, productId, 1);
		expect(first.content).toEqual(approved.revisions[0]?.content);
		expect(first.formulaNumber).toBe(1);
	});

	it('another price changes nothing on them', async () => {
		const { productId, design } = await labelledRoti('Priced label');
		await saveLabel(bench.db, bench.kitchen, productId, 0, design);
		await approveLabel(bench.db, bench.kitchen, productId, 1);
		await bench.db('price_packs').where('kitchen_id', bench.kitchen.id).update({ amount: 99 });
		expect((await label(productId)).changes).toEqual([]);
	});

	it('cannot be approved while something is missing, nor take a wording that loses an allergen', async () => {
		const { productId, design } = await labelledRoti('Blocked label');
		await saveLabel(bench.db, bench.kitchen, productId, 0, { ...design, address: '' });
		await expect(approveLabel(bench.db, bench.kitchen, productId, 1)).rejects.toThrow(
			'give the maker’s address'
		);
		const flour = (await label(productId)).plainRecipe.ingredients.find((each) =>
			each.allergens?.includes('wheat')
		);
		if (!flour) throw new Error('no flour');
		await expect(
			saveLabel(bench.db, bench.kitchen, productId, 1, { ...design, wording: { [flour.id]: 'fine meal' } })
		).rejects.toThrow(/loses the word wheat/);
		await expect(saveLabel(bench.db, bench.kitchen, productId, 9, design)).rejects.toThrow(Stale);
		await expect(saveLabel(bench.db, bench.kitchen, productId, 0, design)).rejects.toThrow(Stale);
	});

	it('the database itself refuses to change or remove a revision', async () => {
		await expect(bench.db('label_revisions').update({ declared_g: 1 })).rejects.toThrow(/never edited/);
		await expect(bench.db('label_revisions').del()).rejects.toThrow(/never removed/);
	});

	it('a batch remembers the revision it was packed under', async () => {
		const { productId, design } = await labelledRoti('Packed label');
		await saveLabel(bench.db, bench.kitchen, productId, 0, design);
		await approveLabel(bench.db, bench.kitchen, productId, 1);
		const batchId = await recordRoti(bench, productId);
		await saveLabel(bench.db, bench.kitchen, productId, 1, { ...design, storage: 'Keep cool.' });
		await approveLabel(bench.db, bench.kitchen, productId, 2);
		expect((await getBatch(bench.db, bench.kitchen, batchId)).labelNumber).toBe(1);
		const planned = await createBatch(bench.db, bench.kitchen, newId(), {
			productId,
			madeOn: '2026-01-02',
			factor: 1
		});
		expect((await getBatch(bench.db, bench.kitchen, planned)).labelNumber).toBeNull();
	});

	it('follow the EU and UK rules where the kitchen does', async () => {
		const { productId } = await labelledRoti('Other rules');
		const there = await getLabel(bench.db, { ...bench.kitchen, rules: 'eu' }, productId);
		expect(there.content).toMatchObject({ rules: 'eu', panel: null, declaration: null });
		expect(there.content?.table?.table.per100g.salt).toMatch(/ g$/);
		expect(there.blocks.map((block) => block.field)).toContain('bestBeforeDays');
	});

	it('one product carries a label of each rule set, each with its own revisions', async () => {
		const { db, kitchen } = bench;
		const { productId, design } = await labelledRoti('Sold abroad');
		const abroad = { ...kitchen, rules: 'eu' as const };
		expect(await labelRules(db, kitchen.id, productId)).toEqual([]);
		await saveLabel(db, kitchen, productId, 0, design);
		await approveLabel(db, kitchen, productId, 1);
		await saveLabel(db, abroad, productId, 0, {
			...design,
			bestBeforeDays: 4,
			shelfLifeTest: 'kept 5 days at 21 °C'
		});
		await approveLabel(db, abroad, productId, 1);
		const [here, there] = [await label(productId), await getLabel(db, abroad, productId)];
		expect(here.revisions.map((revision) => revision.content.rules)).toEqual(['us']);
		expect(there.revisions.map((revision) => revision.content.rules)).toEqual(['eu']);
		expect([here.changes, there.changes]).toEqual([[], []]);
		expect((await labelRules(db, kitchen.id, productId)).toSorted()).toEqual(['eu', 'us']);
		const listed = (await listLabels(db, kitchen)).filter((each) => each.product.id === productId);
		expect(listed.map((each) => each.plainRecipe.rules)).toEqual(['us', 'eu']);
		// A batch is packed under the label of the kitchen's own rules.
		const batch = await getBatch(db, kitchen, await recordRoti(bench, productId));
		expect(batch.labelNumber).toBe(1);
	});

	it('what the local profile asks is on every label and puts what was approved out of date', async () => {
		const { db, kitchen } = bench;
		const { productId, design } = await labelledRoti('Profiled');
		await saveLabel(db, kitchen, productId, 0, { ...design, barcode: '2000000000008' });
		await approveLabel(db, kitchen, productId, 1);
		expect((await label(productId)).content?.barcode?.bars.reduce((sum, bar) => sum + bar, 0)).toBe(95);
		const profile = { ...BLANK_PROFILE, name: 'made up', sentence: 'Made at home.' };
		await saveProfile(db, kitchen.id, 0, profile);
		const { content, changes, blocks } = await label(productId);
		expect(content?.localSentence).toBe('Made at home.');
		expect(changes).toEqual([{ what: 'what the authority asks', before: '', after: 'Made at home.' }]);
		expect(blocks).toEqual([]);
		await saveProfile(db, kitchen.id, 1, { ...profile, foods: ['tortilla'] });
		expect((await label(productId)).blocks.map((block) => block.field)).toEqual(['food']);
		await expect(saveProfile(db, kitchen.id, 1, profile)).rejects.toThrow(Stale);
		await expect(saveProfile(db, kitchen.id, 0, profile)).rejects.toThrow(Stale);
		await saveProfile(db, kitchen.id, 2, BLANK_PROFILE);
	});

	it('a revision that is not there says so', async () => {
		const { productId } = await labelledRoti('No revision');
		await expect(getRevision(bench.db, bench.kitchen, productId, 1)).rejects.toThrow(NotFound);
	});
});

describe('shelf-life tests', () => {
	it('noted day by day, bear out the days on the label; none is edited, and one sent twice is one', async () => {
		const { db, kitchen } = bench;
		const { productId, design } = await labelledRoti('Kept roti');
		const messages = async () => (await label(productId)).blocks.map((block) => block.message);
		await saveLabel(db, kitchen, productId, 0, { ...design, bestBeforeDays: 5 });
		expect(await messages()).toContainEqual(expect.stringContaining('rests on your own shelf-life test'));

		const id = newId();
		const test = {
			id,
			productId,
			of: 'baked' as const,
			madeOn: '2026-01-02',
			keptHow: 'in its bag at 21 °C'
		};
		for (let twice = 0; twice < 2; twice++) await beginShelfTest(db, kitchen.id, test);
		const note = (day: number, isGood: boolean, id = newId()) =>
			noteShelfDay(db, kitchen.id, productId, {
				id,
				test: test.id,
				day,
				isGood,
				found: 'looked at',
				picture: isGood ? '' : JPEG
			});
		const first = newId();
		for (let twice = 0; twice < 2; twice++) await note(4, true, first);
		await note(6, false);
		expect((await label(productId)).shelfTests).toMatchObject([
			{
				of: 'baked',
				madeOn: '2026-01-02',
				days: [
					{ day: 4, isGood: true, pictureId: null },
					{ day: 6, isGood: false, pictureId: expect.any(String) as string }
				]
			}
		]);
		expect(await messages()).toContain('your tests bear out 4 days, and 5 are printed');
		await saveLabel(db, kitchen, productId, 1, { ...design, bestBeforeDays: 4 });
		expect(await messages()).toEqual([]);

		const other = await labelledRoti('Not that roti');
		await expect(
			noteShelfDay(db, kitchen.id, other.productId, {
				id: newId(),
				test: id,
				day: 1,
				isGood: true,
				found: '',
				picture: ''
			})
		).rejects.toThrow('this test is not here');
		const pictureId = (await label(productId)).shelfTests[0]?.days[1]?.pictureId ?? '';
		const picture = await shelfPicture(db, kitchen.id, productId, pictureId);
		expect(Buffer.from(picture).toString('base64')).toBe(JPEG);
		await expect(shelfPicture(db, kitchen.id, other.productId, pictureId)).rejects.toThrow(NotFound);
		await expect(db('shelf_test_pictures').del()).rejects.toThrow(/never edited/);
		const said = (picture: string) =>
			shelfDayForm.validate({ id: newId(), test: id, day: '1', isGood: true, found: '', picture }).error
				?.message;
		expect(said(JPEG)).toBeUndefined();
		expect(said('')).toBeUndefined();
		for (const not of ['PHN2Zz48L3N2Zz4=', '/9j/<script>', 'no'])
			expect(said(not)).toBe('this is not a picture: choose another');
		expect(said(`/9j/${'A'.repeat(600_000)}`)).toBe('this picture is too large');
		await expect(db('shelf_test_days').update({ day: 9 })).rejects.toThrow(/never edited/);
		await expect(db('shelf_tests').del()).rejects.toThrow(/never edited/);
	});
});

describe('packs weighed', () => {
	it('are kept, once each, and never changed', async () => {
		const { productId } = await labelledRoti('Weighed packs');
		const input = { id: newId(), productId, declared_g: 300, lotPacks: 12, packs_g: [301, 299.5] };
		await recordPackCheck(bench.db, bench.kitchen.id, input);
		await recordPackCheck(bench.db, bench.kitchen.id, input);
		expect(await listPackChecks(bench.db, bench.kitchen.id, productId)).toMatchObject([
			{ declared_g: 300, lotPacks: 12, packs_g: [301, 299.5] }
		]);
		await expect(bench.db('pack_checks').update({ declared_g: 1 })).rejects.toThrow(/never edited/);
		await expect(bench.db('pack_checks').del()).rejects.toThrow(/never removed/);
	});

	it('of balls and pieces say what a declaration takes', async () => {
		const { productId } = await labelledRoti('Ball for pack');
		await recordRoti(bench, productId);
		expect((await label(productId)).ballBasis).toMatchObject({
			pieces: 6,
			// Two batches: balls of 60 g, aimed at 60; 1 − 52/61
			ballsOff_g: [0, 0],
			cookLosses: [expect.closeTo(0.1475, 4), expect.closeTo(0.1475, 4)],
			uptake_g: 1 // 26 g on 26 pieces
		});
	});
});

describe('a label printed', () => {
	const drawingOf = async (name: string) => {
		const { productId, design } = await labelledRoti(name);
		await saveLabel(bench.db, bench.kitchen, productId, 0, {
			...design,
			size: { width_mm: 127, height_mm: 190.5 }
		});
		const { content } = await label(productId);
		if (!content) throw new Error('no content');
		return layoutLabel(content, 300, { code: '260101-1', bestBefore: '' }).drawing;
	};

	it('on a roll is a page of its exact size a copy, with its text and its typeface in it', async () => {
		const pdf = await labelsPdf('roll', await drawingOf('Rolled'), 2, 'roll');
		const document = await getDocument({ data: pdf.slice(), useSystemFonts: false }).promise;
		expect(document.numPages).toBe(2);
		const page = await document.getPage(2);
		const [, , width, height] = page.view;
		expect(((width ?? 0) * 25.4) / 72).toBeCloseTo(127, 2);
		expect(((height ?? 0) * 25.4) / 72).toBeCloseTo(190.5, 2);
		const { items } = await page.getTextContent();
		const text = items
			.map((item) => ('str' in item ? item.str : ''))
			.join(' ')
			.replaceAll('\u00a0', ' ');
		for (const said of [
			'Nutrition Facts',
			'Serving size',
			'Contains: Wheat.',
			'NET WT 10.5 OZ (300 g)',
			'Batch 260101-1'
		])
			expect(text).toContain(said);
		const raw = Buffer.from(pdf).toString('latin1');
		expect(raw).toMatch(/\/BaseFont \/[A-Z]{6}\+Arimo/);
		expect(raw).toContain('/FontFile2');
	});

	it('on a sheet begins at the place it is told and goes on to the next sheet', async () => {
		const sheet = SHEETS.find((each) => each.id === 'letter-2');
		if (!sheet) throw new Error('no sheet');
		const pdf = await labelsPdf('sheet', await drawingOf('Sheeted'), 2, { sheet, start: 2 });
		const document = await getDocument({ data: pdf }).promise;
		expect(document.numPages).toBe(2);
		const xOf = async (number: number) => {
			const { items } = await (await document.getPage(number)).getTextContent();
			const found = items.find((item) => 'str' in item && item.str === 'Serving size');
			return found && 'transform' in found ? (found.transform[4] as number) : NaN;
		};
		// One label further right: its width and the gap between, 133 mm
		expect((((await xOf(1)) - (await xOf(2))) * 25.4) / 72).toBeCloseTo(133, 1);
	});

	it('a figure’s record is one page with where it comes from', async () => {
		const { productId } = await labelledRoti('Recorded figure');
		const { plainRecipe, facts, sources } = await label(productId);
		const of = (figure: string) =>
			recordPdf(bench.kitchen, 'Recorded figure', plainRecipe, facts, sources, figure);
		const { name, body } = await of('sodium');
		expect(name).toBe('Sodium Recorded figure.pdf');
		const document = await getDocument({ data: new Uint8Array(body as Uint8Array) }).promise;
		expect(document.numPages).toBe(1);
		const { items } = await (await document.getPage(1)).getTextContent();
		const text = items.map((item) => ('str' in item ? item.str : '')).join(' ');
		expect(text).toContain('Recorded figure salt');
		expect(text).toContain('the pack’s own label');
		await expect(of('salt')).rejects.toThrow('no such figure');
	});

	it('as SVG brings its typeface along', async () => {
		const svg = toSvg(await drawingOf('Drawn'), embeddedFaces());
		expect(svg).toContain('width="127mm" height="190.5mm"');
		expect(svg.match(/@font-face/g)).toHaveLength(FACES.length);
	});

	it('has the widths the core lays it out by', () => {
		for (const face of FACES) {
			const font = fontkit.create(faceForPdf(face)) as fontkit.Font;
			const weight = face.startsWith('700') ? 700 : 400;
			for (const [character, width] of WIDTHS[weight]) {
				if (face === '400-italic' && !/[A-Za-z0-9 ]/.test(character)) continue;
				const glyph = font.glyphForCodePoint(character.codePointAt(0) ?? 0);
				expect(glyph.advanceWidth, `${face} ${character}`).toBe(width);
			}
		}
	});
});
