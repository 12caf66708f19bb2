import type { ContactDecision, ContactStanding, Making } from '$core/allergens/contact.ts';

/** Cross-contact of a product or a batch: what is proposed, what was decided, what cannot be told. */
export interface Contact extends ContactStanding {
	/** Names of unconfirmed ingredients that were handled before. */
	unconfirmed: string[];
	/** Newest first. */
	decisions: KeptDecision[];
	/** Names of equipment by id. */
	equipment: Record<string, string>;
}

/** The day of a batch: what else was made on it, what was cleaned, and what follows for the batch. */
export interface BatchContact extends Contact {
	day: DayMaking[];
	cleans: RecordedClean[];
}

/** A batch of a day, as cross-contact sees it. */
export interface DayMaking extends Making {
	productId: string;
	madeOn: string;
	/** Packs that are not sold, or nothing packed yet: what a label may still be printed for. */
	isLive: boolean;
}

/** A clean of a piece of equipment, recorded by whoever did it. */
export interface RecordedClean {
	id: string;
	equipment: string;
	cleanedOn: string;
	/** Time of day, `10:45`. */
	at: string;
	/** How: with what, and whether it was dried. */
	how: string;
	/** Why it does not count; null while it does. */
	voided: string | null;
}

/** A decision as it is kept. */
export interface KeptDecision extends ContactDecision {
	id: string;
	productId: string;
	/** What proposed it, in words, as it stood then. */
	sourceWords: string;
	reason: string;
	decidedAt: string;
	/** Who decided; '' where that was not kept yet. */
	by: string;
}
