import type { Step } from '$core/formula/process.ts';
import type { Tool } from '$core/planning/making.ts';
import type { Paces } from '$core/planning/paces.ts';
import type { SoldDay } from '$core/selling/demand.ts';
import type { HowMany } from '$core/selling/how-many.ts';
import type { OneMoreOrFewer } from '$core/selling/worth.ts';

/** What a product is likely to be wanted of on a selling day, and what of it is there. */
export interface Demand {
	productId: string;
	name: string;
	packPieces: number;
	/** The days it is read off, newest first. */
	days: SoldDay[];
	ahead: HowMany;
	/** Null for who may not see money. */
	money: { price: string; cost: string | null; leftover: string; one: OneMoreOrFewer } | null;
	/** Sold today already, of today. */
	soldToday: number;
	there: number;
	planned: number;
	/** What is missing. */
	toMake: number;
}

/** A coming selling day of a place. */
export interface DemandDay {
	day: string;
	place: string;
	products: Demand[];
	/** What is missing of all of them. */
	toMake: number;
}

/** A product with all a plan needs of it. */
export interface PlanProduct extends Demand {
	ballWeight_g: number;
	rejectRate: number;
	steps: Step[];
	paces: Paces;
	/** Tags of everything in it. */
	allergens: string[];
	/** Ids of the equipment it may be made with. */
	tools: string[];
}

/** When a place sells, `09:00`. */
export interface Hours {
	opens: string;
	closes: string;
}

/** Everything a day is planned from that is not said by whoever plans it. */
export interface PlanBasis {
	day: string;
	place: string;
	products: PlanProduct[];
	tools: Tool[];
	/** Those who may make, by name. */
	people: string[];
	hours: Hours | null;
}

/** What is said of a day that is planned. */
export interface PlanWish {
	/** When everything has to be packed, `08:15` of the day, or of the evening before. */
	packedBy: string;
	packedEve: boolean;
	/** Who helps, by name; the first is whoever is first on the lanes. */
	people: string[];
	/** Packs by product, where they are others than proposed. */
	packs: Record<string, number>;
	/** Nobody works before this, `04:30`. */
	earliest: string;
	/** The evening before counts too, until this; empty where it does not. */
	evening: string;
	reckoning: 'usual' | 'safe';
	/** Starts that were said, in minutes before the packing, by task. */
	pins: Record<string, number>;
	/** Products whose dough is chilled overnight. */
	overnight: string[];
	/** An hour somebody helps, by its start in minutes before the packing. */
	helpers: number[];
	/** Tools of which there is one more, and tools that are not there, by id. */
	borrowed: string[];
	without: string[];
	/** One person rolls the next while the last is on its second side. */
	rollsWhileCooking: boolean;
}

/** A task of a plan that was taken. */
export interface TakenTask {
	key: string;
	mode: number;
	start_min: number;
}

/** A plan that was taken: what it was planned from, and what it says. */
export interface TakenPlan {
	basis: PlanBasis;
	wish: PlanWish;
	tasks: TakenTask[];
	/** Of 100 such days, as it was reckoned when it was taken. */
	inTime: number;
}

/** A plan of a day as it is kept. */
export interface KeptPlan {
	id: string;
	version: number;
	wish: PlanWish;
	taken: TakenPlan | null;
	takenAt: string | null;
	/** Batches begun from it, by the make they are. */
	batches: Record<string, { id: string; code: string }>;
}

/** The next thing to do of a plan that goes on. */
export interface NextTask {
	words: string;
	/** ISO 8601. */
	at: string;
	packedAt: string;
	/** How late everything is packed as it goes now; 0 where it is in time. */
	late_min: number;
	href: string;
	plan: string;
}
