import type { Facts } from '$core/facts.ts';
import type { TakenLine } from '$core/formula/by-feel.ts';
import type { Line, Recipe, RulesName } from '$core/formula/types.ts';
import type { Choices } from '$core/formula/process.ts';
import type { Block } from '$core/label/blocks.ts';
import type { Difference } from '$core/label/compare.ts';
import type { LabelContent, LabelDesign } from '$core/label/content.ts';
import type { Said } from '$core/label/held.ts';
import type { LocalProfile } from '$core/profile/profile.ts';
import type { BallWeightInput, Recommendation } from '$core/netquantity/recommend.ts';
import type { ShelfTestRecord } from './shelf-test.ts';
import type { ValueSource } from '../shelf/sources.ts';
import type { Contact } from '../batch/contact.ts';
import type { Product } from '../formula/product.ts';

/** An approved label, as it was then. */
export interface LabelRevision {
	id: string;
	number: number;
	approvedAt: string;
	/** Version of the formula behind it. */
	formulaNumber: number;
	declared_g: number;
	content: LabelContent;
	/** What it rests on: the ingredients of its formula's version, and the allergens it declares. */
	said: Said;
}

/** The facts a revision rests on: everything derived, prices aside. */
export type FrozenFacts = Omit<Facts, 'cost'>;

/** A product's label as it stands: what would print now, what keeps it from it, what was approved. */
export interface Label {
	product: Product;
	/** Record version of the design; 0 while nothing was saved of it. */
	version: number;
	formulaNumber: number;
	formulaVersionId: string;
	design: LabelDesign;
	/** How it is made, sold and kept. */
	choices: Choices;
	/** As the shelf words it, and the cook loss to expect: what the page derives from while it is typed in. */
	plainRecipe: Recipe;
	cookLoss: number | null;
	/** Lines by feel or to be weighed, as the batches that square took them: the recipe has their mean. */
	taken: TakenLine<Line>[];
	/** With the label's own wording; null where nothing can be derived. */
	facts: Facts | null;
	content: LabelContent | null;
	blocks: Block[];
	contact: Contact;
	/** What the kitchen's own authority asks; null while nothing is noted. */
	profile: LocalProfile | null;
	/** What does not fit. */
	misfits: string[];
	/** What the next batch may declare. */
	recommended: Recommendation | null;
	/** What the smallest ball weight for a declaration is worked out from; null before a batch squares. */
	ballBasis: BallWeightInput | null;
	/** The maker's own tests of how long it keeps, the newest first. */
	shelfTests: ShelfTestRecord[];
	sources: Record<string, ValueSource>;
	/** Newest first. */
	revisions: LabelRevision[];
	/** What the newest revision says that would no longer be so. */
	changes: Difference[];
}

/** A label as it is seen by who may print it and may not see its formula. */
export interface SeenLabel extends Pick<Label, 'revisions' | 'changes'> {
	product: Pick<Product, 'id' | 'name' | 'packPieces' | 'pieceMany'>;
	rules: RulesName;
	state: LabelState;
}

/** Where a label stands, in a word. */
export type LabelState = 'waits' | 'ready' | 'approved' | 'out of date';

export function labelState(label: Pick<Label, 'blocks' | 'misfits' | 'revisions' | 'changes'>): LabelState {
	if (label.revisions.length > 0 && label.changes.length > 0) return 'out of date';
	// What was approved waits too once something of it is not known any more, such as an ingredient's allergens.
	if (label.blocks.length + label.misfits.length > 0) return 'waits';
	return label.revisions.length > 0 ? 'approved' : 'ready';
}
