import type { ToolKind } from '$core/planning/making.ts';
import type { RulesName } from '$core/formula/types.ts';
import type { MeasureSet } from '$core/measure/units.ts';
import type { LocalProfile } from '$core/profile/profile.ts';
import type { Locale, WeekStart } from './locale.ts';

/** An allergen that is about in the kitchen whatever is made. */
export interface StandingRisk {
	id: string;
	allergen: string;
	why: string;
}

/** What batches are made on: a bowl, a board, a griddle. */
export interface Equipment {
	id: string;
	name: string;
	/** Its empty weight, for weighings that forgot to take it off; null while it was not weighed. */
	tare_g: number | null;
	/** What it draws while it heats; null where it does not, or nobody said. */
	power_kw: number | null;
	/** What a plan takes it for. */
	kind: ToolKind;
	/** Pieces on it at once. */
	places: number;
	/** Grams of dough it holds; null where nobody said. */
	capacity_g: number | null;
	/** No longer used; it stays for the batches that were made on it. */
	retired: boolean;
}

/** The kitchen's local profile and its record version; 0 while nothing is noted. */
export interface KeptProfile {
	profile: LocalProfile | null;
	version: number;
}

/** Whose data it is. */
export interface Kitchen {
	id: string;
	name: string;
	town: string;
	/** Street and number, as a label prints it. */
	address: string;
	timeZone: string;
	currency: string;
	rules: RulesName;
	/** Smallest step the kitchen's scale shows. */
	scaleDivision_g: number;
	/** The cups and spoons it measures with. */
	measureSet: MeasureSet;
	/** Whether loose pieces are made up into packs that hold fewer, and sold. */
	sellsShort: boolean;
	/** How it writes its days and its clock. */
	locale: Locale;
	/** The day its week begins with, 0 for Sunday. */
	weekStarts: WeekStart;
	/** Record version, for telling a stale save. */
	version: number;
}
