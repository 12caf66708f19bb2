import type { ChecklistKey } from './checklist.ts';

/**
 * What a kitchen's own authority asks, as its maker has noted it. It is never law by itself: local law
 * decides, and the authority or a licensed professional has the last word.
 */
export interface LocalProfile {
	/** What the rules are called there. */
	name: string;
	/** The sentence that has to stand on every label, exactly; empty when none has to. */
	sentence: string;
	/** Least type size of that sentence, points; null when none is said. */
	sentenceLeast_pt: number | null;
	/** Whether a permit or registration number has to stand on the label. */
	permitAsked: boolean;
	permit: string;
	/** Foods that may be made and sold; empty when no list is known. */
	foods: string[];
	/** Ways they may be sold; empty when no list is known. */
	channels: string[];
	/** The most that may be sold in a calendar year, decimal string; null when no limit is known. */
	yearlyLimit: string | null;
	/** Whether the nutrition panel may be left out, and on what condition. */
	panelExempt: boolean;
	panelCondition: string;
	/** What the authority answered, by question. */
	answers: Partial<Record<ChecklistKey, string>>;
}

/** A profile that says nothing yet. */
export const BLANK_PROFILE: LocalProfile = {
	name: '',
	sentence: '',
	sentenceLeast_pt: null,
	permitAsked: false,
	permit: '',
	foods: [],
	channels: [],
	yearlyLimit: null,
	panelExempt: false,
	panelCondition: '',
	answers: {}
};

/** What a profile puts on a label: its sentence and the permit's number; empty without any. */
export function profileSentence({ sentence, permitAsked, permit }: LocalProfile): string {
	const number = permitAsked && permit.trim() !== '' ? `Permit ${permit.trim()}.` : '';
	return [sentence.trim(), number].filter(Boolean).join(' ');
}

/** Whether something may be sold this way; null when the profile lists no ways. Letters' case is no matter. */
export function allowsChannel({ channels }: Pick<LocalProfile, 'channels'>, channel: string): boolean | null {
	if (channels.length === 0) return null;
	const wanted = channel.trim().toLowerCase();
	return channels.some((each) => each.trim().toLowerCase() === wanted);
}
