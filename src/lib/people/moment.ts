/** A time the server keeps, as it was in the kitchen: `Nov 29, 3:04 PM`. */
export function moment(time: string, { timeZone, locale }: { timeZone: string; locale: string }): string {
	return new Intl.DateTimeFormat(locale, {
		timeZone,
		day: 'numeric',
		month: 'short',
		hour: 'numeric',
		minute: '2-digit'
	}).format(new Date(`${time.replace(' ', 'T')}Z`));
}
