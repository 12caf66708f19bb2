import { allergenName } from '../allergens/contact-words.ts';
import type { Facts } from '../facts.ts';
import type { Product, RulesName } from '../formula/types.ts';
import type { TableContent } from '../rules/eu/format.ts';
import { rulesOf } from '../rules/index.ts';
import type { PackFace, PackRoom } from '../rules/pack-room.ts';
import type { RuleSet } from '../rules/ruleset.ts';
import { mayContainText } from '../rules/may-contain.ts';
import type { PanelContent } from '../rules/us/format/content.ts';
import type { UsFormat } from '../rules/us/format/index.ts';
import { profileSentence, type LocalProfile } from '../profile/profile.ts';
import type { Barcode } from './barcode.ts';
import type { Wording } from './wording.ts';

/** What the day on a bag is called: food that spoils fast is not eaten after its use-by day (Regulation 1169/2011 Article 24). */
export const DATE_KINDS = ['best before', 'use by'] as const;
export type DateKind = (typeof DATE_KINDS)[number];

/** What the maker decides of a product's label; figures and lists are derived. */
export interface LabelDesign {
	/** The product's name as it prints. */
	name: string;
	declared_g: number | null;
	wording: Wording;
	/** How to keep it, and how to finish it where it is part-cooked. */
	storage: string;
	finishing: string;
	maker: string;
	address: string;
	/** What the authority asks to stand on this label besides what the local profile says. */
	localSentence: string;
	/** Which of the foods the local profile allows it is; empty while nothing is said. */
	food: string;
	/** Whether the panel is left out, where the local profile lets it be. */
	leavePanelOut: boolean;
	/** The front of the pack, by whose area type sizes go; null while nobody said. */
	face_mm: PackFace | null;
	/** Surface of the pack that a label could take up, cm²; null: as large as the label or larger. */
	packArea_cm2: number | null;
	/** The maker's own trade item number; empty prints no barcode. */
	barcode: string;
	/** Days from making that the maker's own shelf-life test bears out; null prints none. */
	bestBeforeDays: number | null;
	/** What the day is called; null while nobody said: best before. */
	dateKind: DateKind | null;
	/** Whether it was frozen and is sold thawed; null while nobody said. */
	defrosted: boolean | null;
	/** When that test was made and what it found. */
	shelfLifeTest: string;
	/** Price as it prints; empty prints none. */
	price: string;
	size: { width_mm: number; height_mm: number };
	format: UsFormat;
}

/** A design of which nothing is decided: without a name no label is approved. */
export const BLANK_DESIGN: LabelDesign = {
	name: '',
	declared_g: null,
	wording: {},
	storage: '',
	finishing: '',
	maker: '',
	address: '',
	localSentence: '',
	food: '',
	leavePanelOut: false,
	face_mm: null,
	packArea_cm2: null,
	barcode: '',
	bestBeforeDays: null,
	dateKind: null,
	defrosted: null,
	shelfLifeTest: '',
	price: '',
	size: { width_mm: 100, height_mm: 150 },
	format: 'vertical'
};

/** Everything a label says, but for what each batch adds: its code and its date. */
export interface LabelContent {
	rules: RulesName;
	name: string;
	netQuantity: string | null;
	/** How many pieces the pack holds, where the figures are of one; absent on labels approved before it was said. */
	pieces?: string | null;
	statement: string | null;
	declaration: string | null;
	/** What may have come along, accepted by a person. */
	mayContain: string | null;
	panel: PanelContent | null;
	table: TableContent | null;
	storage: string;
	finishing: string;
	maker: string;
	address: string;
	/** What the authority asks to stand there: of the local profile, and of this product. */
	localSentence: string;
	/** Least type size of it, points; null: as the other words. */
	localLeast_pt: number | null;
	bestBeforeDays: number | null;
	/** Absent on labels approved before it was asked for: best before. */
	dateKind?: DateKind;
	price: string;
	barcode: Barcode | null;
	size: LabelDesign['size'];
	/** The front of the pack; absent on labels approved before it was asked for. */
	face_mm?: PackFace | null;
	format: UsFormat;
}

/** What a label takes from the kitchen around the product. */
export interface LabelContext {
	/** Tags that a person accepted as what it may contain. */
	mayContain: readonly string[];
	/** What the authority asks; null while nothing is noted. */
	profile: LocalProfile | null;
	/** Bars of the design's barcode; null without one. */
	bars: readonly number[] | null;
}

const MM2_PER_CM2 = 100;

/** What a design's pack offers a label: what somebody said of it, and never less than the label itself takes. */
export function packRoom({
	packArea_cm2,
	face_mm,
	size
}: Pick<LabelDesign, 'packArea_cm2' | 'face_mm' | 'size'>): PackRoom {
	return {
		room_cm2: Math.max(packArea_cm2 ?? 0, (size.width_mm * size.height_mm) / MM2_PER_CM2),
		isMeasured: packArea_cm2 !== null,
		face: face_mm
	};
}

/** Whether the label goes without a panel: the maker wants it so, and the local profile or the size of the pack allows it. */
export function leavesPanelOut(
	rules: Pick<RuleSet, 'needsNoPanel'>,
	design: Pick<LabelDesign, 'leavePanelOut' | 'packArea_cm2' | 'face_mm' | 'size'>,
	profile: LocalProfile | null
): boolean {
	return design.leavePanelOut && (profile?.panelExempt === true || rules.needsNoPanel(packRoom(design)));
}

/** The label of a design with its derived facts. */
export function labelContent(
	rulesName: RulesName,
	facts: Facts,
	product: Product,
	design: LabelDesign,
	{ mayContain, profile, bars }: LabelContext
): LabelContent {
	const { name, storage, finishing, maker, address, bestBeforeDays, price, size, face_mm, format } = design;
	const rules = rulesOf(rulesName);
	const leftOut = leavesPanelOut(rules, design, profile);
	return {
		rules: rulesName,
		// The name of a food that was frozen says so (Regulation 1169/2011 Annex VI, part A 2).
		name: design.defrosted && name.trim() !== '' ? `${name}, defrosted` : name,
		dateKind: design.dateKind ?? 'best before',
		storage,
		finishing,
		maker,
		address,
		bestBeforeDays,
		price,
		size,
		face_mm,
		format,
		localSentence: [profile ? profileSentence(profile) : '', design.localSentence.trim()]
			.filter(Boolean)
			.join(' '),
		localLeast_pt: profile?.sentenceLeast_pt ?? null,
		barcode: bars ? { digits: design.barcode, bars: [...bars] } : null,
		netQuantity: design.declared_g === null ? null : rules.netQuantityText(design.declared_g),
		pieces: leftOut ? null : rules.piecesText(product),
		statement: facts.statement,
		declaration: facts.allergens.text,
		mayContain: mayContainText(
			rules,
			mayContain.filter((tag) => !facts.allergens.contains.includes(allergenName(tag)))
		),
		...(leftOut
			? { panel: null, table: null }
			: rules.printedContent(rules.nutritionContent(facts, product), format, design.declared_g))
	};
}
