import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { recipe } from '$core/testing/recipe.ts';
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
