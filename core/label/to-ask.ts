import type { Facts } from '../facts.ts';
import { rulesOf } from '../rules/index.ts';
import type { RulesName } from '../formula/types.ts';
import { claimsIn, type Claims } from './claims.ts';
import type { LabelDesign } from './content.ts';

/** Something of a label that its maker has to ask about: never decided here, and no reason to wait. */
export interface ToAsk {
	message: string;
	/** The field it is about; null where it is the ingredient list. */
	field: keyof LabelDesign | null;
}

/** Fields whose words a claim may stand in. */
const WORDS = ['name', 'storage', 'finishing', 'localSentence'] as const;

/** What the maker's own words on a label claim, field by field. */
export function claimsOf(design: LabelDesign): (Claims & { field: keyof LabelDesign })[] {
	return [
		...WORDS.map((field) => ({ field, ...claimsIn([design[field]]) })),
		{ field: 'wording' as const, ...claimsIn(Object.values(design.wording)) }
	];
}

/** What to ask about a label before it is sold, with where it stands (computation, section 10a). */
export function toAsk(rulesName: RulesName, facts: Facts, design: LabelDesign): ToAsk[] {
	const asked: ToAsk[] = [];
	for (const { field, nutrition } of claimsOf(design))
		for (const claim of nutrition)
			asked.push({
				message: `“${claim}” is a claim: each has its conditions, and it ends an exemption from the panel. Ask your authority whether it may stand there`,
				field
			});
	for (const message of rulesOf(rulesName).asksOfStatement(facts.statement ?? ''))
		asked.push({ message, field: null });
	return asked;
}
