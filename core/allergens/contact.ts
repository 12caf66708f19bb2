import { readTag } from './tags.ts';

/** A batch of a day as cross-contact sees it: when, on what, and which allergens it handled. */
export interface Making {
	id: string;
	code: string;
	name: string;
	/** Time of day it was begun, `09:30`; null when nobody noted it. */
	beganAt: string | null;
	/** Time of day it last used its equipment, `11:15`, `24:00` where that was later or it is not done; null where nothing tells. */
	usedUntil: string | null;
	/** Ids of the equipment it touched. */
	equipment: readonly string[];
	/** Tags of everything it handled. */
	allergens: readonly string[];
	/** Names of what it handled whose allergens nobody has confirmed. */
	unconfirmed: readonly string[];
}

/** A recorded clean of one piece of equipment. */
export interface Clean {
	equipment: string;
	/** Time of day, `10:45`. */
	at: string;
}

/** Where an allergen may have come from. */
export type ContactSource =
	| {
			kind: 'day';
			/** The batch it may have come to. */
			batchId: string;
			batchCode: string;
			from: Pick<Making, 'id' | 'code' | 'name'>;
			/** Ids of the equipment both touched without a clean in between. */
			equipment: string[];
			/** Whether both times are known; if not, it is taken to have been before. */
			orderKnown: boolean;
	  }
	| { kind: 'ingredient'; ingredient: string; name: string }
	| { kind: 'kitchen'; risk: string; why: string };

/** An allergen that may have come along, to be accepted or declined by a person: never decided here. */
export interface Proposal {
	/** The tag, such as `sesame`. */
	allergen: string;
	source: ContactSource;
}

/** Identifies a proposal's source, so that what was decided about it is found again. */
export function sourceKey(source: ContactSource): string {
	switch (source.kind) {
		case 'day':
			return `day:${source.batchId}:${source.from.id}`;
		case 'ingredient':
			return `ingredient:${source.ingredient}`;
		case 'kitchen':
			return `kitchen:${source.risk}`;
	}
}

/**
 * What a batch may have caught from the day's others: an allergen of `groups` handled before it or while it was made,
 * on equipment they share, without a recorded clean in between (computation, section 10). Its own allergens are declared
 * already and not proposed. A time that nobody noted counts as before, and then no clean is known to lie between.
 */
export function dayProposals(
	making: Making,
	others: readonly Making[],
	cleans: readonly Clean[],
	groups: readonly string[]
): Proposal[] {
	return handledBefore(making, others, cleans).flatMap(({ other, equipment, orderKnown }) =>
		[...new Set(other.allergens)]
			.filter((tag) => isDeclarable(tag, groups) && !making.allergens.includes(tag))
			.map((allergen): Proposal => ({
				allergen,
				source: {
					kind: 'day',
					batchId: making.id,
					batchCode: making.code,
					from: { id: other.id, code: other.code, name: other.name },
					equipment,
					orderKnown
				}
			}))
	);
}

/** Names of unconfirmed ingredients that a batch may have caught something from; each once. */
export function unconfirmedBefore(
	making: Making,
	others: readonly Making[],
	cleans: readonly Clean[]
): string[] {
	return [...new Set(handledBefore(making, others, cleans).flatMap(({ other }) => other.unconfirmed))];
}

function handledBefore(making: Making, others: readonly Making[], cleans: readonly Clean[]) {
	return others.flatMap((other) => {
		if (other.id === making.id) return [];
		const orderKnown = other.beganAt !== null && making.beganAt !== null;
		const isLater = orderKnown && (other.beganAt ?? '') > (making.beganAt ?? '');
		// A later one used it meanwhile where this one was not done.
		if (isLater && !((other.beganAt ?? '') < (making.usedUntil ?? ''))) return [];
		const equipment = other.equipment.filter(
			(id) =>
				making.equipment.includes(id) &&
				!(orderKnown && cleans.some((clean) => clean.equipment === id && isBetween(clean.at, other, making)))
		);
		return equipment.length > 0 ? [{ other, equipment, orderKnown }] : [];
	});
}

/** After the last use of the one and not after the other began: times of day compare as text. */
function isBetween(at: string, earlier: Making, later: Making): boolean {
	return earlier.usedUntil !== null && at > earlier.usedUntil && at <= (later.beganAt ?? '');
}

/** Whether a rule set names the tag's group. */
export function isDeclarable(tag: string, groups: readonly string[]): boolean {
	const read = readTag(tag);
	return read !== null && groups.includes(read.group);
}

/** What a person said of an allergen that may have come along, with the reason. */
export interface ContactDecision {
	allergen: string;
	/**
	 * `accepted`: the label says it from then on, whatever the source. `withdrawn`: no longer.
	 * `declined`: this one source did not bring it.
	 */
	answer: 'accepted' | 'declined' | 'withdrawn';
	/** The source it was said of; empty for a withdrawal. */
	source: string;
}

/** How proposals stand after what was decided. */
export interface ContactStanding {
	/** Tags the label says may be in it, in the order they were accepted. */
	accepted: string[];
	/** Proposals nobody has answered. */
	open: Proposal[];
	/** Proposals that were declined. */
	declined: Proposal[];
}

/** How proposals stand; `decisions` come oldest first, and the newest about the same thing holds. */
export function contactStanding(
	proposals: readonly Proposal[],
	decisions: readonly ContactDecision[]
): ContactStanding {
	const accepted = new Set<string>();
	const declined = new Set<string>();
	for (const { allergen, answer, source } of decisions) {
		if (answer === 'accepted') accepted.add(allergen);
		if (answer === 'withdrawn') accepted.delete(allergen);
		if (answer === 'declined') declined.add(`${source} ${allergen}`);
	}
	const unanswered = proposals.filter((proposal) => !accepted.has(proposal.allergen));
	const isDeclined = (proposal: Proposal) =>
		declined.has(`${sourceKey(proposal.source)} ${proposal.allergen}`);
	return {
		accepted: [...accepted],
		open: unanswered.filter((proposal) => !isDeclined(proposal)),
		declined: unanswered.filter(isDeclined)
	};
}
