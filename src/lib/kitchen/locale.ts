/** The ways of writing a day that a kitchen may choose among. The words of the interface stay as they are. */
export const LOCALES = ['en-GB', 'en-US', 'en-CA', 'en-IN', 'de', 'es', 'fr', 'tr', 'id', 'sw'] as const;
export type Locale = (typeof LOCALES)[number];

/** Days a week may begin with: Sunday, Monday, Saturday. */
export const WEEK_STARTS = [0, 1, 6] as const;
export type WeekStart = (typeof WEEK_STARTS)[number];

/** The locales as choices, each with how the last day of the year and a time look in it. */
export function localeChoices(): { value: Locale; text: string }[] {
	const day = new Date(Date.UTC(2026, 11, 31, 19, 30));
	const nameOf = new Intl.DisplayNames(['en'], { type: 'language' });
	return LOCALES.map((locale) => {
		const written = new Intl.DateTimeFormat(locale, {
			dateStyle: 'short',
			timeStyle: 'short',
			timeZone: 'UTC'
		}).format(day);
		return { value: locale, text: `${written} · ${nameOf.of(locale) ?? locale}` };
	});
}
