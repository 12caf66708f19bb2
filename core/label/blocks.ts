import { nutrientWord } from '../composition/nutrients.ts';
import { settled } from '../measure/round.ts';
import type { Facts } from '../facts.ts';
import type { Choices } from '../formula/process.ts';
import type { Ingredient, Recipe } from '../formula/types.ts';
import type { ContactStanding } from '../allergens/contact.ts';
import { allergenName } from '../allergens/contact-words.ts';
import { unprintable } from '../drawing/text.ts';
import { rulesOf } from '../rules/index.ts';
import type { RuleSet } from '../rules/ruleset.ts';
import { profileSentence, type LocalProfile } from '../profile/profile.ts';
import { gtinProblem } from './barcode.ts';
import { leavesPanelOut, packRoom, type LabelDesign } from './content.ts';
import { claimsOf } from './to-ask.ts';
import { untaggedWords } from './untagged.ts';
import { lostAllergenWords } from './wording.ts';

/** Something that keeps a label from being approved, and where it is mended. */
export interface Block {
	message: string;
	/** The ingredient to mend, by id; null where it is not on the shelf. */
	ingredient: string | null;
	/**
	 * The field of the design to fill, or what else of the label is to be decided; `lines` of the formula and `weights` of
	 * finished pieces are given elsewhere. Null where the ingredient is what is to be mended.
	 */
	field: keyof LabelDesign | `wording.${string}` | 'contact' | 'profile' | 'lines' | 'weights' | null;
}

/** Bread that is eaten within the day bears no date (Regulation 1169/2011 Annex X 1(d)). */
const FOR_THE_DAY: Choices['sold'] = 'warm or for the day';

/** What cross-contact leaves to be decided before a label may be approved. */
export function contactBlocks(contact: Pick<ContactStanding, 'open'> & { unconfirmed: string[] }): Block[] {
	const at = { ingredient: null, field: 'contact' } as const;
	return [...new Set(contact.open.map(({ allergen }) => allergenName(allergen)))]
		.map((name): Block => ({ message: `decide whether it may contain ${name}`, ...at }))
		.concat(
			contact.unconfirmed.map((name) => ({
				message: `nobody has confirmed the allergens of ${name}, handled before it on the same equipment`,
				...at
			}))
		);
}

/** Everything that keeps the label of these facts from being approved; empty when it may be. */
export function labelBlocks(
	recipe: Recipe,
	facts: Facts,
	design: LabelDesign,
	profile: LocalProfile | null,
	choices: Pick<Choices, 'sold' | 'storage'>
): Block[] {
	const rules = rulesOf(recipe.rules);
	const byId = new Map(recipe.ingredients.map((ingredient) => [ingredient.id, ingredient]));
	const nameOf = (id: string) => byId.get(id)?.name ?? id;
	const blocks: Block[] = [];
	const block = (message: string, at: Partial<Block> = {}) =>
		blocks.push({ message, ingredient: null, field: null, ...at });

	// Also of what there is none of yet: a label may say more than the bag holds, never less.
	for (const { id, allergens, name } of recipe.ingredients)
		if (!allergens) block(`nobody has confirmed the allergens of ${name}`, { ingredient: id });
	for (const { ingredient, use, used_g } of recipe.formula.lines)
		if (settled(used_g) <= 0)
			block(
				`no grams are known of ${nameOf(ingredient)}${use === 'dough' ? '' : `, for ${use}`}: weigh it in a batch that squares, or say its grams in the formula`,
				{ field: 'lines' }
			);
	for (const ingredient of recipe.ingredients)
		for (const word of untaggedWords(ingredient, rules))
			block(
				`${ingredient.name} is called “${word}” on the label, and its allergens do not say so: mend one of the two`,
				{
					ingredient: ingredient.id
				}
			);
	const printed = leavesPanelOut(rules, design, profile) ? [] : rules.printed;
	for (const { nutrient, ingredients } of facts.incomplete) {
		if (!printed.includes(nutrient)) continue;
		for (const id of ingredients)
			block(`${nutrientWord(nutrient)} of ${nameOf(id)} is unknown`, { ingredient: id });
	}
	if (facts.yield.finishedWeight_g === null)
		block('no finished piece was ever weighed: record a batch, for a cook loss is never guessed', {
			field: 'weights'
		});

	if (design.name.trim() === '') block('the product needs a name', { field: 'name' });
	if (design.face_mm === null)
		block('say how large the front of the pack is: the sizes of the type go by it', { field: 'face_mm' });
	if (design.declared_g === null) block('declare the net quantity', { field: 'declared_g' });
	if (design.maker.trim() === '') block('say who makes it', { field: 'maker' });
	if (design.address.trim() === '') block('give the maker’s address', { field: 'address' });
	if (rules.asksDate && choices.sold !== FOR_THE_DAY && design.bestBeforeDays === null)
		block('a date of minimum durability is asked for: give the days your shelf-life test bears out', {
			field: 'bestBeforeDays'
		});
	const claims = claimsOf(design);
	for (const { field, freeOf } of claims)
		for (const claim of freeOf)
			block(`“${claim}”: nothing here can say that it is free of an allergen`, { field });
	const nutrition = claims.flatMap((each) => each.nutrition);
	if (nutrition.length > 0 && leavesPanelOut(rules, design, profile))
		block(
			`it says “${nutrition.join('”, “')}”: with a claim about nutrition or health the panel is not left out`,
			{ field: 'leavePanelOut' }
		);
	blocks.push(
		...processBlocks(rules, choices, design),
		...wordingBlocks(recipe, design),
		...profileBlocks(rules, design, profile),
		...formatBlocks(recipe, facts, design, profile),
		...characterBlocks(facts, design, profile)
	);
	return blocks;
}

/** A best-before that no test bears out: neither one that was noted, day by day, nor one in words. */
export function shelfLifeBlocks(
	{ bestBeforeDays, shelfLifeTest }: Pick<LabelDesign, 'bestBeforeDays' | 'shelfLifeTest'>,
	borneOut_days: number | null
): Block[] {
	if (bestBeforeDays === null) return [];
	if (borneOut_days !== null && bestBeforeDays > borneOut_days)
		return [
			{
				message: `your tests bear out ${borneOut_days} days, and ${bestBeforeDays} are printed`,
				ingredient: null,
				field: 'bestBeforeDays'
			}
		];
	if (borneOut_days !== null || shelfLifeTest.trim() !== '') return [];
	return [
		{
			message: 'a best-before day rests on your own shelf-life test: say when it was made and what it found',
			ingredient: null,
			field: 'shelfLifeTest'
		}
	];
}

/** What is declared above what weighed packs hold on average (computation, section 12); null while none was weighed. */
export function declarationBlocks(declared_g: number | null, meanPack_g: number | null): Block[] {
	if (declared_g === null || meanPack_g === null || settled(declared_g) <= settled(meanPack_g)) return [];
	return [
		{
			message: `packs hold ${Math.floor(settled(meanPack_g))} g on average, and ${declared_g} g are declared`,
			ingredient: null,
			field: 'declared_g'
		}
	];
}

/** What the way it is made and kept has the bag say (computation, section 10a). */
function processBlocks(
	rules: RuleSet,
	{ sold, storage }: Pick<Choices, 'sold' | 'storage'>,
	design: LabelDesign
): Block[] {
	const blocks: Block[] = [];
	const ask = (message: string, field: keyof LabelDesign) =>
		blocks.push({ message, ingredient: null, field });
	if (sold === 'part-cooked, the customer finishes' && design.finishing.trim() === '')
		ask('it is sold part-cooked: say how to finish it', 'finishing');
	if ((storage === 'chilled' || storage === 'frozen') && design.storage.trim() === '')
		ask(`it is kept ${storage}: say how to keep it`, 'storage');
	if (rules.asksDate && storage === 'chilled' && sold !== FOR_THE_DAY && design.dateKind === null)
		ask(
			'it is kept chilled: say whether it spoils fast, and is used by a day, or is best before one',
			'dateKind'
		);
	if (rules.asksDate && storage === 'frozen' && design.defrosted === null)
		ask('it is kept frozen: say whether it is sold defrosted', 'defrosted');
	return blocks;
}

/** What the kitchen's own authority asks and this label does not say yet. */
function profileBlocks(rules: RuleSet, design: LabelDesign, profile: LocalProfile | null): Block[] {
	const blocks: Block[] = [];
	if (design.leavePanelOut && !leavesPanelOut(rules, design, profile))
		blocks.push({
			message: 'neither your local profile nor the size of the pack lets the panel be left out',
			ingredient: null,
			field: 'leavePanelOut'
		});
	if (!profile) return blocks;
	if (profile.permitAsked && profile.permit.trim() === '')
		blocks.push({
			message: 'your local profile asks for a permit number and has none',
			ingredient: null,
			field: 'profile'
		});
	if (profile.foods.length > 0 && !profile.foods.includes(design.food))
		blocks.push({
			message:
				design.food === ''
					? 'say which of the foods your local profile allows it is'
					: `“${design.food}” is not among the foods your local profile allows any more`,
			ingredient: null,
			field: 'food'
		});
	return blocks;
}

/** A panel format the pack may not have, a bad barcode number. */
function formatBlocks(
	recipe: Recipe,
	facts: Facts,
	design: LabelDesign,
	profile: LocalProfile | null
): Block[] {
	const blocks: Block[] = [];
	const rules = rulesOf(recipe.rules);
	const problem = leavesPanelOut(rules, design, profile)
		? null
		: rules.formatProblem(rules.nutritionContent(facts, recipe.product), design.format, packRoom(design));
	if (problem) blocks.push({ ...problem, ingredient: null });
	const barcode = design.barcode === '' ? null : gtinProblem(design.barcode);
	if (barcode) blocks.push({ message: barcode, ingredient: null, field: 'barcode' });
	return blocks;
}

function wordingBlocks(recipe: Recipe, design: LabelDesign): Block[] {
	return Object.entries(design.wording).flatMap(([id, wording]) => {
		const ingredient: Ingredient | undefined = recipe.ingredients.find((each) => each.id === id);
		if (!ingredient || wording.trim() === '') return [];
		return lostAllergenWords(ingredient, recipe.rules, wording).map((word): Block => ({
			message: `“${wording.trim()}” loses the word ${word}, an allergen of ${ingredient.name}`,
			ingredient: null,
			field: `wording.${id}`
		}));
	});
}

/** Text the shipped typeface cannot print. */
function characterBlocks(facts: Facts, design: LabelDesign, profile: LocalProfile | null): Block[] {
	const fields = ['name', 'storage', 'finishing', 'maker', 'address', 'localSentence', 'price'] as const;
	const blocks = fields.flatMap((field): Block[] => {
		const missing = unprintable(design[field]);
		return missing.length === 0
			? []
			: [{ message: `these characters cannot be printed: ${missing.join(' ')}`, ingredient: null, field }];
	});
	const local = unprintable(profile ? profileSentence(profile) : '');
	if (local.length > 0)
		blocks.push({
			message: `the sentence of your local profile has characters that cannot be printed: ${local.join(' ')}`,
			ingredient: null,
			field: 'profile'
		});
	const missing = unprintable(facts.statement ?? '');
	if (missing.length > 0)
		blocks.push({
			message: `the ingredient list has characters that cannot be printed: ${missing.join(' ')}`,
			ingredient: null,
			field: 'wording'
		});
	return blocks;
}
