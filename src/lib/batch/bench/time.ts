/** The present, ISO 8601 in UTC. */
export const isoNow = (): string => new Date().toISOString();

/** Minutes as a clock shows them, `11:24` or `1:05:00`; a sign where they are below zero is left off. */
export function clockText(minutes: number): string {
	const seconds = Math.floor(Math.abs(minutes) * 60);
	const two = (value: number) => String(value).padStart(2, '0');
	const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
	return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** The usual time of a step in words: `20 to 30 min`; '' where none is given. */
export function timesText(step: { minutesLow: number | null; minutesHigh: number | null }): string {
	const [low, high] = [step.minutesLow, step.minutesHigh];
	if (low === null && high === null) return '';
	if (low === null || high === null || low === high) return `${low ?? high} min`;
	return `${low} to ${high} min`;
}
