import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { dough, flour, ingredient, per100g, recipe, water } from '$core/testing/recipe.ts';
import { writeRecipe } from '$core/file/write.ts';
import { deriveText } from '$core/file/derive-text.ts';

const folder = mkdtempSync(join(tmpdir(), 'square-batch-derive-'));
afterAll(() => rmSync(folder, { recursive: true }));

const run = (args: string[], input = '') =>
	spawnSync('npm', ['run', '--silent', 'derive', '--', ...args], { encoding: 'utf8', input });
const sound = writeRecipe(recipe({ batch: { finishedWeights_g: [42] }, pack: { pieces: 6 } }));

describe('npm run --silent derive', () => {
	it('prints one JSON object and exits 0, from a file or standard input', () => {
		const file = join(folder, 'sound.squarebatch.json');
		writeFileSync(file, sound);
		const fromFile = run([file]);
		const fromInput = run(['-'], sound);
		expect(fromFile.status).toBe(0);
		expect(JSON.parse(fromFile.stdout)).toEqual(
			JSON.parse(JSON.stringify(deriveText(sound).ok && deriveText(sound)))['value']
		);
		expect(fromInput.stdout).toBe(fromFile.stdout);
	});

	it('exits 2 with all errors on standard error and nothing on standard output', () => {
		const bad = run(['-'], sound.replace('"us"', '"xx"').replace('"grams": 1000', '"grams": -1'));
		expect([bad.status, bad.stdout]).toEqual([2, '']);
		const { errors } = JSON.parse(bad.stderr) as { errors: { path: string; message: string }[] };
		expect(errors.map((error) => error.path)).toEqual(['rules', 'formula.lines[0].grams']);
	});

	it('says so when there is no such file, or none is named', () => {
		for (const args of [[join(folder, 'missing.json')], []]) {
			const missing = run(args);
			expect([missing.status, missing.stdout]).toEqual([2, '']);
			expect((JSON.parse(missing.stderr) as { errors: unknown[] }).errors).toHaveLength(1);
		}
	});
});

describe('npm run --silent sure', () => {
	const ask = (document: object) =>
		spawnSync('npm', ['run', '--silent', 'sure', '--', '-'], {
			encoding: 'utf8',
			input: JSON.stringify(document)
		});
	const file = JSON.parse(sound) as object;

	it('prints how sure each figure is, in the panel’s order, the same for the same seed', () => {
		const asked = { file, draws: 2000, seed: 7, lines: [{ line: 0, tared: true }] };
		const [first, again] = [ask(asked), ask(asked)];
		expect(first.status).toBe(0);
		expect(again.stdout).toBe(first.stdout);
		const answer = JSON.parse(first.stdout) as { draws: number; seed: number; figures: Figure[] };
		expect([answer.draws, answer.seed]).toEqual([2000, 7]);
		expect(answer.figures.slice(0, 2).map(({ figure }) => figure)).toEqual(['calories', 'totalFat']);
		const calories = answer.figures[0];
		expect(Object.keys(calories ?? {})).toEqual([
			'figure',
			'printed',
			'unit',
			'low',
			'high',
			'found',
			'survives',
			'standardError',
			'firstOrderSd',
			'shares'
		]);
		const total = calories?.shares.reduce((sum, { share }) => sum + share, 0);
		expect(total).toBeCloseTo(1, 9);
	});

	it('names every problem at its place and exits 2', () => {
		const bad = ask({
			file: { ...file, rules: 'xx' },
			draws: 0,
			lines: [{ line: 0, low_g: 3 }],
			surprise: true
		});
		expect([bad.status, bad.stdout]).toEqual([2, '']);
		const { errors } = JSON.parse(bad.stderr) as { errors: { path: string }[] };
		expect(errors.map(({ path }) => path).sort()).toEqual(['draws', 'file.rules', 'lines[0]', 'surprise']);
		const stranger = ask({ file, lines: [{ line: 99 }], sources: { nobody: 'table' } });
		const named = (JSON.parse(stranger.stderr) as { errors: { path: string }[] }).errors;
		expect(named.map(({ path }) => path)).toEqual(['lines[0].line', 'sources.nobody']);
	});
});

interface Figure {
	figure: string;
	shares: { share: number }[];
}

describe('npm run --silent read-lines', () => {
	it('prints one JSON object a line with just the keys it promises, and skips what is blank', () => {
		const { status, stdout } = spawnSync('npm', ['run', '--silent', 'read-lines'], {
			encoding: 'utf8',
			input: '2 ¼ cups bread flour\n\n1 tbsp milk at 40 degrees plus more to brush\r\n'
		});
		const read = stdout
			.trim()
			.split('\n')
			.map((line) => JSON.parse(line) as Record<string, unknown>);
		expect(status).toBe(0);
		const spoon = {
			text: '1 tbsp milk at 40 degrees',
			ingredient: null,
			amount: 1,
			unit: 'tbsp',
			// 244 g a cup of 16 tablespoons
			grams: 15.25,
			gramsLow: 15.125,
			gramsHigh: 15.375,
			note: 'at 40 degrees',
			doubts: ['ambiguous-ingredient'],
			candidates: ['milk-whole'],
			use: null,
			temperature_c: 40,
			lines: []
		};
		const more = {
			...spoon,
			text: 'more to brush',
			amount: null,
			unit: null,
			grams: null,
			gramsLow: null,
			gramsHigh: null,
			note: 'to brush',
			doubts: ['ambiguous-ingredient', 'no-amount'],
			use: 'brushing',
			temperature_c: null
		};
		expect(read).toEqual([
			{
				text: '2 ¼ cups bread flour',
				ingredient: 'flour-bread-enriched',
				amount: 2.25,
				unit: 'cup',
				grams: 292.5,
				gramsLow: 270,
				gramsHigh: 337.5,
				note: null,
				doubts: [],
				candidates: [],
				use: null,
				temperature_c: null,
				lines: []
			},
			{ ...spoon, text: '1 tbsp milk at 40 degrees plus more to brush', lines: [spoon, more] }
		]);
	});
});

describe('npm run --silent reformulate', () => {
	const ask = (document: object) =>
		spawnSync('npm', ['run', '--silent', 'reformulate', '--', '-'], {
			encoding: 'utf8',
			input: JSON.stringify(document)
		});
	const file = JSON.parse(
		writeRecipe(
			recipe({
				ingredients: [
					flour,
					water,
					ingredient('salt', { kind: 'salt', per100g: per100g({ sodium_mg: 38758 }) })
				],
				formula: { name: 'Roti', lines: [dough('flour', 1000), dough('water', 600), dough('salt', 20)] }
			})
		)
	) as object;
	const free = [{ line: 2, low_g: 0, high_g: 40 }];

	it('grants a wish: free lines in the scale’s steps, what holds it back, the facts', () => {
		// 145 mg a serving of one roti are 145 ÷ 387.58 × 1620 ÷ 50 = 12.12 g of salt: 12 g.
		const targets = [{ figure: 'sodium_mg', per: 'serving', atMost: 140, as: 'printed' }];
		const answer = ask({ file, free, targets, step_g: 1, windows: 'roti' });
		expect(answer.status).toBe(0);
		const found = JSON.parse(answer.stdout) as Record<string, unknown> & {
			facts: { panel: { sodium: object } };
		};
		expect(found).toMatchObject({
			status: 'met',
			ballWeight_g: 50,
			lines: [{ line: 2, grams: 12 }],
			change: 0.4
		});
		expect(found.facts.panel.sodium).toMatchObject({ amount: '140mg' });
		expect(Object.keys(found)).toEqual(['status', 'ballWeight_g', 'lines', 'change', 'binding', 'facts']);
	});

	it('names what cannot hold together, and by how little each would have to give', () => {
		const targets = [
			{ figure: 'sodium_mg', per: 'piece', atMost: 140 },
			{ figure: 'hydration', atLeast: 50 },
			{ figure: 'salt', atLeast: 1.5 }
		];
		const answer = ask({ file, free, targets, step_g: 1, windows: null });
		expect(answer.status).toBe(0);
		const found = JSON.parse(answer.stdout) as { giving: { target: number; would: number }[] };
		expect(found).toMatchObject({ status: 'impossible', conflict: [0, 2] });
		// 15 g of salt with 1000 g of flour in 1615 g: 15 × 50 ÷ 1615 × 387.58.
		expect(found.giving[0]?.would).toBeCloseTo((15 * 50 * 387.58) / 1615, 3);
	});

	it('exits 2 with what cannot be asked, at its place', () => {
		const answer = ask({ file, free: [{ line: 3 }], targets: [], step_g: 1, windows: null });
		expect([answer.status, answer.stdout]).toEqual([2, '']);
		const { errors } = JSON.parse(answer.stderr) as { errors: { path: string }[] };
		expect(errors.map(({ path }) => path)).toEqual(['free[0].line']);
	});
});
