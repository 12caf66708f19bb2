/** The present, ISO 8601 in UTC. */
export const isoNow = (): string => new Date().toISOString();

/** Minutes as a clock shows them, `11:24` or `1:05:00`; a sign where they are below zero is left off. */
export function clockText(minutes: number): string {
	const seconds = Math.floor(Math.abs(minutes) * 60);
	const two = (value: number) => String(value).padStart(2, '0');
	const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
	return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** Two hours and more are said in hours, as a step that holds dough for days has it. */
const HOURS_FROM_MIN = 120;

/** The usual time of a step in words: `20 to 30 min`, `8 to 18 h`; '' where none is given. */
export function timesText(step: { minutesLow: number | null; minutesHigh: number | null }): string {
	const times = [step.minutesLow, step.minutesHigh].filter((minutes) => minutes !== null);
	const [low] = times;
	if (low === undefined) return '';
	const inHours = times.every((minutes) => minutes >= HOURS_FROM_MIN && minutes % 30 === 0);
	const figures = [...new Set(times)].map((minutes) => (inHours ? minutes / 60 : minutes));
	return `${figures.join(' to ')} ${inHours ? 'h' : 'min'}`;
}
