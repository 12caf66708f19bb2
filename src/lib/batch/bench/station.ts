import type { DateKind } from '$core/label/content.ts';
import type { Step } from '$core/formula/process.ts';

/** What the stations of a batch need of its formula version and its label. */
export interface StationFacts {
	steps: Step[];
	/** Cautions of the ways chosen for it (computation, section 14). */
	cautions: string[];
	/** A dry mix in jars: nothing of it goes to the heat. */
	uncooked: boolean;
	partCooked: boolean;
	label: StationLabel | null;
	/** What the batch holds that its label does not say, in words. */
	held: string[];
}

/** The label a batch is packed under. */
export interface StationLabel {
	number: number;
	declared_g: number;
	/** Days its best-before is after making; null where none is printed. */
	bestBeforeDays: number | null;
	/** What that day is called. */
	dateKind: DateKind;
}
