import { CHECKLIST, type ChecklistKey } from '$core/profile/checklist.ts';
import { BLANK_PROFILE, type LocalProfile } from '$core/profile/profile.ts';

/** A local profile as it is typed; lists have one entry a line. */
export interface ProfileDraft {
	id: string;
	version: number;
	name: string;
	sentence: string;
	sentenceLeast: string;
	permitAsked: boolean;
	permit: string;
	foods: string;
	channels: string;
	yearlyLimit: string;
	panelExempt: boolean;
	panelCondition: string;
	answers: Record<ChecklistKey, string>;
}

/** The draft of a profile, or of one that says nothing yet. */
export function profileDraft(kitchenId: string, version: number, kept: LocalProfile | null): ProfileDraft {
	const profile = kept ?? BLANK_PROFILE;
	return {
		id: kitchenId,
		version,
		name: profile.name,
		sentence: profile.sentence,
		sentenceLeast: profile.sentenceLeast_pt === null ? '' : String(profile.sentenceLeast_pt),
		permitAsked: profile.permitAsked,
		permit: profile.permit,
		foods: profile.foods.join('\n'),
		channels: profile.channels.join('\n'),
		yearlyLimit: profile.yearlyLimit ?? '',
		panelExempt: profile.panelExempt,
		panelCondition: profile.panelCondition,
		answers: Object.fromEntries(
			CHECKLIST.map(({ key }) => [key, profile.answers[key] ?? ''])
		) as ProfileDraft['answers']
	};
}
