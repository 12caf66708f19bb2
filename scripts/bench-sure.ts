import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { NUTRIENTS } from '../core/composition/nutrients.ts';
import { derive } from '../core/derive.ts';
import { USUAL_ASSUMPTIONS, USUAL_DRAWS } from '../core/sure/assumptions.ts';
import { Drawing } from '../core/sure/drawing.ts';
import { dough, ingredient, per100g, recipe } from '../core/testing/recipe.ts';
import { root } from './lib/root.ts';

const LINES = 12;
/** Table energy is not drawn. */
const DRAWN = NUTRIENTS.length - 1;
const TIMES = 5;

/**
 * `npm run bench:sure`: how long the draws of a formula of twelve lines take in which every value is uncertain, beside
 * a loop in C that does the same draws and sums. Prints, asserts nothing.
 */
export function main(): void {
	const asked = everythingUncertain();
	const facts = derive(asked);
	if (!facts.ok) throw new Error(facts.problems[0]?.message);
	const ours = best(() => {
		const drawing = new Drawing(asked, facts.value, USUAL_ASSUMPTIONS, USUAL_DRAWS, 1);
		const begun = performance.now();
		drawing.draw(USUAL_DRAWS);
		return performance.now() - begun;
	});
	const drawing = new Drawing(asked, facts.value, USUAL_ASSUMPTIONS, USUAL_DRAWS, 1);
	let begun = performance.now();
	drawing.draw(1000);
	drawing.result();
	console.log(`first answer, of 1,000 draws: ${Math.round(performance.now() - begun)} ms`);
	drawing.draw(USUAL_DRAWS);
	begun = performance.now();
	drawing.result();
	console.log(`what 100,000 draws say: ${Math.round(performance.now() - begun)} ms`);
	console.log(`100,000 draws of ${LINES} lines, ${DRAWN} values each: ${Math.round(ours)} ms`);
	const c = inC();
	if (c === null) console.log('No C compiler here: nothing to compare with.');
	else
		console.log(`the same in C: ${Math.round(c)} ms, so ours takes ${(ours / c).toFixed(2)} times as long`);
}

const best = (run: () => number): number => Math.min(...Array.from({ length: TIMES }, run));

/** Twelve ingredients of which nothing is zero: more than any kitchen's formula asks for. */
function everythingUncertain() {
	const values = Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, 10]));
	const ingredients = Array.from({ length: LINES }, (_, at) =>
		ingredient(`i${at}`, { per100g: per100g({ ...values, carbohydrate_g: 40 }) })
	);
	return recipe({
		ingredients,
		formula: { name: 'Everything', lines: ingredients.map(({ id }) => dough(id, 100)) },
		piece: { one: 'roti', many: 'roti', category: 'flatbread', ballWeight_g: 60 },
		batch: { finishedWeights_g: [56] }
	});
}

/** Milliseconds the loop in C takes; null where nothing compiles it. */
function inC(): number | null {
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-bench-'));
	const program = join(folder, 'draws');
	try {
		execFileSync('cc', ['-O2', '-o', program, join(root, 'scripts/bench/draws.c'), '-lm'], { stdio: 'pipe' });
		return best(() => {
			const said = execFileSync(program, [String(LINES), String(DRAWN), String(USUAL_DRAWS)], {
				encoding: 'utf8'
			});
			return Number(said.split(' ')[0]);
		});
	} catch {
		return null;
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}
