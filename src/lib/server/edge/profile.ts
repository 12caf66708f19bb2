import { CHECKLIST, type ChecklistKey } from '$core/profile/checklist.ts';
import type { LocalProfile } from '$core/profile/profile.ts';
import Joi from 'joi';
import { id, money, number, optionalText, text } from './fields.ts';

/** A profile form once read. */
export interface ProfileForm {
	id: string;
	version: number;
	name: string;
	sentence: string;
	sentenceLeast: number | null;
	permitAsked: boolean;
	permit: string;
	foods: string;
	channels: string;
	yearlyLimit: string | null;
	panelExempt: boolean;
	panelCondition: string;
	answers: Record<ChecklistKey, string>;
}

export const profileForm = Joi.object<ProfileForm>({
	id: id('open the profile again'),
	version: Joi.number().integer().min(0).required(),
	name: text(120, 'what are the rules called there?'),
	sentence: optionalText(300),
	sentenceLeast: number(4, 72, { optional: true }),
	permitAsked: Joi.boolean().required(),
	permit: optionalText(60),
	foods: optionalText(2000),
	channels: optionalText(2000),
	yearlyLimit: money({ optional: true }),
	panelExempt: Joi.boolean().required(),
	panelCondition: optionalText(300),
	answers: Joi.object(Object.fromEntries(CHECKLIST.map(({ key }) => [key, optionalText(1000)]))).required()
});

/** The profile a form stands for. */
export function profileOf(form: ProfileForm): LocalProfile {
	const { id: _id, version: _version, sentenceLeast, foods, channels, answers, ...rest } = form;
	return {
		...rest,
		sentenceLeast_pt: sentenceLeast,
		foods: lines(foods),
		channels: lines(channels),
		answers: Object.fromEntries(Object.entries(answers).filter(([, answer]) => answer !== ''))
	};
}

/** Entries of a list, one a line, each once. */
const lines = (typed: string): string[] => [
	...new Set(
		typed
			.split('\n')
			.map((line) => line.trim())
			.filter(Boolean)
	)
];
