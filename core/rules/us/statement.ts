import { partText } from '../../formula/naming.ts';
import { settled } from '../../measure/round.ts';
import { entriesMass_g, sentence, type StatementEntry } from '../entry.ts';

/**
 * The ingredient statement by 21 CFR 101.4: heaviest first, and those at 2 % or less gathered at the
 * end when there are at least two of them (101.4(a)(2)).
 */
export function usStatement(entries: readonly StatementEntry[]): string {
	const total_g = entriesMass_g(entries);
	const isSmall = (entry: StatementEntry) => settled((entry.mass_g / total_g) * 100) <= 2;
	const small = entries.filter(isSmall);
	if (small.length < 2) return sentence(entries.map(partText).join(', '));
	const large = entries.filter((entry) => !isSmall(entry)).map(partText);
	return sentence([...large, `contains 2% or less of: ${small.map(partText).join(', ')}`].join(', '));
}
