import { partText } from '../../formula/naming.ts';
import { roundTo, settled, sumOf } from '../../measure/round.ts';
import { entriesMass_g, heaviestFirst, sentence, type StatementEntry } from '../entry.ts';
import { isOfAnnexII, withAllergensSeen } from './emphasis.ts';
import { isNamed } from './named.ts';

/**
 * The ingredient list by Regulation 1169/2011 Articles 18, 21 and 22: water counts as what is left in the finished
 * piece and is left out at 5 % or less of it (Annex VII A 1); every allergen is seen and emphasised with `**`; an
 * ingredient in the food's name carries its quantity. What only touched the pieces stands at the end where an
 * allergen of it would be seen nowhere else.
 */
export function euStatement(
	entries: readonly StatementEntry[],
	contact: readonly StatementEntry[],
	finishedWeight_g: number,
	foodName: string
): string {
	const others_g = entriesMass_g(entries.filter((entry) => !entry.isWater));
	const water_g = settled(finishedWeight_g - others_g);
	const kept = heaviestFirst(
		entries
			.filter((entry) => !entry.isWater || water_g > settled(0.05 * finishedWeight_g))
			.map((entry) => (entry.isWater ? { ...entry, mass_g: water_g } : entry))
	);
	const quantityOf = quantities(
		kept.filter((entry) => !entry.isWater && isNamed(entry.name, foodName)),
		finishedWeight_g
	);
	const seen = new Set(kept.flatMap((entry) => entry.allergens));
	const touched = contact.filter((entry) =>
		entry.allergens.some((tag) => isOfAnnexII(tag) && !seen.has(tag))
	);
	const texts = [...kept, ...touched].map((entry) => {
		const text = withAllergensSeen(partText(entry), entry.allergens);
		const quantity = quantityOf.get(entry);
		return quantity === undefined ? text : `${text} (${quantity})`;
	});
	return sentence(texts.join(', '));
}

/**
 * The quantities of the ingredients that the food's name names: weight as mixed over the finished weight, since heat
 * drove water off; where one of these or their sum is above 100 %, the grams used for 100 g of the finished food
 * (Annex VIII 4).
 */
function quantities(
	named: readonly StatementEntry[],
	finishedWeight_g: number
): ReadonlyMap<StatementEntry, string> {
	const share = (entry: StatementEntry) => settled((entry.mass_g / finishedWeight_g) * 100);
	const unit = settled(sumOf(named, share)) > 100 ? ' g per 100 g' : '%';
	return new Map(
		named.map((entry) => [entry, `${roundTo(share(entry), share(entry) < 1 ? 0.1 : 1)}${unit}`])
	);
}
