import { describe, expect, it } from 'vitest';
import { untaggedWords } from '$core/label/untagged.ts';
import { rulesOf } from '$core/rules/index.ts';
import { ingredientOf } from '$core/file/document.ts';
import { referenceRows } from './read.ts';

const rows = [...referenceRows().values()];

describe('the shipped rows', () => {
	it('name no allergen on a label that their tags lack, by either rule set', () => {
		for (const { id, name, kind, per100g, allergens, labelUs, labelEu } of rows) {
			const shelved = ingredientOf({
				id,
				name,
				kind,
				per100g,
				allergens,
				label: { us: labelUs, eu: labelEu }
			});
			for (const rules of ['us', 'eu'] as const)
				expect([id, rules, untaggedWords(shelved, rulesOf(rules))]).toEqual([id, rules, []]);
		}
	});
	it('mark as highly refined only what they tag', () => {
		const marked = rows.filter(({ refined }) => refined.length > 0);
		expect(marked.map(({ id }) => id)).toEqual(['shortening', 'oil-soybean']);
		for (const { refined, allergens } of marked) expect(allergens).toEqual(expect.arrayContaining(refined));
	});
	it('say of a hardened fat whether it is fully or partly so, and of a powder which acid it has', () => {
		const row = (id: string) => referenceRows().get(id);
		expect(row('shortening')?.labelUs).toContain('fully hydrogenated');
		expect(row('shortening')?.labelEu).toContain('fully hydrogenated');
		expect(row('baking-powder')?.name).toContain('sodium aluminum sulfate');
		expect(row('baking-powder')?.labelUs).toContain('sodium aluminum sulfate');
		expect(row('baking-powder')?.labelUs).not.toContain('pyrophosphate');
	});
});
