import { CHECKLIST } from '$core/profile/checklist.ts';
import type { ProfileDraft } from '$lib/kitchen/profile-draft.ts';

/** What two drafts of a local profile say differently, in words. */
export function profileDifferences(
	yours: ProfileDraft,
	theirs: ProfileDraft
): { what: string; yours: string; theirs: string }[] {
	const flat = (draft: ProfileDraft): Record<string, string> => ({
		name: draft.name,
		sentence: draft.sentence,
		'its least size': draft.sentenceLeast,
		'permit asked for': draft.permitAsked ? 'yes' : 'no',
		permit: draft.permit,
		foods: draft.foods.replaceAll('\n', ', '),
		'ways to sell': draft.channels.replaceAll('\n', ', '),
		'yearly limit': draft.yearlyLimit,
		'panel may be left out': draft.panelExempt ? 'yes' : 'no',
		condition: draft.panelCondition,
		...Object.fromEntries(CHECKLIST.map(({ key }) => [`answer about ${key}`, draft.answers[key]]))
	});
	const [mine, other] = [flat(yours), flat(theirs)];
	return Object.keys(mine)
		.filter((key) => mine[key] !== other[key])
		.map((what) => ({ what, yours: mine[what] ?? '', theirs: other[what] ?? '' }));
}
